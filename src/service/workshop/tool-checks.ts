import { randomUUID } from "node:crypto";
import type { z } from "zod";
import {
  InputError,
  judgeToolCheck,
  type Length,
  markedName,
  marksHeld,
  marksInHand,
  type Person,
  personBy,
  standingInHand,
  type ToolCheck,
  type ToolStood,
  type ToolToCheck,
  um,
  type zNewToolCheck,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { shippedLibrary } from "@/store/shelf/shipped";
import { allPeople } from "@/store/workshop/people";
import { addTakenBack, addToolCheck, findToolCheck, toolChecksMade } from "@/store/workshop/tool-checks";
import type { Act } from "../act";
import { mustBeKnown } from "../crew/signer";
import { sinceChanged } from "../since-changed";

/** Checks of every kind of tool, in the order of time; whoever made them goes by their one id. */
export const checksByTool = sinceChanged((store): ReadonlyMap<string, readonly ToolCheck[]> => {
  const byTool = new Map<string, ToolCheck[]>();
  const people = allPeople(store);
  for (const stored of toolChecksMade(store)) {
    const toolCheck = { ...stored, by: personIn(people, stored.by) };
    const own = byTool.get(toolCheck.tool);
    if (own) own.push(toolCheck);
    else byTool.set(toolCheck.tool, [toolCheck]);
  }
  return byTool;
});

/** Id somebody goes by, of all they ever went by. */
const personIn = (people: readonly Person[], by: string | null): string | null =>
  by === null ? null : (personBy(people, by)?.id ?? by);

/** Id somebody goes by now. */
export const personIdOf = (store: Store, by: string | null): string | null => personIn(allPeople(store), by);

/** Checks of a kind of tool, in the order of time. */
export const checksOfTool = (store: Store, tool: string): readonly ToolCheck[] =>
  checksByTool(store, "").get(tool) ?? [];

/**
 * Stores the check of a tool; one already there by its id is stored once.
 * @throws InputError `not-found` for a tool that is not checked; `bad-input` where a question is open; `id-taken`.
 */
export function checkTool(
  act: Act,
  { id = randomUUID(), tool, mark, sights }: z.output<typeof zNewToolCheck>,
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
  const toolCheck = { id, at: now.toISOString(), by: actor, tool, mark, sights, good, bias, ...pick(match) };
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

/**
 * The bias of each instrument in somebody's hand by its last check against a gauge, micrometres; where several of a kind come
 * into question, the largest.
 */
export function biases(store: Store, person: string | null): ReadonlyMap<string, Length> {
  const work = { from: EVER, to: EVER, by: personIdOf(store, person) };
  return new Map(
    [...checksByTool(store, "")].flatMap(([tool, checks]) => {
      const offsets = marksInHand(checks, work).map(
        (mark) => checks.findLast((each) => each.mark === mark && each.bias !== null)?.bias ?? um(0),
      );
      const bias = offsets.reduce((most, each) => (Math.abs(each) > Math.abs(most) ? each : most), um(0));
      return bias === 0 ? [] : [[tool, bias] as const];
    }),
  );
}

/** Later than any time on record. */
export const EVER = "9999";

/** Names of the tools in somebody's hand whose last check failed. */
export const failedTools = (store: Store): string[] =>
  [...checksByTool(store, "").values()].flatMap((checks) =>
    marksHeld(checks).flatMap((mark) => {
      const last = checks.findLast((each) => each.mark === mark);
      return last && !last.good ? [markedName(last.name, mark)] : [];
    }),
  );

/** Work done with a tool: its times, and the id of whoever did it. */
export type Work = Parameters<typeof marksInHand>[1];

/** Standing of work by the checks of the tool it was done with; null where none of its kind was ever checked. */
export function stoodInHand(store: Store, tool: ToolToCheck, work: Work): ToolStood | null {
  const stood = standingInHand(checksOfTool(store, tool.id), work);
  return stood && { ...stood, tool: { ...tool, name: markedName(tool.name, stood.mark) } };
}
