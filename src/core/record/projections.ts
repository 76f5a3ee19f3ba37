import type { Rule, Verdict } from "../conformance/conformance";
import { standingEvents, takenBackIn } from "../end/acts";
import type { EndState } from "../end/end-state";
import { standingOf } from "../end/result";
import { endState } from "../end/state";
import type { KeptVerdict } from "../event/judged";
import type { Purpose, Recorded } from "../event/recorded";
import type { Check, RunSheet } from "../runsheet/document";
import { SIMULATED } from "../simulated/hidden-end";

/** A reading as its end's later events leave it. Lengths in micrometres. */
export interface ReadingRow {
  readonly eventId: string;
  readonly check: string;
  readonly value: number;
  readonly instrument: string;
  readonly by: string | null;
  readonly at: string;
  readonly standing: "stands" | "void" | "struck";
}

/** One length of an end: its limits, what it was judged to be, how its first readings lay. Micrometres. */
export interface VerdictRow {
  readonly check: string;
  readonly dimension: string;
  readonly name: string;
  readonly leg: string;
  readonly nominal: number;
  readonly min: number | null;
  readonly max: number | null;
  readonly makes: string | null;
  readonly tool: string | null;
  readonly readings: number;
  readonly mean: number | null;
  readonly u: number | null;
  readonly probability: number | null;
  readonly verdict: Verdict | null;
  readonly firstMean: number | null;
}

/** A retry, fresh start or rework. */
interface AttemptRow {
  readonly eventId: string;
  readonly kind: "retry" | "restart" | "rework";
  readonly rule: string | null;
  readonly leg: string;
  readonly at: string;
  readonly cableLost: number;
  /** 1 where it was taken back, else 0. */
  readonly takenBack: number;
}

/** Something used up; a stroke of a blade has its tool. */
export interface UseRow {
  readonly eventId: string;
  readonly place: number;
  readonly tool: string | null;
  readonly item: string;
  readonly count: number;
  readonly at: string;
  readonly purpose: Purpose;
}

/** What lists, aims and counts are made from: all of it follows from an end's events. */
export interface Projections {
  readonly readings: readonly ReadingRow[];
  readonly verdicts: readonly VerdictRow[];
  readonly attempts: readonly AttemptRow[];
  readonly uses: readonly UseRow[];
}

/** What an end's projections are worked out from. */
export interface Projected {
  readonly sheet: RunSheet;
  readonly rule: Rule;
  readonly purpose: Purpose;
  readonly events: readonly Recorded[];
  /** As judged at the sign-off, where that is on record. */
  readonly verdicts: readonly KeptVerdict[] | null;
}

/**
 * @example Object.keys(projectionsOf(recordable)) // ["readings", "verdicts", "attempts", "uses"]
 */
export function projectionsOf(end: Projected, state: EndState = endState(end.events)): Projections {
  const { sheet, events } = end;
  return {
    readings: readingRows(events, state),
    verdicts: sheet.checks.map((check) => verdictRow(end, state, check)),
    attempts: attemptRows(events),
    uses: standingEvents(events).flatMap((event) => usedIn(event, end.purpose)),
  };
}

function readingRows(events: readonly Recorded[], state: EndState): ReadingRow[] {
  const stands = new Set(state.readings.map(({ id }) => id));
  const voided = new Set(state.voided.map(({ id }) => id));
  const standing = (id: string): ReadingRow["standing"] =>
    stands.has(id) ? "stands" : voided.has(id) ? "void" : "struck";
  return events.flatMap((event) => readingRow(event, standing(event.id)) ?? []);
}

/**
 * An event as a row of readings; null for one that is none.
 * @example readingRow(recorded(1, { kind: "step", to: 3 }), "counts") // null
 */
export const readingRow = (
  { id, at, by, event }: Recorded,
  standing: ReadingRow["standing"],
): ReadingRow | null =>
  event.kind === "reading"
    ? {
        eventId: id,
        check: event.check,
        value: event.value,
        instrument: event.instrument.id,
        by: by ?? null,
        at,
        standing,
      }
    : null;

/**
 * One length of an end as a row: its limits as the sheet states them, whatever the other side of an opening has over.
 * @example Object.keys(verdictRow(recordable, fresh, sheet.checks[0])).slice(0, 3) // ["check", "dimension", "name"]
 */
export function verdictRow(
  { sheet, rule, events, verdicts }: Projected,
  state: EndState,
  check: Check,
): VerdictRow {
  const standing = standingOf(sheet, state, rule, check);
  const judged = verdicts?.find((verdict) => verdict.check === check.id) ?? standing.judged;
  const laid = laidOffBy(sheet, check);
  return {
    check: check.id,
    dimension: check.dimension,
    name: check.name,
    leg: check.leg,
    nominal: check.nominal,
    min: check.min,
    max: check.max,
    makes: laid?.makes ?? null,
    tool: laid?.tool ?? null,
    readings: standing.readings.length,
    mean: judged?.mean ?? null,
    u: judged?.u ?? null,
    probability: judged?.probability ?? null,
    verdict: judged?.verdict ?? null,
    firstMean: firstMean(events, check.id),
  };
}

/**
 * Mean of a length's readings before anything was redone, since what is made after it is made with them in mind.
 * Struck readings and those of a simulated end say nothing of a hand.
 */
function firstMean(events: readonly Recorded[], check: string): number | null {
  const stood = standingEvents(events);
  const redone = stood.findIndex(({ event }) => event.kind === "retry" || event.kind === "rework");
  const first = redone < 0 ? stood : stood.slice(0, redone);
  const struck = new Set(stood.flatMap(({ event }) => (event.kind === "strike" ? [event.reading] : [])));
  const values = first.flatMap(({ id, event }) =>
    event.kind === "reading" &&
    event.check === check &&
    event.instrument.id !== SIMULATED.id &&
    !struck.has(id)
      ? [event.value]
      : [],
  );
  return values.length > 0 ? values.reduce((sum, value) => sum + value, 0) / values.length : null;
}

/** The feature a length is laid off to and the tool that makes it; null where the length follows from others. */
function laidOffBy(sheet: RunSheet, { from, to }: Check): { makes: string; tool: string } | null {
  const at = (id: string) => {
    const feature = sheet.features.find((feature) => feature.id === id);
    return feature?.cutAt ?? feature?.madeAt ?? -1;
  };
  const [makes, datum] = at(from) > at(to) ? [from, to] : [to, from];
  const figure = sheet.lines.find((line) => line.figure?.feature === makes)?.figure;
  const step = sheet.lines[at(makes)]?.step;
  const tool = step && "tool" in step ? step.tool : undefined;
  return figure?.own.datum === datum && tool !== undefined ? { makes, tool } : null;
}

function attemptRows(events: readonly Recorded[]): AttemptRow[] {
  const gone = takenBackIn(events);
  return events.flatMap((event) => attemptRow(event, Number(gone.has(event.id))) ?? []);
}

function attemptRow({ id, at, event }: Recorded, takenBack: number): AttemptRow | null {
  switch (event.kind) {
    case "retry":
      return {
        eventId: id,
        kind: "retry",
        rule: event.rule,
        leg: event.leg ?? "",
        at,
        cableLost: event.cableLost ?? 0,
        takenBack,
      };
    case "restart":
      return {
        eventId: id,
        kind: "restart",
        rule: null,
        leg: "",
        at,
        cableLost: event.cableLost,
        takenBack,
      };
    case "rework":
      return {
        eventId: id,
        kind: "rework",
        rule: event.rule,
        leg: event.leg,
        at,
        cableLost: event.cableLost,
        takenBack,
      };
    default:
      return null;
  }
}

/**
 * What an event used up: its first item is the tool's own stroke.
 * @example usedIn(recorded(1, { kind: "step", to: 3 }), "work") // []
 */
export const usedIn = ({ id, at, event }: Recorded, purpose: Purpose): UseRow[] =>
  event.kind === "use"
    ? event.items.map(({ item, count }, place) => ({
        eventId: id,
        place,
        tool: place === 0 ? event.tool : null,
        item,
        count,
        at,
        purpose,
      }))
    : [];
