import { randomUUID } from "node:crypto";
import type { z } from "zod";
import {
  InputError,
  judgeToolCheck,
  type Length,
  type ToolCheck,
  type ToolToCheck,
  type zNewToolCheck,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { shippedLibrary } from "@/store/shelf/shipped";
import { addTakenBack, addToolCheck, findToolCheck, toolChecksMade } from "@/store/workshop/tool-checks";
import type { Act } from "../act";
import { mustBeKnown } from "../crew/signer";
import { sinceChanged } from "../since-changed";

/** Checks of every tool, in the order of time. */
export const checksByTool = sinceChanged((store): ReadonlyMap<string, readonly ToolCheck[]> => {
  const byTool = new Map<string, ToolCheck[]>();
  for (const toolCheck of toolChecksMade(store)) {
    const own = byTool.get(toolCheck.tool);
    if (own) own.push(toolCheck);
    else byTool.set(toolCheck.tool, [toolCheck]);
  }
  return byTool;
});

/** Checks of a tool, in the order of time. */
export const checksOfTool = (store: Store, tool: string): readonly ToolCheck[] =>
  checksByTool(store, "").get(tool) ?? [];

/**
 * Stores the check of a tool; one already there by its id is stored once.
 * @throws InputError `not-found` for a tool that is not checked; `bad-input` where a question is open; `id-taken`.
 */
export function checkTool(
  act: Act,
  { id = randomUUID(), tool, sights }: z.output<typeof zNewToolCheck>,
): ToolCheck {
  const { store, actor, now } = act;
  mustBeKnown(act);
  const match = shippedLibrary().toolsToCheck.find((each) => each.id === tool);
  if (!match) throw new InputError("not-found", say("no-tool-to-check-called", { tool }), ["tool"]);
  const twin = findToolCheck(store, id);
  if (twin) {
    const stored = checksOfTool(store, tool).find((each) => each.id === id);
    if (!stored) throw new InputError("id-taken", say("another-check-already-has-this-id"), ["id"]);
    return stored;
  }
  const instrument = shippedLibrary().instruments.find((each) => each.id === tool) ?? null;
  const { good, open, bias } = judgeToolCheck(match.kind, sights, instrument);
  if (open.length > 0)
    throw new InputError("bad-input", say("answer-every-question-of-the-check", { open: open.join(", ") }), [
      "sights",
      ...open.slice(0, 1),
    ]);
  const toolCheck = { id, at: now.toISOString(), by: actor, tool, sights, good, bias, ...pick(match) };
  addToolCheck(store, toolCheck);
  return toolCheck;
}

const pick = ({ name, kind }: ToolToCheck) => ({ name, kind });

/** Takes a check back that was entered by mistake. @throws InputError `not-found`. */
export function takeBackCheck(act: Act, takenBack: string, id: string = randomUUID()): { id: string } {
  mustBeKnown(act);
  const { store, actor, now } = act;
  const match = toolChecksMade(store).find((toolCheck) => toolCheck.id === takenBack);
  if (!match) throw new InputError("not-found", say("no-such-check-of-a-tool"), ["id"]);
  if (findToolCheck(store, id))
    throw new InputError("id-taken", say("another-check-already-has-this-id"), ["id"]);
  addTakenBack(store, { id, at: now.toISOString(), by: actor, tool: match.tool }, takenBack);
  return { id };
}

/** The bias of each instrument by its last check against a gauge, micrometres. */
export const biases = (store: Store): ReadonlyMap<string, Length> =>
  new Map(
    [...checksByTool(store, "")].flatMap(([tool, checks]) => {
      const bias = checks.findLast((toolCheck) => toolCheck.bias !== null)?.bias;
      return bias == null || bias === 0 ? [] : [[tool, bias] as const];
    }),
  );

/** Names of the tools whose last check failed. */
export const failedTools = (store: Store): string[] =>
  [...checksByTool(store, "").values()].flatMap((checks) => {
    const last = checks.at(-1);
    return last && !last.good ? [last.name] : [];
  });
