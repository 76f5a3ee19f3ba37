import { reworkedSheet } from "../advice/reworked-sheet";
import type { Rule } from "../conformance/conformance";
import { signOff, takenBackIn } from "../end/acts";
import type { EndState } from "../end/end-state";
import { openPoints } from "../end/open-points";
import { resultOf, standings } from "../end/result";
import { endState } from "../end/state";
import type { KeptVerdict, Result } from "../event/judged";
import type { Purpose, Recorded } from "../event/recorded";
import { um } from "../length/length";
import { type Person, personBy } from "../people/people";
import type { RunSheet } from "../runsheet/document";
import { isMidRun } from "../runsheet/runsheet";
import { countsOf } from "../tally/counter";
import { usedOn } from "../tally/used";
import { attemptsOf } from "./attempts";
import type { EndRecord } from "./document";
import { drawnEnd } from "./drawn";
import { faceRecords } from "./end-face";
import { legsTold } from "./legs";
import { lightTold } from "./light";
import { looksOf } from "./looks";
import { openTold } from "./open";
import { readingOf } from "./reading";
import { type ToolStood, toolRecords } from "./tool-checks";

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
