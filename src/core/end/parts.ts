import type { EndEvent } from "../event/event";
import type { ProcedurePart } from "../procedure/procedure";
import { judgementOf } from "../procedure/step";
import type { RunSheet } from "../runsheet/document";
import type { EndState } from "./end-state";
import { firstCut } from "./retry";

/** A part that should be on by now and is not: whether it still goes on, or all is cut off and begun again. */
export interface Forgotten {
  readonly part: ProcedurePart;
  /** Parts on already that it must lie behind: they come off first and go on again after it. */
  readonly behind: readonly ProcedurePart[];
  /** The line that shut it out; null while it can still be threaded on. */
  readonly shutOutBy: number | null;
  /**
   * The cleaved end that is not in yet, where that is all that shuts it out: the part still passes over it and touches its
   * face, and a fresh cleave puts that right. Null where it no longer passes at all.
   */
  readonly overFace: string | null;
}

const lineOf = ({ lines }: RunSheet, step: string | undefined): number =>
  lines.findIndex(({ step: { id } }) => id === step);

/**
 * The parts a step needs on the cable, each with whether it was said to be on.
 * @example partsNeededAt(sheet, bare, sheet.lines[0].step.id).length // 0
 */
export const partsNeededAt = (
  { parts }: RunSheet,
  { threaded }: Pick<EndState, "threaded">,
  step: string,
): { readonly part: ProcedurePart; readonly on: boolean }[] =>
  parts.filter(({ neededAt }) => neededAt === step).map((part) => ({ part, on: threaded.includes(part.id) }));

/**
 * Parts of every gate before a line that must be on by then. One that opens goes on at any time: it is due once the step
 * that needs it is passed.
 */
export const partsDue = (sheet: RunSheet, before: number): ProcedurePart[] =>
  sheet.lines
    .filter(({ index }) => index < before)
    .flatMap(({ parts }) => parts)
    .filter(({ opens, neededAt }) => !opens || lineOf(sheet, neededAt) < before);

/**
 * Parts of every gate passed on the way to where the end stands.
 * @example dueParts(sheet, bare).map(({ id }) => id) // ["boot-3", "yarn-nut", "yarn-ring"]
 */
export const dueParts = (
  sheet: RunSheet,
  { at, reached }: Pick<EndState, "at" | "reached">,
): ProcedurePart[] => partsDue(sheet, Math.max(at, reached));

/**
 * Parts that should be on by now and are not. A part goes on over the end of the cable, so it can until the step that
 * traps it is done; what was threaded after it must come off first.
 * @example forgottenParts(sheet, bare).map(({ part }) => part.id) // ["boot-3", "yarn-nut", "yarn-ring"]
 */
export function forgottenParts(
  sheet: RunSheet,
  state: Pick<EndState, "at" | "reached" | "threaded">,
): Forgotten[] {
  return dueParts(sheet, state)
    .filter(({ id }) => !state.threaded.includes(id))
    .map((part) => {
      const trap = lineOf(sheet, part.trappedBy);
      const shut = trap >= 0 && Math.max(state.at, state.reached) > trap;
      const order = sheet.parts.map(({ id }) => id);
      return {
        part,
        behind: sheet.parts.filter(
          ({ id }) => state.threaded.includes(id) && order.indexOf(id) > order.indexOf(part.id),
        ),
        shutOutBy: shut ? trap : null,
        overFace: shut ? faceAt(sheet, state, trap) : null,
      };
    });
}

/** The end a line cleaves, while nothing has taken it in. */
function faceAt({ lines }: RunSheet, { at, reached }: Pick<EndState, "at" | "reached">, line: number) {
  const step = lines[line]?.step;
  if (step?.kind !== "cleave") return null;
  const taken = lines.findIndex(
    ({ index, step: { kind } }) => index > line && (kind === "insert" || kind === "fuse"),
  );
  return taken >= 0 && Math.max(at, reached) <= taken ? step.makes : null;
}

/**
 * A part threaded over a cleaved end after all, with what lies in front of it taken off and put back on: the face of each
 * leg is touched, so that what follows is a fresh cleave and nothing more.
 * @example overFaceEvents(sheet, { part: sheet.parts[0], behind: [] }, "").map(({ kind }) => kind)
 * // ["thread", "fault"]
 */
export function overFaceEvents(
  { cable }: Pick<RunSheet, "cable">,
  { part, behind }: Pick<Forgotten, "part" | "behind">,
  face: string,
): EndEvent[] {
  return [
    ...behind.map(({ id }): EndEvent => ({ kind: "thread", part: id, on: false })),
    ...[part, ...behind].map(({ id }): EndEvent => ({ kind: "thread", part: id, on: true })),
    ...cable.legs.map(
      (leg): EndEvent => ({ kind: "fault", leg, feature: face, what: "dirty", at: null, on: true }),
    ),
  ];
}

/**
 * Parts that went on before one they should lie in front of: first the part, then those it should follow.
 * @example outOfOrder(sheet, bare) // []
 */
export function outOfOrder(
  { parts }: RunSheet,
  { threaded }: Pick<EndState, "threaded">,
): { readonly part: ProcedurePart; readonly after: readonly ProcedurePart[] }[] {
  const on = parts.filter(({ id }) => threaded.includes(id));
  return on.flatMap((part, i) => {
    const after = on.slice(0, i).filter(({ id }) => threaded.indexOf(id) > threaded.indexOf(part.id));
    return after.length > 0 ? [{ part, after }] : [];
  });
}

/**
 * Cutting the end off because a part was forgotten and no longer goes on: back to the first mark or cut with every part
 * on. It counts against no rule of the procedure: the end itself was not at fault.
 * @example restartEvent(sheet, sheet.parts[0].id).to // 0
 */
export function restartEvent(sheet: RunSheet, part: string): Extract<EndEvent, { kind: "restart" }> {
  const to = Math.min(firstCut(sheet), lineOf(sheet, gateOf(sheet, part)));
  const again = sheet.lines.slice(to);
  return {
    kind: "restart",
    part,
    to,
    cableLost: sheet.uses.retry,
    voids: {
      checks: again.flatMap(({ checks }) => checks.map(({ id }) => id)),
      judgements: again.flatMap(({ step }) => judgementOf(step)?.id ?? []),
      steps: again.map(({ step }) => step.id),
    },
  };
}

/** The step at which a part is threaded on. */
const gateOf = ({ lines }: RunSheet, part: string): string | undefined =>
  lines.find(({ parts }) => parts.some(({ id }) => id === part))?.step.id;
