import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import fc from "fast-check";
import Papa from "papaparse";
import { createElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { beforeAll, describe, expect, it, vi } from "vitest";
import {
  advise,
  check,
  type EndRecord,
  type EndState,
  type EventInput,
  endState,
  InputError,
  judgementOf,
  type RecordDocument,
  type RunSheet,
  reworkEvent,
  zAddInside,
  zLedgerQuery,
  zStart,
} from "@/core";
import { CALLIPER } from "@/core/advice/fixtures/ends";
import { recordsPdf } from "@/paper/record-paper";
import { actOn } from "@/service/act";
import { people } from "@/service/crew/people";
import { addEvents, getEnd, startEnd } from "@/service/end/ends";
import { endRecord, recordJson } from "@/service/end/record";
import { ledgerCsv, ledgerJson, ledgerPage } from "@/service/ledger/ledger";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { projectedOf } from "@/store/record/projections";
import { RecordView } from "@/ui/ledger/record-view";
import { PeopleProvider } from "@/ui/people/people-context";
import { readPrefs } from "@/ui/prefs/prefs";
import { PrefsProvider } from "@/ui/prefs/prefs-context";
import { SessionProvider } from "@/ui/session/session-context";
import { figuresStand } from "@/ui/words/figures-stand";
import { legText } from "@/ui/words/legs-text";
import { RESULT_WORDS } from "@/ui/words/verdict-words";
import { pdfPages } from "../src/paper/fixtures/pdf-pages";
import { seed } from "./seed";

vi.mock("next/navigation", () => ({ useRouter: () => ({ refresh: () => undefined }) }));

/** The full record of an end, by every way it is shown. */
interface Told {
  readonly record: EndRecord;
  readonly json: RecordDocument;
  readonly csv: readonly Record<string, string>[];
  readonly page: string;
  readonly paper: string;
  readonly row: { readonly result: string | null; readonly verdicts: ReadonlyMap<string, string | null> };
}

const RESULTS = ["in", "out", "unsure", "unmeasured", "cut-off", "discarded"] as const;

const plain = (html: string): string =>
  html
    .replaceAll(/<[^>]*>/g, " ")
    .replaceAll("&#x27;", "'")
    .replaceAll("&quot;", '"')
    .replaceAll("&lt;", "<")
    .replaceAll("&amp;", "&")
    .replaceAll(/\s+/g, " ")
    .replaceAll(/ ([,:;.)])/g, "$1");

const pageOf = (store: Store, id: string): string => {
  const { sheet, events } = getEnd(store, id);
  const view = createElement(RecordView, { record: endRecord(store, id), sheet, events, where: null });
  const inPeople = { initial: people(store), children: view };
  const you = { person: null, how: null, device: null, temporary: false, roles: [] };
  const inSession = {
    initial: { names: "free" as const, originals: false, people: [], devices: [], tokens: [], you },
    children: createElement(PeopleProvider, inPeople),
  };
  const inPrefs = { initial: readPrefs(undefined), children: createElement(SessionProvider, inSession) };
  return plain(renderToStaticMarkup(createElement(PrefsProvider, inPrefs)));
};

async function papersOf(store: Store, ids: readonly string[]): Promise<Map<string, string>> {
  const records = ids.map((id) => recordJson(endRecord(store, id)));
  const sheets = new Map(ids.map((id) => [id, getEnd(store, id).sheet]));
  const bytes = await recordsPdf(records, new Map(), sheets);
  const texts = new Map<string, string>();
  for (const text of await pdfPages(bytes)) {
    const id = ids.find((id) => text.includes(`End ${id}`));
    if (id) texts.set(id, `${texts.get(id) ?? ""} ${text}`);
  }
  return texts;
}

/** What every surface says of every end on record. */
async function toldOf(store: Store): Promise<Told[]> {
  const rows = RESULTS.flatMap((result) => ledgerPage(store, check(zLedgerQuery, { result })).rows);
  const json = new Map(
    RESULTS.flatMap((result) => ledgerJson(store, check(zLedgerQuery, { result })) as RecordDocument[]).map(
      (item) => [item.id, item],
    ),
  );
  const csv = RESULTS.flatMap(
    (result) =>
      Papa.parse<Record<string, string>>(ledgerCsv(store, check(zLedgerQuery, { result })).trim(), {
        header: true,
      }).data,
  );
  const papers = await papersOf(
    store,
    rows.map(({ id }) => id),
  );
  return rows.map((row) => ({
    record: endRecord(store, row.id),
    json: json.get(row.id) ?? raise(`${row.id} is not in the JSON`),
    csv: csv.filter(({ end }) => end === row.id),
    page: pageOf(store, row.id),
    paper: papers.get(row.id) ?? raise(`${row.id} is not on paper`),
    row: {
      result: row.result,
      verdicts: new Map(projectedOf(store, row.id).verdicts.map(({ check, verdict }) => [check, verdict])),
    },
  }));
}

const raise = (why: string): never => {
  throw new Error(why);
};

const count = (text: string, part: string): number => text.split(part).length - 1;

/** Holds every surface against the one record. */
function mustAgree({ record, json, csv, page, paper, row }: Told): void {
  const word = RESULT_WORDS[record.result];
  expect(row.result, "list").toBe(record.result);
  expect(json.result, "JSON").toBe(record.result);
  expect(new Set(csv.map(({ result }) => result)), "CSV").toEqual(new Set([record.result]));
  expect(page, "page").toContain(`${word}, signed off by ${record.signed?.name}`);
  expect(paper, "paper").toContain(`${word}. Signed off by ${record.signed?.name}`);

  const stand = figuresStand(
    record.lengths.filter(({ representative }) => representative).length,
    record.lengths.length,
  );
  expect(page).toContain(stand);
  expect(paper).toContain(stand);
  for (const length of record.lengths) {
    const rows = csv.filter((item) => item.length === length.name && item.leg === length.leg);
    const rejected = [...record.struck, ...record.voided].filter((reading) => reading.length === length.id);
    expect(rows, length.name).toHaveLength(rejected.length + Math.max(1, length.readings.length));
    const standing = (said: string) => rows.filter((row) => row.standing === said).length;
    expect(standing("stands"), "readings that stand").toBe(length.readings.length);
    expect(standing("made anew since") + standing("struck out") + standing("taken back")).toBe(
      rejected.length,
    );
    for (const eachRow of rows) {
      expect(eachRow.verdict).toBe(length.verdict ?? "not measured");
      expect(eachRow.figure).toBe(length.representative ? "representative" : "confirmed");
    }
    expect(row.verdicts.get(length.id) ?? null).toBe(length.verdict);
    expect(json.lengths.find(({ id }) => id === length.id)?.verdict ?? null).toBe(length.verdict);
  }
  for (const leg of record.legs) {
    expect(page).toContain(legText(leg));
    expect(paper).toContain(legText(leg));
    expect(csv[0]?.legs).toContain(`${leg.leg} ${leg.result}, ${leg.read} of ${leg.lengths} read`);
    const own = record.lengths.filter((length) => length.leg === leg.leg);
    expect([leg.lengths, leg.read]).toEqual([
      own.length,
      own.filter(({ verdict }) => verdict !== null).length,
    ]);
    // An end is in only with every leg in, and a leg that is out keeps it out.
    if (record.result === "in") expect(leg.result).toBe("in");
    if (leg.result === "out") expect(["out", "cut-off", "discarded"]).toContain(record.result);
  }
  const unmeasured = record.lengths.filter(({ verdict }) => verdict === null).length;
  expect(count(paper, "Not measured")).toBe(unmeasured);
  expect(count(page.split("What happened")[0] ?? "", "Not measured")).toBe(unmeasured);

  for (const { why, leg } of record.reworks) {
    expect(page).toContain(leg ? `${why}, leg ${leg}: the` : `${why}: the`);
    expect(paper).toContain(`for ${why}, the`);
    expect(csv[0]?.reworks).toContain(why);
  }
  for (const { name, why } of record.attempts) {
    expect(page).toContain(name);
    expect(paper).toContain(`for ${why}: ${name}`);
    expect(csv[0]?.attempts).toContain(`${name}: ${why}`);
  }
  expect(count(csv[0]?.reworks ?? "", " mm")).toBe(record.reworks.length);
  expect(count(csv[0]?.attempts ?? "", " mm")).toBe(record.attempts.length);
  expect(paper.includes("Faults seen")).toBe(record.faults.length > 0);
  expect(page.includes("Faults seen")).toBe(record.faults.length > 0);
  expect((csv[0]?.faults ?? "").split("; ").filter(Boolean)).toHaveLength(record.faults.length);
  for (const { says: message, why, name } of record.corrections) {
    expect(page).toContain(`Correction by ${name}: ${message} (${why})`);
    expect(paper).toContain(`${name}: ${message} (${why})`);
    expect(csv[0]?.corrections).toContain(`${message} (${why}; ${name})`);
  }
}

describe("every end of the demo", () => {
  let accounts: readonly Told[];
  beforeAll(async () => {
    const store = openStore(":memory:");
    seed(store, readFileSync("demo/quillmere.json", "utf8"), new Date("2026-11-24T09:00:00Z"));
    accounts = await toldOf(store);
  }, 120_000);
  it("is told the same on its page, on paper, as CSV, as JSON and in the list", () => {
    expect(accounts.length).toBeGreaterThan(20);
    expect(new Set(accounts.map(({ record }) => record.result)).size).toBeGreaterThan(2);
    for (const first of accounts) mustAgree(first);
  });
});

const STYLES = [
  { cable: "distribution-900", procedure: "stub-cam-crimp-900", core: "9/125" },
  { cable: "simplex-3.0", procedure: "stub-wedge-release-cord", core: "9/125" },
  { cable: "duplex-3.0", procedure: "adhesive-polish-duplex", core: "62.5/125" },
  { cable: "flat-drop", procedure: "drop-clamp", core: "9/125" },
] as const;

/** One thing somebody does, drawn at random from what the sheet has; whatever is refused changes nothing. */
function somethingDone(
  sheet: RunSheet,
  state: EndState,
  kind: number,
  a: number,
  b: number,
): EventInput | null {
  const pick = <T>(all: readonly T[], by: number): T | undefined => all[by % Math.max(1, all.length)];
  switch (kind) {
    case 0:
    case 1:
      return { kind: "step", to: Math.min(sheet.lines.length - 1, state.at + 1 + (a % 6)) };
    case 2:
    case 3: {
      const check = pick(sheet.checks, a);
      const value = Math.max(0, (check?.nominal ?? 0) + (b % 1_600) - 800);
      return check
        ? {
            kind: "reading",
            check: check.id,
            value,
            typed: String(value / 1000),
            unit: "mm",
            instrument: CALLIPER,
          }
        : null;
    }
    case 4: {
      const judgement = pick(
        sheet.lines.flatMap(({ step }) => judgementOf(step) ?? []),
        a,
      );
      const answer = judgement && pick(judgement.answers, b);
      return judgement && answer ? { kind: "answer", judgement: judgement.id, answer: answer.id } : null;
    }
    case 5: {
      const [advice] = advise(sheet, state, { kind: "guarded", risk: 0.05 });
      if (advice?.kind === "rework") return reworkEvent(advice, a % 2 === 0 ? "least" : "recommended");
      return advice?.kind === "start-over" ? advice.again : null;
    }
    case 6: {
      const end = pick(
        sheet.features.filter((feature) => feature.kind === "end"),
        a,
      );
      return end
        ? {
            kind: "fault",
            leg: sheet.cable.legs[0] ?? "",
            feature: end.id,
            what: a % 2 ? "bad-cleave" : "touched",
            at: null,
            on: b % 3 > 0,
          }
        : null;
    }
    case 7: {
      const reading = pick(state.readings, a);
      return reading ? { kind: "strike", reading: reading.id } : null;
    }
    default:
      return { kind: "label", job: "Moor", label: `end ${a % 90}` };
  }
}

describe("ends with random histories", () => {
  it("are told the same on every surface, whatever was done to them", { timeout: 240_000 }, async () => {
    const store = openStore(":memory:");
    const done = fc.array(fc.tuple(fc.integer({ min: 0, max: 8 }), fc.nat(9_999), fc.nat(9_999)), {
      minLength: 4,
      maxLength: 40,
    });
    const histories = fc.sample(fc.tuple(fc.integer({ min: 0, max: STYLES.length - 1 }), done, fc.nat(9)), {
      seed: 11,
      numRuns: 36,
    });
    for (const [style, history, last] of histories) {
      const { id } = startEnd(actOn(store), check(zStart, STYLES[style]));
      const { sheet } = getEnd(store, id);
      const add = (event: EventInput | null) => {
        if (!event) return;
        try {
          addEvents(
            actOn(store),
            id,
            check(zAddInside, { client: "x", after: 9_999, events: [{ id: randomUUID(), event }] }),
          );
        } catch (error) {
          if (!(error instanceof InputError)) throw error;
        }
      };
      for (const part of sheet.parts) add({ kind: "thread", part: part.id, on: true });
      for (const [kind, a, b] of history)
        add(somethingDone(sheet, endState(getEnd(store, id).events), kind, a, b));
      add({
        kind: "sign",
        name: "Wyn Harrow",
        outcome: last === 0 ? "cut-off" : last === 1 ? "discarded" : "kept",
        missingShards: "looked for",
      });
      const [first] = getEnd(store, id).events;
      if (last > 4 && first)
        add({ kind: "correction", corrects: first.id, says: "as written", why: "slip", name: "Osla Brandt" });
    }
    const accounts = await toldOf(store);
    expect(accounts).toHaveLength(36);
    const some = (subject: (record: EndRecord) => boolean) => accounts.some(({ record }) => subject(record));
    expect(some(({ reworks }) => reworks.length > 0)).toBe(true);
    expect(some(({ attempts }) => attempts.length > 0)).toBe(true);
    expect(some(({ faults }) => faults.length > 0)).toBe(true);
    expect(some(({ corrections }) => corrections.length > 0)).toBe(true);
    expect(some(({ legs }) => new Set(legs.map(({ result }) => result)).size > 1)).toBe(true);
    for (const single of accounts) mustAgree(single);
  });
});
