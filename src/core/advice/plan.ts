import { handsOn } from "../batch/stages";
import type { EndState } from "../end/end-state";
import { type Length, um, ZERO } from "../length/length";
import { type AsMade, makes } from "../measured/as-made";
import { shiftOf } from "../measured/places";
import { mustHold, mustHoldAt, mustHoldIn } from "../problem/held";
import type { Retry } from "../procedure/retry";
import { judgementOf, type StepKind } from "../procedure/step";
import type { Line, RunSheet, SheetFeature } from "../runsheet/document";
import { featureOf } from "../runsheet/runsheet";
import { isSet, rides, standsAgainst } from "./problem";
import type { Placing } from "./solve";

/** One feature made again: where it was and comes to lie, and how it is laid off. */
export interface Move {
  readonly feature: string;
  readonly how: "cut" | "draw" | "set";
  /** Null where it was lost. */
  readonly was: Length | null;
  readonly now: Length;
  /** How much further back than it is; negative for a mark drawn nearer the end. */
  readonly further: Length;
  /** What it is laid off from once done, and how far behind that (negative: in front); null for an edge cut further. */
  readonly from: { readonly datum: string; readonly distance: Length } | null;
}

/** What to do again, in the order of work, and what that takes. */
export interface Plan {
  readonly moves: readonly Move[];
  /** Feature positions after the rework, measured from the new end. */
  readonly places: Readonly<Record<string, Length>>;
  readonly cableLost: Length;
  /** Length trimmed off the cable end as the first step; 0 if none. */
  readonly trim: Length;
  /** Lines to do again, in order, and the one to come back to. */
  readonly steps: readonly number[];
  readonly to: number;
  readonly back: number;
  readonly voids: { readonly checks: string[]; readonly judgements: string[]; readonly steps: string[] };
  /** Hands-on seconds. */
  readonly seconds: number;
}

/**
 * Which retry rule doing glass again counts against: the first that a look sends back to marking or stripping by, of
 * the looks at a cleaved end where there is one, else of those before the cleave.
 */
export function cuttingRule(sheet: RunSheet, cleaved: boolean): Retry | null {
  const cleave = sheet.lines.findIndex(({ step }) => step.kind === "cleave");
  const onSide = sheet.lines.filter(({ index }) => cleave < 0 || index > cleave === cleaved);
  return ruleOffered(sheet, onSide) ?? ruleOffered(sheet, sheet.lines);
}

function ruleOffered(sheet: RunSheet, lines: readonly Line[]): Retry | null {
  const cuts = sheet.lines
    .filter(({ figure, bares }) => figure !== null || bares.length > 0)
    .map(({ step }) => step.id);
  const offered = lines
    .flatMap(({ step }) => judgementOf(step)?.answers ?? [])
    .flatMap((answer) => [
      ...answer.retries,
      ...(answer.goTo !== undefined && answer.retries.length === 0 && sheet.retries[0]
        ? [{ rule: sheet.retries[0].id, goTo: answer.goTo }]
        : []),
    ]);
  return (
    sheet.retries.find(({ id }) => offered.some(({ rule, goTo }) => rule === id && cuts.includes(goTo))) ??
    null
  );
}

/** Hands-on seconds to trim an end with snips (common practice, no source). */
const TRIM_SECONDS = 12;

/** A placing as work to do: what is made again, by which lines, and what must be read again. */
export function planOf(
  sheet: RunSheet,
  state: EndState,
  asMade: AsMade,
  { moved, places, cableLost }: Placing,
): Plan {
  const [root] = asMade.present;
  const shift = shiftOf(sheet, places);
  const moves = asMade.present.flatMap((feature): Move[] => {
    const was = mustHold(asMade.places, feature.id);
    const now = places[feature.id];
    const lost =
      state.faults.some(
        (fault) => fault.leg === asMade.leg && fault.feature === feature.id && fault.what === "lost",
      ) || asMade.lost.has(feature.id);
    if (rides(sheet, feature, state.reached)) return [];
    if (now === undefined || (now === was && !lost && !moved.includes(feature.id))) return [];
    if (standsAgainst(sheet, feature, state.reached) !== null) return [];
    const drawn = feature.cutAt === null || feature.cutAt >= state.reached;
    const how = moved.includes(feature.id) ? "cut" : isSet(sheet, feature) ? "set" : drawn ? "draw" : "cut";
    return [
      {
        feature: feature.id,
        how,
        was: lost ? null : um(was - shift),
        now: um(now - shift),
        further: um(now - was),
        from: laidOff(sheet, asMade, feature, how, places),
      },
    ];
  });
  moves.sort((a, b) => orderOf(sheet, a) - orderOf(sheet, b));
  const changed = new Set(moves.map(({ feature }) => feature));
  const checks = sheet.checks.filter(
    ({ leg, from, to }) => leg === asMade.leg && (changed.has(from) || changed.has(to)),
  );
  const dirty = state.faults.some(({ leg, what: fault }) => leg === asMade.leg && fault === "dirty");
  const direct = [
    ...new Set([...linesMaking(sheet, state, moves), ...(dirty ? linesWiping(sheet, state) : [])]),
  ].sort((a, b) => a - b);
  const back = backTo(
    sheet,
    state,
    checks.map(({ step }) => step),
    direct,
  );
  const steps = withUndone(sheet, asMade, moves, direct, back, new Set(checks.map(({ step }) => step)));
  const first = steps[0] ?? state.at;
  const last = Math.max(state.reached, state.at);
  const trim =
    root && root.id === sheet.features[0]?.id
      ? (moves.find(({ feature }) => feature === root.id)?.further ?? ZERO)
      : ZERO;
  return {
    moves,
    places: Object.fromEntries(Object.entries(places).map(([id, at]) => [id, um(at - shift)])),
    cableLost,
    trim,
    steps,
    to: steps[0] ?? back,
    back,
    voids: {
      checks: checks.map(({ id }) => id),
      judgements: sheet.lines
        .filter(
          ({ index }) =>
            steps.includes(index) || (index > back && index <= last) || (index === back && index >= first),
        )
        .flatMap(({ step }) => judgementOf(step)?.id ?? []),
      steps: sheet.lines
        .filter(({ index }) => steps.includes(index) || (index > back && index <= last))
        .map(({ step }) => step.id),
    },
    seconds: [...steps, back].reduce(
      (sum, index) => sum + handsOn(mustHoldAt(sheet.lines, index).step),
      trim > 0 ? TRIM_SECONDS : 0,
    ),
  };
}

/** What a moved feature is laid off from: an edge from where it is now; an end, mark or part from its own datum. */
function laidOff(
  sheet: RunSheet,
  asMade: AsMade,
  feature: SheetFeature,
  how: Move["how"],
  places: Readonly<Record<string, Length>>,
): Move["from"] {
  const root = sheet.features[0]?.id;
  if (feature.id === root) return null;
  if (how === "cut" && feature.kind !== "end") return null;
  const own = sheet.lines.find(({ figure }) => figure?.feature === feature.id)?.figure?.own.datum;
  const dimension = sheet.limits.find(({ from, to }) => from === feature.id || to === feature.id);
  const other = dimension && (dimension.from === feature.id ? dimension.to : dimension.from);
  const datum = [own, other].find((id) => id !== undefined && asMade.places.has(id));
  const at = datum === undefined ? undefined : places[datum];
  return datum === undefined || at === undefined
    ? null
    : { datum, distance: um(mustHoldIn(places, feature.id) - at) };
}

/** The line that makes a feature, by which moves are put in the order of work; the end trimmed comes first. */
const orderOf = (sheet: RunSheet, { feature, how }: Move): number => {
  const { cutAt, madeAt } = featureOf(sheet, feature);
  return how === "cut" ? (cutAt ?? -1) : madeAt;
};

/** The lines that draw, cut or set what moves. */
function linesMaking(sheet: RunSheet, state: EndState, moves: readonly Move[]): number[] {
  return sheet.lines
    .filter((line) => line.index < state.reached && moves.some(({ feature }) => makes(sheet, line, feature)))
    .map(({ index }) => index);
}

const LOOKS: readonly StepKind[] = ["clean", "verify", "inspect", "bend-test"];

/** The last cleaning that was done, and every look at the glass since. */
function linesWiping({ lines }: RunSheet, { reached }: EndState): number[] {
  const clean = lines.filter(({ index, step }) => index < reached && step.kind === "clean").at(-1);
  return lines
    .filter(
      ({ index, step }) => clean && index >= clean.index && index < reached && LOOKS.includes(step.kind),
    )
    .map(({ index }) => index);
}

/** Kinds of step that stand, once done, whatever is cut behind them: parts threaded on, and what is cut elsewhere. */
const STANDS: readonly StepKind[] = ["thread", "mark", "remove", "ring-cut", "trim", "cleave", "dispose"];

/**
 * The same lines with all that they undo: once glass is bared or cleaved again, every clean, look, hold and insertion
 * from there on; where only an outer layer is, what lays its yarn back. Cuts and marks that stay where they are stand,
 * and so does a reading of what has not moved.
 */
function withUndone(
  { lines }: RunSheet,
  asMade: AsMade,
  moves: readonly Move[],
  direct: readonly number[],
  back: number,
  reads: ReadonlySet<string>,
): number[] {
  const cut = moves
    .filter(({ how }) => how === "cut")
    .flatMap(({ feature }) => asMade.present.find(({ id }) => id === feature)?.ends ?? []);
  const glass = cut.includes("coating") || cut.includes("glass");
  const yarn = cut.includes("jacket") || cut.includes("yarn");
  const first = Math.min(...direct);
  const isUndone = ({ step, checks }: Line) =>
    glass
      ? !STANDS.includes(step.kind) &&
        (step.kind !== "measure" || checks.some((check) => reads.has(check.step)))
      : yarn && step.kind === "fold";
  return lines
    .filter(
      (line) => direct.includes(line.index) || (line.index > first && line.index < back && isUndone(line)),
    )
    .map(({ index }) => index);
}

/**
 * The line it comes back to: the first after the work that reads what moved, but never past the furthest reached,
 * so that nothing beyond it is taken to be done.
 */
function backTo(
  sheet: RunSheet,
  state: EndState,
  reads: readonly string[],
  steps: readonly number[],
): number {
  const after = steps.at(-1) ?? -1;
  const furthest = Math.max(state.reached, state.at);
  const reading = sheet.lines.find(({ index, step }) => index > after && reads.includes(step.id));
  return Math.min(reading?.index ?? furthest, furthest);
}
