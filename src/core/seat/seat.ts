import type { Conformance, Rule } from "../conformance/conformance";
import type { EndState } from "../end/end-state";
import { judgeCheck } from "../end/result";
import type { Check, RunSheet, SheetLimit } from "../runsheet/document";

/** What the stand-off of the reference mark says of how the fibre sits. Micrometres. */
export interface Seat {
  readonly leg: string;
  /** The stand-off that was read. */
  readonly check: string;
  /**
   * In front of the stop: how far the fibre end is short of it (positive) by what was read; null where nothing read
   * says how far the mark is from the fibre end.
   */
  readonly gap: { readonly by: number; readonly u: number } | null;
  /** How far the cleave, and the mark behind the buffer, are off what the sheet asks; null where not read. */
  readonly cleave: { readonly by: number; readonly u: number } | null;
  readonly mark: { readonly by: number; readonly u: number } | null;
  readonly finding: Finding;
}

/**
 * seated: at the stop and the stand-off right. short: not at the stop, push it home. cleaved-long, cleaved-short,
 * mark-off: at the stop, and that is why the mark stands where it does. cannot-be: deeper than the stop, so a reading
 * is wrong. unsure: the readings leave it open.
 */
type Finding = "seated" | "short" | "cleaved-long" | "cleaved-short" | "mark-off" | "cannot-be" | "unsure";

/** Standard deviations beyond which a difference is taken to be there. */
const SURE = 2;

/**
 * How a fibre sits, from the mark's stand-off at the entry tube with the cleave and the mark as measured.
 * The fibre end lies (end to mark) − (stand-off) inside the entry tube; by the sheet the stop lies as deep as both
 * nominals make it. What is missing is the gap. Uncertainties add as squares (JCGM 100, 5.1.2).
 * @returns null where the leg has no stand-off to read, or it is not read yet.
 * @example seatOf(sheet, bare, rule, "") // null
 */
export function seatOf(sheet: RunSheet, state: EndState, rule: Rule, leg: string): Seat | null {
  const check = sheet.checks.find((check) => check.leg === leg && isStandOff(sheet, check));
  if (!check) return null;
  const judged = judgedOf(state, rule, check);
  if (!judged) return null;
  const mark = check.to;
  const end = sheet.features.filter(({ kind }) => kind === "end").at(-1)?.id;
  const edge = sheet.features.find(({ ends }) => ends.includes("coating"))?.id;
  const read = (from: string | undefined, to: string | undefined) => {
    const own = sheet.checks.find((check) => check.leg === leg && check.from === from && check.to === to);
    const value = own && judgedOf(state, rule, own);
    return value ? { by: value.mean - own.nominal, u: value.u } : null;
  };
  const cleave = read(end, edge);
  const witness = read(end, mark);
  const reference = read(edge, mark) ?? (witness && cleave ? between(witness, cleave) : null);
  const whole = witness ?? (cleave && joined(cleave, reference ?? asAsked(sheet, edge, mark)));
  const gap = whole && {
    by: judged.mean - check.nominal - whole.by,
    u: Math.hypot(judged.u, whole.u, depthError(check)),
  };
  return {
    leg,
    check: check.id,
    gap,
    cleave,
    mark: reference,
    finding: findingOf(judged, gap, cleave, reference),
  };
}

/** A stand-off is read between the face of a part the fibre is pushed into and a mark on the fibre. */
const isStandOff = (sheet: RunSheet, { from, to }: Check): boolean => {
  const face = sheet.features.find(({ id }) => id === from);
  const mark = sheet.features.find(({ id }) => id === to);
  return (
    face?.kind === "part" &&
    face.cutAt === null &&
    mark?.kind === "mark" &&
    sheet.lines[face.madeAt]?.step.kind === "insert"
  );
};

const judgedOf = (state: EndState, rule: Rule, { id, ...check }: Check): Conformance | null =>
  judgeCheck(
    { id, ...check },
    state.readings.filter((reading) => reading.check === id),
    rule,
  );

interface Off {
  readonly by: number;
  readonly u: number;
}

const between = (whole: Off, part: Off): Off => ({ by: whole.by - part.by, u: Math.hypot(whole.u, part.u) });
const joined = (a: Off, b: Off): Off => ({ by: a.by + b.by, u: Math.hypot(a.u, b.u) });

/** A length nobody read is taken to be as asked, anywhere within its limits alike (JCGM 100, 4.3.7). */
function asAsked({ limits }: RunSheet, from: string | undefined, to: string): Off {
  const limit = limits.find((limit) => limit.from === from && limit.to === to);
  return { by: 0, u: halfWidth(limit) / Math.sqrt(3) };
}

const halfWidth = (limit: Pick<SheetLimit, "min" | "max"> | undefined): number =>
  limit && limit.min !== null && limit.max !== null ? (limit.max - limit.min) / 2 : 0;

/** The stop is not read: what the sheet allows the stand-off covers where it really lies. */
const depthError = (check: Check): number => halfWidth(check) / 2 / Math.sqrt(3);

function findingOf(judged: Conformance, gap: Off | null, cleave: Off | null, mark: Off | null): Finding {
  if (gap === null) return judged.verdict === "in" ? "seated" : "unsure";
  if (gap.by > SURE * gap.u) return "short";
  if (gap.by < -SURE * gap.u) return "cannot-be";
  if (judged.verdict === "in") return "seated";
  const sure = (off: Off | null) => (off && Math.abs(off.by) > SURE * off.u ? Math.abs(off.by) : 0);
  const [byCleave, byMark] = [sure(cleave), sure(mark)];
  if (byCleave === 0 && byMark === 0) return "unsure";
  if (byMark >= byCleave) return "mark-off";
  return cleave && cleave.by > 0 ? "cleaved-long" : "cleaved-short";
}
