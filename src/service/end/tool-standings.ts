import {
  type Length,
  marksHeld,
  marksInHand,
  type ToolStanding,
  type ToolStood,
  type ToolToCheck,
  toolMarks,
  toolsUsed,
} from "@/core";
import type { Store } from "@/store/database/store";
import { type EndRow, endsWorkedBetween } from "@/store/record/ends";
import { shippedLibrary } from "@/store/shelf/shipped";
import { closuresWorkedWith, closureToolsSince } from "../workshop/closure-checks";
import {
  checksByTool,
  checksOfTool,
  EVER,
  personIdOf,
  stoodInHand,
  type Work,
} from "../workshop/tool-checks";
import { placeOfBlade } from "../workshop/tools";
import { historyOf } from "./history";
import { sheetOf } from "./kept-sheets";

/** A tool is in use if an end of so many days was made with it. */
const IN_USE_DAYS = 14;
/** Ends looked at for that; ends searched for those a failed check names, and those that are named. */
const MOST_RECENT = 60;
const MOST_SEARCHED = 2_000;
const MOST_NAMED = 200;

/** Tools on the list that an end was made with. */
const toolsOfEnd = (
  store: Store,
  end: EndRow,
  tools: readonly ToolToCheck[] = shippedLibrary().toolsToCheck,
): readonly ToolToCheck[] =>
  toolsUsed(tools, {
    sheet: sheetOf(store, end),
    // Read only for tools that no step names.
    get events() {
      return historyOf(store, end).events;
    },
  });

/** Every tool to check, as it stands now, those in use first. */
export function toolStandings(store: Store, now: Date): ToolStanding[] {
  const since = new Date(now.getTime() - IN_USE_DAYS * 86_400_000).toISOString();
  const recent = endsWorkedBetween(store, since, EVER, MOST_RECENT);
  const used = new Set(recent.flatMap((end) => toolsOfEnd(store, end).map(({ id }) => id)));
  const usedAtClosures = closureToolsSince(store, since);
  const atBench = recent.filter(({ signedAt }) => signedAt === null);
  return shippedLibrary()
    .toolsToCheck.flatMap((tool) => {
      const marks = toolMarks(checksOfTool(store, tool.id)).sort();
      const held = marksHeld(checksOfTool(store, tool.id));
      const about = {
        ...tool,
        // Cleaves are counted by kind: of several, none is known by itself.
        place: tool.kind === "cleaver" && marks.length < 2 ? placeOfBlade(store, tool.id) : null,
        dies: tool.kind === "die" ? diesOf(store, atBench) : [],
      };
      const isUsed = used.has(tool.id) || usedAtClosures.has(tool.id);
      if (marks.length === 0)
        return [{ ...about, mark: "", inUse: isUsed, last: null, named: [], closures: [] }];
      return marks.map((mark) => {
        const last = lastOf(store, tool, mark);
        // Of several, one that was replaced, or that nobody checked for so long, has been put away.
        const inUse = isUsed && (marks.length === 1 || (held.includes(mark) && (last?.at ?? "") >= since));
        return { ...about, mark, inUse, last, ...namedWork(store, { ...tool, mark }) };
      });
    })
    .sort((a, b) => Number(b.inUse) - Number(a.inUse));
}

/** Dies that the sheets of some ends are crimped with. */
function diesOf(store: Store, ends: readonly EndRow[]): { style: string; across: Length }[] {
  const dies = ends.flatMap((end) =>
    sheetOf(store, end).lines.flatMap(({ step: { kind, setting } }) =>
      kind === "crimp" && setting?.kind === "die" ? [{ style: end.styleName, across: setting.across }] : [],
    ),
  );
  return [...new Map(dies.map((die) => [`${die.style} ${die.across}`, die])).values()];
}

const lastOf = (store: Store, { id }: ToolToCheck, mark: string) =>
  checksOfTool(store, id).findLast((toolCheck) => toolCheck.mark === mark) ?? null;

/** Work on an end: from when to when, and by whom. */
const workOf = (store: Store, end: EndRow): Work => ({
  from: end.createdAt,
  to: end.signedAt ?? EVER,
  get by() {
    const events = end.signer === null ? historyOf(store, end).events : [];
    return personIdOf(store, end.signer ?? events.find(({ by }) => by)?.by ?? null);
  },
});

/** Ends made and closures worked at with a tool since its last good check, where its last check failed. */
function namedWork(
  store: Store,
  tool: ToolToCheck & Pick<ToolStanding, "mark">,
): Pick<ToolStanding, "named" | "closures"> {
  const checks = checksOfTool(store, tool.id);
  const own = checks.filter(({ mark }) => mark === tool.mark);
  if (own.at(-1)?.good !== false) return { named: [], closures: [] };
  const lastGood = own.findLast(({ good }) => good)?.at ?? "";
  const named = endsWorkedBetween(store, lastGood, EVER, MOST_SEARCHED)
    .filter(
      (end) =>
        toolsOfEnd(store, end, [tool]).length > 0 &&
        marksInHand(checks, workOf(store, end)).includes(tool.mark),
    )
    .slice(0, MOST_NAMED)
    .map(({ id, label, styleName, createdAt }) => ({ id, label, style: styleName, begun: createdAt }));
  return { named, closures: closuresWorkedWith(store, tool, lastGood) };
}

/** Standing of an end by the checks of the tools it was made with; tools that were never checked are left out. */
export const checksOfEnd = (store: Store, end: EndRow): ToolStood[] =>
  checksByTool(store, "").size === 0
    ? []
    : toolsOfEnd(store, end).flatMap((tool) => stoodInHand(store, tool, workOf(store, end)) ?? []);
