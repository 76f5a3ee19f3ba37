import { mustHoldAt } from "../problem/held";
import type { Procedure } from "../procedure/procedure";
import { checksOf, judgementOf } from "../procedure/step";
import { t } from "../words/review";

/** Something in a procedure that is allowed and most likely a slip. */
export interface Advice {
  readonly about: "part" | "dimension" | "step";
  readonly id: string;
  readonly message: string;
}

/**
 * What a careful colleague would ask about a procedure: a length nobody reads, a part threaded too late,
 * glass bared without eye protection, a bad answer that leads nowhere, shards nobody counts.
 * @example adviceOn(stub).length // 0
 */
export function adviceOn(procedure: Procedure): Advice[] {
  return [...lateParts(procedure), ...unread(procedure), ...unguarded(procedure), ...deadEnds(procedure)];
}

const indexOf = (list: readonly { id: string }[], id: string | undefined) =>
  list.findIndex((item) => item.id === id);

function lateParts({ parts, steps }: Procedure): Advice[] {
  const named = steps.flatMap((step) => (step.kind === "thread" ? (step.parts ?? []) : []));
  return parts.flatMap(({ id, name, neededAt, trappedBy }): Advice[] => {
    const at = steps.findIndex(
      (step) => step.kind === "thread" && (step.parts ? step.parts.includes(id) : !named.includes(id)),
    );
    const say = (message: string): Advice[] => [{ about: "part", id, message }];
    if (at < 0) return say(t("no-step-threads-on-the", { name }));
    if (trappedBy !== undefined && at >= indexOf(steps, trappedBy))
      return say(t("the-goes-on-after-the-step-that", { name }));
    if (neededAt !== undefined && at >= indexOf(steps, neededAt))
      return say(t("the-goes-on-after-the-step-that-2", { name }));
    return trappedBy === undefined && neededAt === undefined
      ? say(t("nothing-says-when-the-is-needed-or", { name }))
      : [];
  });
}

function unread({ dimensions, steps }: Procedure): Advice[] {
  const read = new Set(steps.flatMap(checksOf));
  return dimensions
    .filter(({ id, notRead }) => !read.has(id) && notRead === "")
    .map(({ id, name }) => ({
      about: "dimension",
      id,
      message: t("is-not-read-at-any-step-and", { name }),
    }));
}

function unguarded({ steps }: Procedure): Advice[] {
  const advice: Advice[] = [];
  const bared = steps.findIndex((step) => step.kind === "remove" && step.layers.includes("coating"));
  if (bared >= 0 && !steps.slice(0, bared + 1).some(({ cautions }) => cautions.includes("eyes")))
    advice.push({
      about: "step",
      id: mustHoldAt(steps, bared).id,
      message: t("glass-is-bared-before-eye-protection-is"),
    });
  for (const { id, kind, shards } of steps)
    if (kind === "cleave" && shards === 0)
      advice.push({ about: "step", id, message: t("a-cleave-takes-off-glass-say-how") });
  const counted = steps.some(({ shards }) => shards > 0);
  if (counted && !steps.some(({ kind }) => kind === "dispose"))
    advice.push({
      about: "step",
      id: mustHoldAt(steps, steps.length - 1).id,
      message: t("shards-come-off-and-no-step-counts"),
    });
  return advice;
}

function deadEnds({ steps }: Procedure): Advice[] {
  return steps.flatMap((step) =>
    (judgementOf(step)?.answers ?? [])
      .filter((answer) => !answer.good && answer.action === "" && !answer.goTo && answer.retries.length === 0)
      .map(({ sees }) => ({
        about: "step" as const,
        id: step.id,
        message: t("leads-nowhere-say-what-to-do", { sees }),
      })),
  );
}
