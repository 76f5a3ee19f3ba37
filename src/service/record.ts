import {
  type EndState,
  endState,
  FAULT_NAMES,
  FAULTS,
  isTakenBack,
  judgementOf,
  type ReworkTaken,
  type RunSheet,
  resultOf,
  standings,
  toMm,
  usedOn,
  ZERO,
} from "@/core";
import type { End } from "./ends";

/** One end as it leaves for elsewhere: millimetres, verdicts, whose figures. */
export function endRecord(end: End) {
  const state = endState(end.entries);
  return {
    id: end.id,
    job: state.job,
    label: state.label,
    style: {
      id: end.sheet.procedure.id,
      name: end.styleName,
      revision: end.sheet.procedure.revision,
      figures: end.source,
    },
    cable: {
      id: end.sheet.cable.id,
      name: end.cableName,
      revision: end.sheet.cable.revision,
      core: end.sheet.picked.core,
      lost: toMm(state.lost),
      left: state.spare === null ? null : toMm(state.spare),
    },
    choices: end.sheet.picked.choices,
    as: end.sheet.as,
    rule: end.rule,
    started: end.createdAt,
    hash: end.hash,
    signed: state.signed,
    result: resultOf(end.sheet, state, end.rule),
    lengths: standings(end.sheet, state, end.rule).map(
      ({ check: { id, name, leg, nominal, min, max }, readings, judged }) => {
        const verdict = end.verdicts?.find(({ check: judgedCheck }) => judgedCheck === id) ?? judged;
        return {
          id,
          name,
          leg,
          nominal: toMm(nominal),
          min: min === null ? null : toMm(min),
          max: max === null ? null : toMm(max),
          verdict: verdict?.verdict ?? null,
          probability: verdict?.probability ?? null,
          mean: verdict ? toMm(verdict.mean) : null,
          u: verdict ? toMm(verdict.u) : null,
          readings: readings.map(({ value, typed, unit, instrument, at }) => ({
            value: toMm(value),
            typed,
            unit,
            instrument: instrument.name,
            at,
          })),
        };
      },
    ),
    reworks: redone(end),
    faults: end.entries.flatMap(({ entry, at }) =>
      entry.kind === "fault" && entry.on
        ? [{ leg: entry.leg, feature: entry.feature, what: entry.what, at }]
        : [],
    ),
    corrections: end.entries.flatMap(({ entry, at }) =>
      entry.kind === "correction"
        ? [{ corrects: entry.corrects, says: entry.says, why: entry.why, name: entry.name, at }]
        : [],
    ),
    photos: state.photos.map(({ sha256, caption, width, height }) => ({ sha256, caption, width, height })),
    parts: end.sheet.parts.map(({ id, name }) => ({ id, name, on: state.threaded.includes(id) })),
    looks: end.sheet.lines.flatMap(({ step }) => {
      const judgement = judgementOf(step);
      const given = judgement?.answers.find(({ id }) => id === state.answers[judgement.id]);
      return judgement
        ? [{ asks: judgement.asks, sees: given?.sees ?? null, good: given?.good ?? null }]
        : [];
    }),
    answers: state.answers,
    tried: state.redone,
    attempts: Object.entries(state.redone).map(([id, count]) => ({
      name: end.sheet.retries.find((one) => one.id === id)?.name ?? id,
      count,
    })),
    shards: state.shards,
    used: usedOn(end.entries),
    struck: struckOut(end, state),
    tries: tried(end),
    voided: state.voided.map(({ check: length, value, typed, at }) => ({
      length,
      value: toMm(value),
      typed,
      at,
    })),
  };
}

export type EndRecord = ReturnType<typeof endRecord>;

/** Every rework that was taken: by which way, why, what was made anew where, and what it cost. */
const redone = ({ entries, sheet }: End) =>
  entries.flatMap(({ id, entry, at }) =>
    entry.kind === "rework" && !isTakenBack(entries, id)
      ? [
          {
            at,
            leg: entry.leg,
            plan: entry.plan,
            rule: entry.rule,
            cause: entry.cause,
            why: whyOf(sheet, entry.cause),
            cableLost: toMm(entry.cableLost),
            moves: entry.moves.map(({ feature, was, now }) => ({
              feature,
              name: sheet.features.find(({ id }) => id === feature)?.name ?? feature,
              was: was === null ? null : toMm(was),
              now: toMm(now),
            })),
          },
        ]
      : [],
  );

const seenAs = (sheet: RunSheet, judgement: string | null, answer: string | null): string[] =>
  sheet.lines
    .flatMap(({ step }) => judgementOf(step) ?? [])
    .filter(({ id }) => id === judgement)
    .flatMap(({ answers }) => answers.filter(({ id }) => id === answer).map(({ sees }) => `“${sees}”`));

/** What a rework was for, in words: the lengths that were out, what was seen on it, what was answered. */
function whyOf(sheet: RunSheet, { checks, faults, judgement, answer }: ReworkTaken["cause"]): string {
  const lengths = checks.map((id) => sheet.checks.find((one) => one.id === id)?.name ?? id);
  const seen = faults.flatMap((fault) => {
    const what = FAULTS.find((one) => fault.endsWith(one));
    return what ? [FAULT_NAMES[what]] : [];
  });
  const why = [...lengths, ...seen, ...seenAs(sheet, judgement, answer)];
  return [...new Set(why)].join(", ") || "no reason told";
}

/** Every going back by a rule, and every fresh start for a part that was forgotten: what, why and at what cost. */
const tried = ({ entries, sheet }: End) =>
  entries.flatMap(({ id, entry, at }) => {
    if (isTakenBack(entries, id)) return [];
    if (entry.kind === "restart") {
      const part = sheet.parts.find((one) => one.id === entry.part)?.name ?? entry.part;
      return [
        {
          at,
          name: "cut off and begun again",
          why: `${part} not on`,
          leg: "",
          cableLost: toMm(entry.cableLost),
        },
      ];
    }
    if (entry.kind !== "redo") return [];
    const name = sheet.retries.find((one) => one.id === entry.rule)?.name ?? entry.rule;
    const why = seenAs(sheet, entry.judgement, entry.answer).join() || "a length that was out";
    return [{ at, name, why, leg: entry.leg ?? "", cableLost: toMm(entry.cableLost ?? ZERO) }];
  });

function struckOut(end: End, state: EndState) {
  return end.entries.flatMap(({ id, at, entry }) =>
    entry.kind === "reading" && ![...state.readings, ...state.voided].some((kept) => kept.id === id)
      ? [{ length: entry.check, value: toMm(entry.value), typed: entry.typed, at }]
      : [],
  );
}
