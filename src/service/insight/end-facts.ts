import { ABSENT, type EndFacts, personBy, standingInHand, type Tool } from "@/core";
import type { Store } from "@/store/database/store";
import { type FactRow, factRows } from "@/store/record/facts";
import { wholeLibrary } from "@/store/shelf/shelf";
import { referencesSince } from "@/store/workshop/light-references";
import { allPeople } from "@/store/workshop/people";
import { lotsOpened } from "@/store/workshop/tool-checks";
import { toolHistory } from "@/store/workshop/tool-history";
import { sinceChanged } from "../since-changed";
import { checksByTool, type Work } from "../workshop/tool-checks";

/** Conditions an end is asked about. Those the trade knows to spoil ends come first. */
export const KNOWN_QUESTIONS = [
  "blade-due",
  "cleaver-place",
  "launch-cord",
  "cold-day",
  "new-to-it",
  "lot",
  "tool-failed",
] as const;
export const OTHER_QUESTIONS = [
  "person",
  "style",
  "interface",
  "cable",
  "cleaver",
  "adhesive",
  "day",
] as const;
export type Question = (typeof KNOWN_QUESTIONS | typeof OTHER_QUESTIONS)[number];

/** An end on record with its conditions, and its row. */
export interface RecordedFacts extends EndFacts {
  readonly row: FactRow;
  readonly person: string;
  /** The cleaver it was made with, and the cleaves on its blade's place then; null without one. */
  readonly blade: { readonly tool: string; readonly sinceTurn: number; readonly count: number } | null;
}

/** Somebody is new to a connector for so many ends (common practice, no source). */
const NEW_FOR = 10;
/** Colder than this, adhesives and hands are slow (common practice, no source). Degrees Celsius. */
const COLD = 10;
/** A reference of light says what a day was like for so long. */
const REFERENCE_MS = 10 * 3_600_000;

/** Conditions of every end of work on record, in the order of the sign-offs; good where its first attempt was. */
export const recordedFacts: (store: Store, key: string) => readonly RecordedFacts[] = sinceChanged(
  (store) => {
    const people = allPeople(store);
    const blades = bladeFacts(store);
    const lit = lightFacts(store);
    const lots = lotFacts(store);
    const adhesives = adhesivesOf(store);
    const hasFailed = failedToolFacts(store);
    const counts = new Map<string, number>();
    return factRows(store).map((row): RecordedFacts => {
      const signer = row.signer === null ? undefined : personBy(people, row.signer);
      const person = signer?.name ?? row.signedBy;
      const own = `${person} ${row.style}`;
      const before = counts.get(own) ?? 0;
      counts.set(own, before + 1);
      const blade = blades.get(row.id);
      const facts: Partial<Record<Question, string>> = {
        ...{ person, style: row.styleName, cable: row.cableName, day: row.signed.slice(0, 10) },
        ...(row.interface ? { interface: row.interface } : {}),
        "new-to-it": before < NEW_FOR ? "yes" : ABSENT,
        ...blade?.facts,
        ...lit(row.signed),
        ...lots(row.style, row.begun),
        ...(adhesives.has(row.style) ? { adhesive: adhesives.get(row.style) } : {}),
        ...(blade
          ? hasFailed(blade.tool, { from: row.begun, to: row.signed, by: signer?.id ?? row.signer })
          : {}),
      };
      return {
        id: row.id,
        good: row.good === 1 && row.again === 0,
        facts,
        row,
        person,
        blade: blade ?? null,
      };
    });
  },
);

type Facts = Readonly<Partial<Record<Question, string>>>;

/** A blade as an end found it. */
interface BladeFacts extends NonNullable<RecordedFacts["blade"]> {
  readonly facts: Facts;
}

/** Cleaver of each end, the place of its blade in use then, and whether that was due for a turn. */
function bladeFacts(store: Store): ReadonlyMap<string, BladeFacts> {
  const tools = new Map(wholeLibrary(store).tools.map((tool) => [tool.id, tool]));
  const { strokes, done } = toolHistory(store);
  const stands = new Map<string, { turns: number; sinceTurn: number }>();
  const blades = new Map<string, BladeFacts>();
  let next = 0;
  for (const { endId, tool: id, at, count } of strokes) {
    for (let event = done[next]; event && event.at <= at; event = done[++next]) {
      const stand = stands.get(event.tool) ?? { turns: 0, sinceTurn: 0 };
      if (event.action === "new") stands.set(event.tool, { turns: 0, sinceTurn: 0 });
      if (event.action === "turn") stands.set(event.tool, { turns: stand.turns + 1, sinceTurn: 0 });
    }
    const tool = tools.get(id);
    if (!tool?.blade) continue;
    const stand = stands.get(id) ?? { turns: 0, sinceTurn: 0 };
    if (endId !== null) {
      const before = blades.get(endId);
      if (!before) {
        const facts = factsOf(tool, tool.blade, stand);
        blades.set(endId, { tool: id, sinceTurn: stand.sinceTurn, count, facts });
      } else if (before.tool === id) blades.set(endId, { ...before, count: before.count + count });
    }
    stands.set(id, { ...stand, sinceTurn: stand.sinceTurn + count });
  }
  return blades;
}

const factsOf = (
  { name }: Tool,
  { positions, each }: NonNullable<Tool["blade"]>,
  { turns, sinceTurn }: { turns: number; sinceTurn: number },
): Facts => ({
  cleaver: name,
  "cleaver-place": `${name}, ${Math.min(positions, turns + 1)}`,
  "blade-due": sinceTurn >= each ? "yes" : ABSENT,
});

/** The lot a style's connectors came from at a time; none before the first was opened. */
function lotFacts(store: Store): (style: string, at: string) => Facts {
  const opened = lotsOpened(store);
  return (style, at) => {
    const last = opened.findLast((lot) => lot.style === style && lot.at <= at);
    return last ? { lot: last.lot } : {};
  };
}

/** The adhesive a style is made with, by its family: a primer and an accelerator are not the same. */
const adhesivesOf = (store: Store): ReadonlyMap<string, string> =>
  new Map(
    wholeLibrary(store).procedures.flatMap(({ id, family, adhesive }) =>
      adhesive ? [[id, family.replace("adhesive-", "")] as const] : [],
    ),
  );

/** Condition of an end whose cleaver failed its check with no good one between that and the end. */
function failedToolFacts(store: Store): (tool: string, work: Work) => Facts {
  const checks = checksByTool(store, "");
  return (tool, work) => {
    const stood = standingInHand(checks.get(tool) ?? [], work);
    return stood ? { "tool-failed": stood.standing === "failed" ? "yes" : ABSENT } : {};
  };
}

/** The launch cord in use and the temperature at a time, by the reference of light taken last before it. */
function lightFacts(store: Store): (at: string) => Facts {
  const references = referencesSince(store, "").map(({ reference }) => reference);
  return (at) => {
    const when = Date.parse(at);
    const last = references.find(({ taken }) => {
      const age = when - Date.parse(taken);
      return age >= 0 && age <= REFERENCE_MS;
    });
    if (!last) return {};
    const cold = last.celsius === null ? {} : { "cold-day": last.celsius < COLD ? "yes" : ABSENT };
    return { "launch-cord": last.cord, ...cold };
  };
}
