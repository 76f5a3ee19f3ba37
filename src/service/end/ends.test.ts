import { randomUUID } from "node:crypto";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { beforeEach, describe, expect, it } from "vitest";
import {
  advise,
  check,
  type EventInput,
  endState,
  judgementOf,
  retriesOffered,
  retryEvent,
  reworkEvent,
  zAddInside,
  zBenchQuery,
  zLedgerQuery,
  zStart,
} from "@/core";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { actOn } from "../act";
import { codeOf } from "../fixtures/code-of";
import { ledgerCsv, ledgerJson, ledgerPage, ledgerPieces } from "../ledger/ledger";
import { BENCH_PAGE, benchPage } from "./bench-page";
import { addEvents, getEnd, startEnd } from "./ends";

const instrument = { id: "calliper", name: "Calliper", resolution: 10, repeatability: 60 };
const cam = { cable: "distribution-900", procedure: "stub-cam-crimp-900", core: "9/125" };
let store: Store;
beforeEach(() => {
  store = openStore(":memory:");
});

const add = (id: string, event: EventInput, { client = "one", after = 0, eventId = randomUUID() } = {}) =>
  addEvents(actOn(store), id, check(zAddInside, { client, after, events: [{ id: eventId, event }] }));
const reading = (value: number, check = "cleave"): EventInput => ({
  kind: "reading",
  check,
  value,
  typed: String(value / 1000),
  unit: "mm",
  instrument,
});

const causeOf = (work: () => unknown): string => {
  try {
    work();
    return "nothing was thrown";
  } catch (error) {
    return String((error as Error).cause);
  }
};

describe("starting an end", () => {
  it("keeps the very documents it was made by, and compiles them again", () => {
    const { id } = startEnd(actOn(store), check(zStart, cam));
    const end = getEnd(store, id);
    expect(end.sheet.procedure).toMatchObject({
      id: "stub-cam-crimp-900",
      revision: 7,
      representative: true,
    });
    expect(end.sheet.procedure.source.kind).toBe("representative");
  });
  it("asked twice with one id, starts one end", () => {
    const id = randomUUID();
    startEnd(actOn(store), check(zStart, { ...cam, id }));
    startEnd(actOn(store), check(zStart, { ...cam, id }));
    expect(benchPage(store, check(zBenchQuery, {})).count).toBe(1);
  });
  it.each([
    [{ ...cam, cable: "rope" }, "unknown-cable"],
    [{ ...cam, procedure: "glue" }, "unknown-procedure"],
    [{ ...cam, cable: "simplex-3.0" }, "does-not-fit"],
    [{ ...cam, core: "62.5/125" }, "unknown-core"],
    [{ ...cam, choices: { interface: "zz" } }, "unknown-option"],
    [{ ...cam, rule: { kind: "guarded", risk: 3 } }, "bad-input"],
    [null, "bad-input"],
  ])("%j is refused as %s and leaves nothing", (input, code) => {
    expect(codeOf(() => startEnd(actOn(store), check(zStart, input)))).toBe(code);
    expect(benchPage(store, check(zBenchQuery, {})).rows).toEqual([]);
  });
});

describe("what is at the bench", () => {
  it("is told page by page to the last of it, each once, the newest first", () => {
    const begun = Array.from({ length: BENCH_PAGE + 7 }, (_, i) => {
      // Several begin in the same moment: a page must not end between two it cannot tell apart.
      const at = new Date(Date.UTC(2026, 10, 26, 8, Math.floor(i / 5)));
      return startEnd(actOn(store, at), check(zStart, cam)).id;
    });
    const first = benchPage(store, check(zBenchQuery, {}));
    const second = benchPage(store, check(zBenchQuery, { before: first.next }));
    expect([first.rows.length, second.rows.length, second.next]).toEqual([BENCH_PAGE, 7, null]);
    const reported = [...first.rows, ...second.rows];
    expect(new Set(reported.map(({ id }) => id))).toEqual(new Set(begun));
    expect(reported.map(({ createdAt }) => createdAt)).toEqual(
      reported
        .map(({ createdAt }) => createdAt)
        .sort()
        .reverse(),
    );
    expect(first.count).toBe(begun.length);
  });
  it("goes on only from a place it gave", () => {
    expect(codeOf(() => benchPage(store, check(zBenchQuery, { before: "1' OR 1=1" })))).toBe("bad-input");
  });
});

describe("adding to an end", () => {
  it("is on the disk before it is answered: another connection sees it", () => {
    const file = join(mkdtempSync(join(tmpdir(), "arlent-")), "a.db");
    store = openStore(file);
    const { id } = startEnd(actOn(store), check(zStart, cam));
    add(id, reading(8_600));
    expect(endState(getEnd(openStore(file), id).events).readings.map(({ value }) => value)).toEqual([8_600]);
  });
  it("sent twice, a reading is there once", () => {
    const { id } = startEnd(actOn(store), check(zStart, cam));
    const eventId = randomUUID();
    add(id, reading(8_600), { eventId });
    add(id, reading(8_600), { eventId });
    expect(getEnd(store, id).events).toHaveLength(1);
    expect(codeOf(() => add(id, reading(8_700), { eventId }))).toBe("id-taken");
  });
  it("readings from two windows are both kept, in one order", () => {
    const { id } = startEnd(actOn(store), check(zStart, cam));
    add(id, reading(8_600), { client: "one" });
    add(id, reading(8_650), { client: "two" });
    expect(getEnd(store, id).events.map(({ seq, client }) => [seq, client])).toEqual([
      [1, "one"],
      [2, "two"],
    ]);
  });
  it("a window that has not seen another's step cannot move over it, and nothing changes", () => {
    const { id } = startEnd(actOn(store), check(zStart, cam));
    add(id, { kind: "thread", part: "boot", on: true }, { client: "one" });
    add(id, { kind: "step", to: 3 }, { client: "one", after: 1 });
    expect(codeOf(() => add(id, { kind: "step", to: 1 }, { client: "two", after: 1 }))).toBe("moved-on");
    expect(endState(getEnd(store, id).events).at).toBe(3);
    expect(codeOf(() => add(id, { kind: "step", to: 1 }, { client: "two", after: 2 }))).toBe("taken");
  });
  it("all of a batch or none of it", () => {
    const { id } = startEnd(actOn(store), check(zStart, cam));
    const events = [reading(8_600), reading(8_600, "nonsense")].map((event) => ({
      id: randomUUID(),
      event,
    }));
    expect(
      codeOf(() => addEvents(actOn(store), id, check(zAddInside, { client: "one", after: 0, events }))),
    ).toBe("unknown-check");
    expect(getEnd(store, id).events).toEqual([]);
  });
  it("an unknown end is told", () => {
    expect(codeOf(() => add("nowhere", reading(1)))).toBe("not-found");
  });
  it("the database itself refuses to change or drop what was recorded", () => {
    const { id } = startEnd(actOn(store), check(zStart, cam));
    add(id, reading(8_600));
    for (const sql of [
      "UPDATE events SET body = '{}'",
      "DELETE FROM events",
      "UPDATE documents SET body = ''",
      "DELETE FROM documents",
    ])
      expect(causeOf(() => store.run(sql))).toMatch(/only ever added|word for word/);
  });
});

describe("the ledger", () => {
  const finish = (value: number, name: string, at: string, label = "") => {
    const { id } = startEnd(actOn(store), check(zStart, cam));
    const good = getEnd(store, id).sheet.lines.flatMap(({ step }): EventInput[] => {
      const requested = judgementOf(step);
      const answer = requested?.answers.find((answer) => answer.good);
      return requested && answer ? [{ kind: "answer", judgement: requested.id, answer: answer.id }] : [];
    });
    const all: EventInput[] = [
      { kind: "label", job: "Weather hut", label },
      { kind: "thread", part: "boot", on: true },
      reading(value),
      reading(20_600, "witness"),
      reading(900, "stand-off"),
      ...good,
      { kind: "sign", name, outcome: "kept" },
    ];
    addEvents(
      actOn(store, new Date(at)),
      id,
      check(zAddInside, {
        client: "one",
        after: 0,
        events: all.map((event) => ({ id: randomUUID(), event })),
      }),
    );
    return id;
  };
  it("lists ends newest sign-off first, with what each came to", () => {
    finish(8_600, "Ada", "2026-11-20T08:00:00Z");
    finish(9_900, "Ben", "2026-11-21T08:00:00Z");
    startEnd(actOn(store), check(zStart, cam));
    expect(
      ledgerPage(store, check(zLedgerQuery, {})).rows.map(({ signedBy, result }) => [signedBy, result]),
    ).toEqual([
      ["Ben", "out"],
      ["Ada", "in"],
    ]);
    expect(ledgerPage(store, check(zLedgerQuery, { result: "in" })).count).toBe(1);
    expect(ledgerPage(store, check(zLedgerQuery, { style: "no-such" })).rows).toEqual([]);
  });
  it("is searched by job, name, person and day, every word of it, nothing of it a wildcard", () => {
    finish(8_600, "Ada", "2026-11-20T08:00:00Z", "fibre 1, blue");
    finish(8_600, "Ben", "2026-11-21T23:30:00Z", "fibre 2, 100%");
    const search = (query: Record<string, string>) =>
      ledgerPage(store, check(zLedgerQuery, query)).rows.map(({ signedBy }) => signedBy);
    expect(search({ find: "hut blue" })).toEqual(["Ada"]);
    expect(search({ find: "BEN" })).toEqual(["Ben"]);
    expect(search({ find: "cam Ada" })).toEqual(["Ada"]);
    expect(search({ find: "hut nobody" })).toEqual([]);
    expect(search({ find: "100%" })).toEqual(["Ben"]);
    expect(search({ find: "f_bre" })).toEqual([]);
    expect(search({ find: "'" })).toEqual([]);
    expect(search({ from: "2026-11-21", to: "2026-11-21" })).toEqual(["Ben"]);
    expect(search({ to: "2026-11-20" })).toEqual(["Ada"]);
    expect(codeOf(() => ledgerPage(store, check(zLedgerQuery, { from: "yesterday" })))).not.toBe("taken");
  });
  it("keeps what was discarded, out of the way of whoever does not ask for it", () => {
    const { id } = startEnd(actOn(store), check(zStart, cam));
    add(id, { kind: "sign", name: "Ada", outcome: "discarded" });
    expect(ledgerPage(store, check(zLedgerQuery, {})).rows).toEqual([]);
    expect(ledgerPage(store, check(zLedgerQuery, { result: "discarded" })).rows.map((row) => row.id)).toEqual(
      [id],
    );
    expect(benchPage(store, check(zBenchQuery, {})).rows).toEqual([]);
  });
  it("comes as a file piece by piece, the same as in one, a bad query refused before the first", () => {
    for (let i = 0; i < 3; i++) finish(8_500 + i * 20, "Ada", `2026-11-2${i}T08:00:00Z`);
    for (const format of ["csv", "json"] as const) {
      const pieces = [...ledgerPieces(store, format, check(zLedgerQuery, {}))];
      expect(pieces.length).toBeGreaterThanOrEqual(3);
      const whole =
        format === "csv"
          ? ledgerCsv(store, check(zLedgerQuery, {}))
          : JSON.stringify(ledgerJson(store, check(zLedgerQuery, {})));
      expect(pieces.join("").replaceAll(",\n", ",")).toBe(whole);
      expect(codeOf(() => ledgerPieces(store, format, check(zLedgerQuery, { result: "lovely" })))).toBe(
        "bad-input",
      );
    }
    expect([...ledgerPieces(store, "json", check(zLedgerQuery, { style: "none" }))].join("")).toBe("[]");
    const csv = ledgerCsv(store, check(zLedgerQuery, { style: "none" }));
    expect(csv.startsWith("\ufeffend,"), "with a byte order mark, for spreadsheets").toBe(true);
    const [head, ...rows] = csv.split("\r\n").filter(Boolean);
    expect([head, rows]).toEqual([ledgerCsv(store, check(zLedgerQuery, {})).split("\r\n")[0], []]);
  });
  it("gives each end's interface, result, looks and corrections in its CSV", () => {
    const id = finish(8_600, "Ada", "2026-11-20T08:00:00Z");
    const corrects = getEnd(store, id).events.at(-1)?.id as string;
    add(id, { kind: "correction", corrects, says: "Ada Moor", why: "whole name", name: "Ada" });
    const [head = "", row = ""] = ledgerCsv(store, check(zLedgerQuery, {})).split("\r\n");
    for (const column of ["as", "result", "looks", "corrections"]) expect(head.split(",")).toContain(column);
    expect(row).toContain('"LC, UPC"');
    expect(row).toContain("Ada Moor (whole name; Ada)");
    expect(row).toMatch(/\? [A-Z][^;"]+; .+\? /);
  });
  it("keeps each verdict as it was judged at the sign-off", () => {
    const id = finish(9_900, "Ben", "2026-11-21T08:00:00Z");
    expect(getEnd(store, id).verdicts?.map(({ check, verdict }) => [check, verdict])).toEqual([
      ["cleave", "out"],
      ["witness", "in"],
      ["stand-off", "in"],
    ]);
    expect(getEnd(store, startEnd(actOn(store), check(zStart, cam)).id).verdicts).toBeNull();
  });
  it("goes on page by page without missing or repeating an end", () => {
    for (let i = 0; i < 203; i++) finish(8_600, `P${i}`, "2026-11-20T08:00:00Z");
    const seen: string[] = [];
    for (let next: string | null = ""; next !== null; ) {
      const page = ledgerPage(store, check(zLedgerQuery, next ? { before: next } : {}));
      seen.push(...page.rows.map(({ id }) => id));
      next = page.next;
    }
    expect(seen).toHaveLength(203);
    expect(new Set(seen).size).toBe(203);
    expect(ledgerJson(store, check(zLedgerQuery, {}))).toHaveLength(203);
  });
  it("leaves as JSON in millimetres, with whose figures and which instrument", () => {
    finish(8_600, "Ada", "2026-11-20T08:00:00Z");
    expect(ledgerJson(store, check(zLedgerQuery, {}))[0]).toMatchObject({
      style: { revision: 7, figures: { kind: "representative" } },
      lengths: expect.arrayContaining([
        expect.objectContaining({
          id: "cleave",
          nominal: 8.6,
          min: 8.15,
          max: 9.05,
          verdict: "in",
          readings: [expect.objectContaining({ value: 8.6, instrument: "Calliper" })],
        }),
      ]),
    });
  });
  it("tells what was tried again, which readings that made void, the shards and what was used", () => {
    const { id } = startEnd(actOn(store), check(zStart, cam));
    const { sheet } = getEnd(store, id);
    const bad: EventInput = { kind: "answer", judgement: "glow", answer: "no" };
    const many: EventInput[] = [
      { kind: "thread", part: "boot", on: true },
      reading(8_600),
      { kind: "use", step: "cleave", tool: "bench-cleaver", items: [{ item: "cleave", count: 1 }] },
      { kind: "shards", step: "cleave", made: 1, binned: 0 },
      bad,
    ];
    for (const event of many) add(id, event);
    const state = () => endState(getEnd(store, id).events);
    const offer = () => retriesOffered(sheet, state(), "glow", "no").find(({ left }) => left > 0);
    const seated = offer();
    expect(seated?.rule.id).toBe("reseat");
    if (seated) add(id, retryEvent(sheet, seated, "glow", "no"), { after: 99 });
    add(id, bad);
    const cut = offer();
    expect(cut?.rule.id).toBe("recleave");
    // What is cut again is cut by figures worked out from where the end stands, not by the sheet's own.
    if (cut)
      expect(() => add(id, retryEvent(sheet, cut, "glow", "no"), { after: 99 })).toThrow(/take the rework/);
    const [advice] = advise(sheet, state(), getEnd(store, id).rule, { judgement: "glow", answer: "no" });
    if (advice?.kind === "rework") add(id, reworkEvent(advice, "recommended"), { after: 99 });
    add(
      id,
      { kind: "sign", name: "Ada", outcome: "cut-off", missingShards: "under the bench" },
      { after: 99 },
    );
    expect(ledgerJson(store, check(zLedgerQuery, {}))[0]).toMatchObject({
      tried: [
        { rule: "reseat", count: 1 },
        { rule: "recleave", count: 1 },
      ],
      voided: [{ length: "cleave", value: 8.6 }],
      struck: [],
      shards: { made: 1, binned: 0 },
      used: [{ item: "cleave", count: 1 }],
      signed: { missingShards: "under the bench" },
    });
  });
  it("leaves as CSV in which no cell can run as a formula", () => {
    finish(8_600, '=HYPERLINK("x")', "2026-11-20T08:00:00Z", "+1,2\n@x");
    const csv = ledgerCsv(store, check(zLedgerQuery, {}));
    expect(csv).toContain(`"'=HYPERLINK(""x"")"`);
    expect(csv).toContain(`"'+1,2\n@x"`);
    expect(csv.split("\r\n")[0]).toContain("reading_mm");
  });
  it.each([{ result: "fine" }, { before: "' OR 1=1" }, { nonsense: "1" }])(
    "refuses a query it cannot read: %j",
    (query) => {
      expect(codeOf(() => ledgerPage(store, check(zLedgerQuery, query)))).not.toBe("taken");
    },
  );
});
