import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { EndState } from "../end/end-state";
import { endState } from "../end/state";
import type { EndEvent } from "../event/event";
import { presentFeatures } from "../measured/as-made";
import { axisStart, fibreEndOf, isGone, laidOffBy, placesOf } from "../measured/places";
import { judgementOf } from "../procedure/step";
import type { RunSheet } from "../runsheet/document";
import { sheetsByChoice } from "../runsheet/fixtures/shipped-sheets";
import { featureOf } from "../runsheet/runsheet";
import { advise, type EndAdvice } from "./advise";
import { andThen, CALLIPER, GUARDED } from "./fixtures/ends";
import type { Seen } from "./from-start";
import { isStillToMove, reworkedSheet, trimDue } from "./reworked-sheet";
import { nextLine, reworkEvent } from "./take";

/** A length known by measurement is shown to a tenth of a millimetre. */
const TOLD_TO = 50;
const ways = ["least", "recommended"] as const;

const startedAt = (line: number): EndState => ({ ...endState([]), at: line, reached: line });

/** What is wrong with what a technician is shown on the way back, line by line; empty where every claim holds. */
function wrongIn(sheet: RunSheet, state: EndState): string[] {
  const leg = state.inHand?.leg ?? Object.keys(state.places).at(-1);
  const runSheet = reworkedSheet(sheet, state);
  if (leg === undefined) return runSheet === sheet ? [] : ["a sheet nothing was redone on is another"];
  const wrong: string[] = [];
  const must = (holds: boolean, ...claim: unknown[]) => {
    if (!holds) wrong.push(claim.join(" "));
  };
  const places = placesOf(sheet, state, leg);
  const at = (id: string) => places.get(id) ?? Number.NaN;
  const start = axisStart(sheet, state.reached);
  const there = (id: string) => !isGone(featureOf(sheet, id), state.reached);
  must(
    runSheet.features[0]?.id === start.id,
    "the axis begins at",
    runSheet.features[0]?.id,
    "not",
    start.id,
  );
  if (state.inHand) must(at(start.id) === 0, "it counts from", at(start.id));
  for (const { id, position } of runSheet.features)
    must(position === at(id), id, "lies at", at(id), "drawn at", position);
  const laidOff = laidOffBy(sheet);
  for (const { index, figure, step } of runSheet.lines) {
    if (!figure) continue;
    const { feature: id, own, fromEnd } = figure;
    const again = state.inHand?.steps.includes(index) ?? false;
    const toCome = featureOf(sheet, id).madeAt >= state.reached;
    if (!again && !toCome) continue;
    const by = laidOff.get(id);
    const report = (...claim: unknown[]) => [step.id, id, ...claim];
    must(there(own.datum) || own.datum === id, ...report("from", own.datum, "which is gone"));
    const pending = again && own.datum !== id && isStillToMove(sheet, own.datum, index, state.inHand);
    must(!pending, ...report("from", own.datum, "which is only made anew later"));
    const from = own.datum === id ? at(id) - (figure.further ?? 0) : at(own.datum);
    must(
      Math.abs(own.distance - (at(id) - from)) <= TOLD_TO,
      ...report("lies", at(id) - from, "told", own.distance),
    );
    must(Math.abs(fromEnd - at(id)) <= TOLD_TO, ...report("on the ruler", at(id), "told", fromEnd));
    if (!by || !there(by.datum)) continue;
    const lies = at(id) - at(by.datum);
    must(!toCome || lies === by.nominal, ...report("not made yet, lies", lies, "not", by.nominal));
    must(by.min === null || lies >= by.min, ...report("lies", lies, "under", by.min));
    must(by.max === null || lies <= by.max, ...report("lies", lies, "over", by.max));
    if (own.datum !== by.datum) continue;
    must(
      by.max === null || own.distance + (own.plus ?? Number.NaN) === by.max,
      ...report("at most", by.max, "not +", own.plus),
    );
    must(
      by.min === null || own.distance - (own.minus ?? Number.NaN) === by.min,
      ...report("at least", by.min, "not -", own.minus),
    );
  }
  return wrong;
}

function mustBeRight(sheet: RunSheet, state: EndState, after: string): void {
  const wrong = wrongIn(sheet, state);
  if (wrong.length > 0) expect(wrong, after).toEqual([]);
}

/** Made cuts and marks that nothing moved and nothing was read of lie where they lay to one another. */
function mustStay(
  sheet: RunSheet,
  before: EndState,
  taken: EndState,
  advice: Extract<EndAdvice, { kind: "rework" }>,
): void {
  const [was, now] = [placesOf(sheet, before, advice.leg), placesOf(sheet, taken, advice.leg)];
  const moved = new Set((taken.inHand?.moves ?? []).map(({ feature }) => feature));
  const read = new Set(
    sheet.checks
      .filter(({ id }) => before.readings.some(({ check }) => check === id))
      .flatMap(({ from, to }) => [from, to]),
  );
  const still = Object.keys(taken.places[advice.leg] ?? {}).filter(
    (id) => !moved.has(id) && !read.has(id) && featureOf(sheet, id).kind !== "part",
  );
  const by = new Set(still.map((id) => (was.get(id) ?? 0) - (now.get(id) ?? 0)));
  if (by.size > 1) expect([...by], `${still.join()} moved apart though nothing moved them`).toHaveLength(1);
}

/** Takes what is advised for one leg; null where there is nothing to take. */
function taken(
  sheet: RunSheet,
  state: EndState,
  seen: Seen | null,
  way: (typeof ways)[number],
): EndState | null {
  const [advice] = advise(sheet, state, GUARDED, seen);
  if (advice?.kind === "rework") {
    const after = andThen(state, reworkEvent(advice, way));
    mustStay(sheet, state, after, advice);
    return after;
  }
  return advice?.kind === "start-over" && advice.again ? andThen(state, advice.again as EndEvent) : null;
}

/** Goes on, line by line, checking what is shown at each, until a line is come to. */
function walkTo(sheet: RunSheet, from: EndState, line: number, after: string): EndState {
  let state = from;
  if (trimDue(sheet, state) !== null)
    state = andThen(state, { kind: "trimmed", leg: state.inHand?.leg ?? "" });
  mustBeRight(sheet, state, after);
  for (let i = 0; state.at < line && i < 200; i++) {
    state = andThen(state, { kind: "step", to: nextLine(state) });
    mustBeRight(sheet, state, after);
  }
  return state;
}

interface Mishap {
  readonly name: string;
  readonly line: number;
  readonly events: readonly EndEvent[];
  readonly seen: Seen | null;
}

/** Whatever a sheet's own looks can say is bad, and whatever can be seen on its glass at each later step. */
function mishapsOf(sheet: RunSheet): Mishap[] {
  const looks = sheet.lines.flatMap(({ index, step }) => {
    const judgement = judgementOf(step);
    return (judgement?.answers ?? [])
      .filter(({ good }) => !good)
      .map(({ id: answer }) => ({
        name: `${judgement?.id}: ${answer}`,
        line: index,
        events: [{ kind: "answer", judgement: judgement?.id ?? "", answer }] as EndEvent[],
        seen: { judgement: judgement?.id ?? "", answer },
      }));
  });
  const leg = sheet.cable.legs[0] ?? "";
  const first = sheet.lines.findIndex(({ bares }) => bares.length > 0);
  const lies = (line: number) =>
    presentFeatures(sheet, line)
      .map(({ id }) => id)
      .join();
  const faults = sheet.lines.slice(first + 1).flatMap(({ index }) => {
    const feature = fibreEndOf(sheet, index);
    // Where the step before made nothing, the end lies as it did there.
    if (!feature || (index > first + 1 && lies(index) === lies(index - 1))) return [];
    return (["broken", "nick", "touched"] as const).map((fault) => ({
      name: `${fault} at ${sheet.lines[index]?.step.id}`,
      line: index,
      events: [{ kind: "fault", leg, feature, what: fault, at: null, on: true }] as EndEvent[],
      seen: null,
    }));
  });
  return [...looks, ...faults];
}

describe("after a mishap every figure is the one to work to", () => {
  it.each(sheetsByChoice)("$name: whatever is seen, by every way, three times in a row", ({ sheet }) => {
    for (const { name, line, events, seen } of mishapsOf(sheet))
      for (const [times, way] of [
        [2, "least"],
        [3, "recommended"],
      ] as const) {
        const after = `${name}, ${way}`;
        let state = startedAt(line);
        for (let time = 0; time < times; time++) {
          const hurt = andThen(state, ...events);
          const next = taken(sheet, hurt, seen, way);
          if (!next) break;
          mustBeRight(sheet, next, after);
          state = walkTo(sheet, next, line, `${after}, walked on`);
        }
      }
  });

  it.each(sheetsByChoice)("$name: started over, the sheet is the first one again", ({ sheet }) => {
    for (const { line, events, seen } of mishapsOf(sheet)) {
      const hurt = andThen(startedAt(line), ...events);
      for (const advice of advise(sheet, hurt, GUARDED, seen)) {
        if (advice.kind !== "start-over" || !advice.again) continue;
        expect(reworkedSheet(sheet, andThen(hurt, advice.again as EndEvent))).toBe(sheet);
      }
    }
  });

  it.each(sheetsByChoice)(
    "$name: broken again in the middle of a rework, at each of its steps",
    ({ sheet }) => {
      for (const { line, events, seen } of mishapsOf(sheet).filter(({ seen }) => seen === null)) {
        const begun = taken(sheet, andThen(startedAt(line), ...events), seen, "recommended");
        if (!begun?.inHand) continue;
        for (let state: EndState = begun; state.inHand; ) {
          const feature = fibreEndOf(sheet, state.reached);
          const leg = state.inHand.leg;
          if (feature) {
            const again = taken(
              sheet,
              andThen(state, { kind: "fault", leg, feature, what: "broken", at: null, on: true }),
              null,
              "recommended",
            );
            if (again) mustBeRight(sheet, again, `broken again at ${state.at}`);
          }
          state =
            trimDue(sheet, state) === null
              ? andThen(state, { kind: "step", to: nextLine(state) })
              : andThen(state, { kind: "trimmed", leg });
        }
      }
    },
  );

  it.each(sheetsByChoice)("$name: whatever is read", ({ sheet }) => {
    const off = fc.integer({ min: -4_000, max: 4_000 });
    fc.assert(
      fc.property(
        fc.array(fc.option(off, { nil: null }), {
          minLength: sheet.checks.length,
          maxLength: sheet.checks.length,
        }),
        fc.constantFrom(...ways),
        (offs, way) => {
          let state = startedAt(sheet.lines.length - 1);
          for (let time = 0; time < 2; time++) {
            const read = sheet.checks.flatMap(({ id, nominal }, i): EndEvent[] => {
              const by = offs[i];
              const value = nominal + (by ?? 0);
              if (by === null || by === undefined || value < 0) return [];
              return [
                {
                  kind: "reading",
                  check: id,
                  value,
                  typed: String(value / 1000),
                  unit: "mm",
                  instrument: CALLIPER,
                } as EndEvent,
              ];
            });
            const next = taken(sheet, andThen(state, ...read), null, way);
            if (!next) return;
            mustBeRight(sheet, next, `${offs} ${way}`);
            state = walkTo(sheet, next, sheet.lines.length - 1, `${offs} ${way}, walked on`);
          }
        },
      ),
      { numRuns: 12, seed: 29 },
    );
  });
});
