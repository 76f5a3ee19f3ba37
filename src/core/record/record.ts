import { z } from "zod";
import { reworkedSheet } from "../advice/reworked-sheet";
import { type Rule, zRule } from "../conformance/conformance";
import { signOff, takenBackIn } from "../end/acts";
import type { EndState } from "../end/end-state";
import { openPoints } from "../end/open-points";
import { resultOf, standings } from "../end/result";
import { endState } from "../end/state";
import { type KeptVerdict, RESULTS, type Result } from "../event/judged";
import { MEANINGS } from "../event/kinds/closing";
import { FAULTS, OUTCOMES } from "../event/kinds/faults";
import { PURPOSES, type Purpose, type Recorded } from "../event/recorded";
import { um, zMm, zMmExact } from "../length/length";
import { PROOFS } from "../people/crew-event";
import { type Person, personBy } from "../people/people";
import { zConfirmation } from "../procedure/procedure";
import type { RunSheet } from "../runsheet/document";
import { isMidRun } from "../runsheet/runsheet";
import { countsOf } from "../tally/counter";
import { usedOn } from "../tally/used";
import { attemptsOf, zAttempt } from "./attempts";
import { drawnEnd, zDrawn } from "./drawn";
import { faceRecords, zFaceRecord } from "./end-face";
import { legsTold, zLegTold } from "./legs";
import { lightTold, zLightStands, zLightTold } from "./light";
import { looksOf, zLook } from "./looks";
import { openTold, zOpen } from "./open";
import { readingOf, zReading } from "./reading";
import { type ToolStood, toolRecords, zToolRecord } from "./tool-checks";

const zVerdict = z.enum(["in", "out", "unsure"]);

/** A length as it is shown: what was asked, whose figure it is, what was read, what that was judged to be. */
const zLength = z.strictObject({
  id: z.string(),
  name: z.string(),
  leg: z.string(),
  nominal: zMm,
  min: zMm.nullable(),
  max: zMm.nullable(),
  /**
   * Of what both sides of an opening make together: what the other side had over its own figure, less than nothing where it
   * was short; the limits are what it left to this one. Null for every other length.
   */
  otherSide: zMm.nullable(),
  /** Whether nobody has held this figure against the part's sheet yet. */
  representative: z.boolean(),
  /** Who held it against which sheet, and whether it was changed there; null where nobody did, or did not say. */
  confirmation: zConfirmation.nullable(),
  verdict: zVerdict.nullable(),
  probability: z.number().nullable(),
  mean: zMmExact.nullable(),
  u: zMmExact.nullable(),
  readings: z.array(zReading),
});

/** What a signature says, and how whoever signed proved who they are; null where that was not asked. */
const zMeant = {
  means: z.enum(MEANINGS),
  reasons: z.string().nullable(),
  proof: z.strictObject({ how: z.enum(PROOFS), device: z.string() }).nullable(),
};

/** A mark or cut as it was laid off, and whose figure that is. */
const zFigureTold = z.strictObject({
  step: z.int(),
  title: z.string(),
  feature: z.string(),
  fromEnd: zMm,
  from: z.string(),
  distance: zMm,
  representative: z.boolean(),
  confirmation: zConfirmation.nullable(),
});

/** Everything a record states of an end. Lengths in millimetres outside, micrometres inside. */
export const zRecord = z.strictObject({
  id: z.string(),
  purpose: z.enum(PURPOSES),
  job: z.string(),
  label: z.string(),
  style: z.strictObject({
    id: z.string(),
    name: z.string(),
    revision: z.int(),
    /** Where the document's figures come from as a whole; each figure says so by itself. */
    figures: z.strictObject({
      kind: z.enum(["representative", "own"]),
      note: z.string(),
      date: z.string(),
    }),
  }),
  cable: z.strictObject({
    id: z.string(),
    name: z.string(),
    revision: z.int(),
    core: z.string(),
    lost: zMm,
    left: zMm.nullable(),
  }),
  /** The piece as it was called when the end began, the side or station, what was ended there; null for an end by itself. */
  where: z
    .strictObject({
      piece: z.string(),
      name: z.string(),
      plan: z.int(),
      /** Null where it was opened in mid-run: then at the station of this name. */
      side: z.enum(["A", "B"]).nullable(),
      station: z.string(),
      /** `tube 3 / fibre 7`; empty for the cable itself. */
      address: z.string(),
    })
    .nullable(),
  choices: z.record(z.string(), z.string()),
  as: z.array(z.string()),
  rule: zRule,
  started: z.string(),
  program: z.string(),
  hash: z.string(),
  signed: z
    .strictObject({
      name: z.string(),
      /** The person's id and what they are called now; null where that was never said. */
      person: z.string().nullable(),
      called: z.string().nullable(),
      at: z.string(),
      outcome: z.enum(OUTCOMES),
      missingShards: z.string().optional(),
      ...zMeant,
    })
    .nullable(),
  /** Second signatures, in the order they came. */
  countersigned: z.array(
    z.strictObject({ name: z.string(), person: z.string().nullable(), at: z.string(), ...zMeant }),
  ),
  /** As judged when it was signed off; until then, as it stands. */
  result: z.enum(RESULTS),
  /** Whether a sheath was opened in mid-run: its legs are then the sides of the opening. */
  midRun: z.boolean(),
  lengths: z.array(zLength),
  /** Each leg of a cord of several, as it stands by itself. */
  legs: z.array(zLegTold),
  figures: z.array(zFigureTold),
  /** The end as it is drawn: each place as the sheet has it and as it was made. */
  drawn: z.array(zDrawn),
  open: z.array(zOpen),
  reworks: z.array(
    z.strictObject({
      at: z.string(),
      by: z.string().nullable(),
      leg: z.string(),
      plan: z.enum(["least", "recommended"]),
      rule: z.string().nullable(),
      why: z.string(),
      cableLost: zMm,
      moves: z.array(
        z.strictObject({ feature: z.string(), name: z.string(), was: zMm.nullable(), now: zMm }),
      ),
    }),
  ),
  attempts: z.array(zAttempt),
  /** How often each retry rule was used. */
  tried: z.array(z.strictObject({ rule: z.string(), name: z.string(), leg: z.string(), count: z.int() })),
  faults: z.array(
    z.strictObject({
      leg: z.string(),
      feature: z.string(),
      name: z.string(),
      what: z.enum(FAULTS),
      behind: zMm.nullable(),
      at: z.string(),
      /** Whether it still stood: neither taken back nor made again. */
      stands: z.boolean(),
    }),
  ),
  looks: z.array(zLook),
  parts: z.array(z.strictObject({ id: z.string(), name: z.string(), on: z.boolean() })),
  shards: z.strictObject({ made: z.int(), binned: z.int() }),
  used: z.array(z.strictObject({ item: z.string(), count: z.int() })),
  /** What the sheet has counted: bites, passes, wipes. Null where a step was passed by without. */
  counts: z.array(
    z.strictObject({
      step: z.string(),
      title: z.string(),
      of: z.string(),
      min: z.int(),
      max: z.int(),
      count: z.int().nullable(),
    }),
  ),
  /** Light read through it, in order; what was read of an end that was made again since does not stand. */
  light: z.array(zLightTold),
  /** How it stands in light at each wavelength: by its newest reading, or the mean of both directions. */
  lightStands: z.array(zLightStands),
  /** End faces as they were looked at, in order. */
  faces: z.array(zFaceRecord),
  /** Standing by the checks of the tools it was made with; none that was never checked. */
  tools: z.array(zToolRecord),
  photos: z.array(
    z.strictObject({
      sha256: z.string(),
      caption: z.string(),
      width: z.int(),
      height: z.int(),
      /** Hash of the bytes as the camera sent them, where the crew stores them. */
      original: z.string().optional(),
    }),
  ),
  corrections: z.array(
    z.strictObject({
      corrects: z.string(),
      says: z.string(),
      why: z.string(),
      name: z.string(),
      at: z.string(),
    }),
  ),
  /** Readings that no longer speak for the end. */
  struck: z.array(zReading.extend({ length: z.string(), why: z.enum(["struck out", "taken back"]) })),
  voided: z.array(zReading.extend({ length: z.string() })),
  /** Events this program cannot read: what they say is not in this record. */
  unread: z.array(z.strictObject({ seq: z.int(), why: z.enum(["newer", "strange"]), says: z.string() })),
});

/** The record of an end. Lengths in micrometres. */
export type EndRecord = z.output<typeof zRecord>;

/** The same as it leaves for elsewhere: plain JSON, millimetres. */
export type RecordDocument = z.input<typeof zRecord>;

/** What a record is made of. */
export interface Recordable {
  readonly id: string;
  readonly createdAt: string;
  readonly purpose: Purpose;
  readonly styleName: string;
  readonly cableName: string;
  readonly rule: Rule;
  readonly sheet: RunSheet;
  readonly program: string;
  readonly events: readonly Recorded[];
  /** As judged at the sign-off; null until then. */
  readonly result: Result | null;
  readonly verdicts: readonly KeptVerdict[] | null;
  readonly hash: string;
  readonly where: EndRecord["where"];
  /** Standing by the checks of its tools. */
  readonly tools?: readonly ToolStood[];
}

/**
 * The one record of an end: screen, paper, spreadsheet and API print it and work nothing out.
 * @example recordOf(recordable).result // "unmeasured"
 */
export function recordOf(end: Recordable, people: readonly Person[] = []): EndRecord {
  const { sheet, events, rule } = end;
  const state = endState(events);
  const lengths = lengthsOf(end, state);
  const faults = faultsOf(sheet, events, state);
  return {
    id: end.id,
    purpose: end.purpose,
    job: state.job,
    label: state.label,
    style: {
      id: sheet.procedure.id,
      name: end.styleName,
      revision: sheet.procedure.revision,
      figures: sheet.procedure.source,
    },
    cable: {
      id: sheet.cable.id,
      name: end.cableName,
      revision: sheet.cable.revision,
      core: sheet.picked.core,
      lost: state.lost,
      left: state.spare,
    },
    where: end.where,
    choices: sheet.picked.choices,
    as: [...sheet.as],
    rule,
    started: end.createdAt,
    program: end.program,
    hash: end.hash,
    signed: signedBy(events, state, people),
    countersigned: state.countersigned.map(({ by, reasons = null, proof = null, ...signature }) => ({
      ...signature,
      person: (by === null ? undefined : personBy(people, by))?.id ?? by,
      reasons,
      proof,
    })),
    result: end.result ?? resultOf(sheet, state, rule),
    midRun: isMidRun(sheet),
    lengths,
    legs: legsTold(sheet, lengths, faults),
    figures: figuresOf(isShownAsThen(state) ? sheet : reworkedSheet(sheet, state)),
    drawn: [...drawnEnd(sheet, state, rule).places],
    open: openPoints(sheet, state, rule).map(openTold),
    ...attemptsOf(sheet, events),
    tried: triedOf(sheet, state),
    faults,
    looks: looksOf(sheet, state),
    parts: sheet.parts.map(({ id, name }) => ({ id, name, on: state.threaded.includes(id) })),
    shards: { ...state.shards },
    counts: countsOf(sheet, state),
    used: usedOn(events).map(({ item, count }) => ({ item, count })),
    ...lightTold(events, state, rule),
    faces: faceRecords(events, state),
    tools: toolRecords(end.tools ?? []),
    photos: state.photos.map(({ sha256, caption, width, height, original }) => ({
      ...{ sha256, caption, width, height },
      ...(original && { original: original.sha256 }),
    })),
    corrections: events.flatMap(({ event, at }) =>
      event.kind === "correction"
        ? [{ corrects: event.corrects, says: event.says, why: event.why, name: event.name, at }]
        : [],
    ),
    struck: struckOut(events, state),
    voided: state.voided.map((reading) => ({ ...readingOf(reading), length: reading.check })),
    unread: events.flatMap(({ seq, event }) =>
      event.kind === "unread" ? [{ seq, why: event.why, says: event.says }] : [],
    ),
  };
}

function signedBy(
  events: readonly Recorded[],
  { signed }: EndState,
  people: readonly Person[],
): EndRecord["signed"] {
  if (!signed) return null;
  const by = signOff(events)?.by ?? null;
  const person = by === null ? undefined : personBy(people, by);
  const { reasons = null, proof = null, ...signature } = signed;
  return { ...signature, reasons, proof, person: person?.id ?? by, called: person?.name ?? null };
}

function lengthsOf({ sheet, rule, verdicts }: Recordable, state: EndState): EndRecord["lengths"] {
  return standings(sheet, state, rule).map(({ check, readings, other, ...standing }) => {
    const judged = verdicts?.find((verdict) => verdict.check === check.id) ?? standing.judged;
    return {
      id: check.id,
      name: check.name,
      leg: check.leg,
      nominal: check.nominal,
      min: check.min,
      max: check.max,
      otherSide: other && um(Math.round(other.over)),
      representative: check.representative,
      confirmation: check.confirmation ?? null,
      verdict: judged?.verdict ?? null,
      probability: judged?.probability ?? null,
      mean: judged?.mean ?? null,
      u: judged?.u ?? null,
      readings: readings.map(readingOf),
    };
  });
}

/** Whether it was reworked and signed off while places were counted from the end as it first was. */
const isShownAsThen = ({ signed, countedFromFirstEnd }: EndState): boolean =>
  signed !== null && countedFromFirstEnd.length > 0;

const figuresOf = (sheet: RunSheet): EndRecord["figures"] =>
  sheet.lines.flatMap(({ index, step, figure }) =>
    figure
      ? [
          {
            step: index + 1,
            title: step.title,
            feature: featureName(sheet, figure.feature),
            fromEnd: figure.fromEnd,
            from: featureName(sheet, figure.own.datum),
            distance: figure.own.distance,
            representative: figure.representative,
            confirmation: figure.confirmation ?? null,
          },
        ]
      : [],
  );

const featureName = (sheet: RunSheet, id: string): string =>
  sheet.features.find((feature) => feature.id === id)?.name ?? id;

const triedOf = (sheet: RunSheet, { attempts }: EndState): EndRecord["tried"] =>
  attempts.map((attempt) => ({
    ...attempt,
    name: sheet.retries.find(({ id }) => id === attempt.rule)?.name ?? attempt.rule,
  }));

function faultsOf(sheet: RunSheet, events: readonly Recorded[], state: EndState): EndRecord["faults"] {
  return events.flatMap(({ event, at }) => {
    if (event.kind !== "fault" || !event.on) return [];
    const { leg, feature, what: seenFault, at: behind } = event;
    const stands = state.faults.some(
      (fault) => fault.leg === leg && fault.feature === feature && fault.what === seenFault,
    );
    return [{ leg, feature, name: featureName(sheet, feature), what: seenFault, behind, at, stands }];
  });
}

function struckOut(events: readonly Recorded[], state: EndState): EndRecord["struck"] {
  const gone = takenBackIn(events);
  const speaks = new Set([...state.readings, ...state.voided].map(({ id }) => id));
  return events.flatMap(({ id, at, event }) =>
    event.kind === "reading" && !speaks.has(id)
      ? [
          {
            ...readingOf({ ...event, id, at }),
            length: event.check,
            why: gone.has(id) ? ("taken back" as const) : ("struck out" as const),
          },
        ]
      : [],
  );
}
