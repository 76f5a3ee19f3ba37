import Papa from "papaparse";
import { z } from "zod";
import {
  check,
  type EndState,
  endState,
  FAULT_NAMES,
  FAULTS,
  InputError,
  isTakenBack,
  judgementOf,
  type Result,
  type ReworkTaken,
  type RunSheet,
  resultOf,
  standings,
  toMm,
  usedOn,
  ZERO,
} from "@/core";
import type { Store } from "@/store/database";
import { countSigned, signedEnds, signedStyles, signersOf } from "@/store/ends";
import { type End, type EndSummary, getEnd, sheetOf } from "./ends";

export const RESULTS = [
  "in",
  "out",
  "unsure",
  "unmeasured",
  "cut-off",
  "discarded",
] as const satisfies readonly Result[];

/** A page of the ledger. */
export const LEDGER_PAGE = 60;

/** A day as a calendar writes it; the ledger counts days in UTC. */
const zDay = z.iso.date("A day is written year-month-day: 2026-11-26");

export const zLedgerQuery = z.strictObject({
  result: z.enum(RESULTS, { error: `A result is one of ${RESULTS.join(", ")}` }).optional(),
  style: z.string().max(80).optional(),
  find: z.string().max(200, "At most 200 characters can be looked for").optional(),
  from: zDay.optional(),
  to: zDay.optional(),
  before: z
    .string()
    .regex(/^[0-9TZ:.-]{1,40}~[0-9a-f-]{36}$/, "The place to go on from is not one this ledger gave")
    .optional(),
});

export interface LedgerPage {
  readonly rows: readonly (EndSummary & { readonly sheet: RunSheet })[];
  readonly count: number;
  readonly styles: readonly { style: string; styleName: string }[];
  /** Where the next page goes on, or null at the end. */
  readonly next: string | null;
}

function filterOf(query: unknown) {
  const { result, style, find, from, to, before } = check(zLedgerQuery, query);
  const [signedAt, id] = before?.split("~") ?? [];
  return {
    result,
    style,
    words: find?.split(/\s+/).filter(Boolean),
    since: from,
    until: to && dayAfter(to),
    before: signedAt && id ? { signedAt, id } : undefined,
  };
}

const dayAfter = (day: string): string => new Date(Date.parse(day) + 86_400_000).toISOString().slice(0, 10);

/** Ends on record, newest first, a page at a time. @throws InputError for a query it cannot read. */
export function ledgerPage(store: Store, query: unknown): LedgerPage {
  const filter = filterOf(query);
  const rows = signedEnds(store, filter, LEDGER_PAGE + 1);
  const shown = rows.slice(0, LEDGER_PAGE);
  const last = shown.at(-1);
  return {
    rows: shown.map((row) => ({ ...row, sheet: sheetOf(store, row).sheet })),
    count: countSigned(store, { ...filter, before: undefined }),
    styles: signedStyles(store),
    next: rows.length > LEDGER_PAGE && last ? `${last.signedAt}~${last.id}` : null,
  };
}

/** Everyone who signed an end off, by name. */
export const signers = (store: Store): string[] => signersOf(store);

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

function* allSigned(store: Store, query: unknown): Generator<End> {
  let filter = filterOf(query);
  for (;;) {
    const rows = signedEnds(store, filter, LEDGER_PAGE);
    for (const { id } of rows) yield getEnd(store, id);
    const last = rows.at(-1);
    if (!last?.signedAt || rows.length < LEDGER_PAGE) return;
    filter = { ...filter, before: { signedAt: last.signedAt, id: last.id } };
  }
}

/** The most records put on paper at once: about a page each. */
export const MOST_ON_PAPER = 60;

/** The filtered ledger's records for paper. @throws InputError when there are too many to be read on paper. */
export function ledgerForPaper(store: Store, query: unknown): { record: EndRecord; sheet: RunSheet }[] {
  const records: { record: EndRecord; sheet: RunSheet }[] = [];
  for (const end of allSigned(store, query)) {
    if (records.length === MOST_ON_PAPER)
      throw new InputError(
        "too-many",
        `A PDF holds at most ${MOST_ON_PAPER} records: narrow the ledger by result or style first.`,
      );
    records.push({ record: endRecord(end), sheet: end.sheet });
  }
  return records;
}

/** The filtered ledger as JSON, one record an end. */
export const ledgerJson = (store: Store, query: unknown): unknown[] =>
  [...allSigned(store, query)].map(endRecord);

/** How a cell starts that a spreadsheet would run; the library's own test misses one with a line break in it. */
const RUNS = /^[=+\-@\t\r]/;

/** The filtered ledger as CSV, one row a reading; a cell that a spreadsheet would run is made plain text. */
export function ledgerCsv(store: Store, query: unknown): string {
  const rows = [...allSigned(store, query)].flatMap((end): Record<string, string | number>[] => {
    const { lengths, signed, ...record } = endRecord(end);
    const common = {
      end: record.id,
      job: record.job,
      label: record.label,
      style: record.style.name,
      as: record.as.join(", "),
      revision: record.style.revision,
      figures: record.style.figures.kind,
      cable: record.cable.name,
      core: record.cable.core,
      signed_by: signed?.name ?? "",
      signed_at: signed?.at ?? "",
      outcome: signed?.outcome ?? "",
      result: record.result,
      looks: record.looks.map(({ asks, sees }) => `${asks} ${sees ?? "not answered"}`).join("; "),
      corrections: record.corrections.map(({ says, why, name }) => `${says} (${why}; ${name})`).join("; "),
    };
    const blank = {
      length: "",
      leg: "",
      nominal_mm: "",
      min_mm: "",
      max_mm: "",
      reading_mm: "",
      typed: "",
      instrument: "",
      read_at: "",
      verdict: "",
    };
    const readings = lengths.flatMap(({ name, leg, nominal, min, max, verdict, readings: list }) =>
      list.map(({ value, typed, instrument, at }) => ({
        ...common,
        length: name,
        leg,
        nominal_mm: nominal,
        min_mm: min ?? "",
        max_mm: max ?? "",
        reading_mm: value,
        typed,
        instrument,
        read_at: at,
        verdict: verdict ?? "",
      })),
    );
    return readings.length ? readings : [{ ...common, ...blank }];
  });
  return `${Papa.unparse(rows, { escapeFormulae: RUNS, newline: "\r\n" })}\r\n`;
}
