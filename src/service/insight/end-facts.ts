import { ABSENT, type EndFacts, personBy, type Tool } from "@/core";
import type { Store } from "@/store/database/store";
import { type FactRow, factRows, toolHistory } from "@/store/record/facts";
import { wholeLibrary } from "@/store/shelf/shelf";
import { referencesSince } from "@/store/workshop/light-references";
import { allPeople } from "@/store/workshop/people";
import { sinceChanged } from "../since-changed";

/** Conditions an end is asked about. Those the trade knows to spoil ends come first. */
export const KNOWN_QUESTIONS = [
  "blade-due",
  "cleaver-place",
  "launch-cord",
  "cold-day",
  "new-to-it",
] as const;
export const OTHER_QUESTIONS = ["person", "style", "interface", "cable", "cleaver", "day"] as const;
export type Question = (typeof KNOWN_QUESTIONS | typeof OTHER_QUESTIONS)[number];

/** An end on record with its conditions, and its row. */
export interface RecordedFacts extends EndFacts {
  readonly row: FactRow;
  readonly person: string;
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
    const counts = new Map<string, number>();
    return factRows(store).map((row): RecordedFacts => {
      const person = (row.signer === null ? undefined : personBy(people, row.signer)?.name) ?? row.signedBy;
      const own = `${person} ${row.style}`;
      const before = counts.get(own) ?? 0;
      counts.set(own, before + 1);
      const { interface: picked } = row.picked.choices;
      const facts: Partial<Record<Question, string>> = {
        ...{ person, style: row.styleName, cable: row.cableName, day: row.signed.slice(0, 10) },
        ...(picked ? { interface: picked } : {}),
        "new-to-it": before < NEW_FOR ? "yes" : ABSENT,
        ...blades.get(row.id),
        ...lit(row.signed),
      };
      return { id: row.id, good: row.good && !row.again, facts, row, person };
    });
  },
);

type Facts = Readonly<Partial<Record<Question, string>>>;

/** Cleaver of each end, the place of its blade in use then, and whether that was due for a turn. */
function bladeFacts(store: Store): ReadonlyMap<string, Facts> {
  const tools = new Map(wholeLibrary(store).tools.map((tool) => [tool.id, tool]));
  const { strokes, done } = toolHistory(store);
  const stands = new Map<string, { turns: number; sinceTurn: number }>();
  const facts = new Map<string, Facts>();
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
    if (!facts.has(endId)) facts.set(endId, factsOf(tool, tool.blade, stand));
    stands.set(id, { ...stand, sinceTurn: stand.sinceTurn + count });
  }
  return facts;
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
