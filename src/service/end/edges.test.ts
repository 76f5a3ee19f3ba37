import { randomUUID } from "node:crypto";
import Papa from "papaparse";
import { beforeEach, describe, expect, it } from "vitest";
import { check, type EventInput, zAddInside, zLedgerQuery, zProcedure, zSave, zStart } from "@/core";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { actOn } from "../act";
import { codeOf } from "../fixtures/code-of";
import { ledgerPage } from "../ledger/ledger";
import { recordsCsv } from "../ledger/record-csv";
import { documentText, saveDocument } from "../shelf/shelf";
import { addEvents, getEnd, MOST_EVENTS, startEnd } from "./ends";
import { endRecord, recordJson } from "./record";

const CAM = "stub-cam-crimp-900";
const cam = { cable: "distribution-900", procedure: CAM, core: "9/125" };
let store: Store;
beforeEach(() => {
  store = openStore(":memory:");
});
const first = (event: EventInput) => ({ id: randomUUID(), event });
const add = (end: string, ...events: EventInput[]) =>
  addEvents(actOn(store), end, check(zAddInside, { client: "x", after: 9_999, events: events.map(first) }));

describe("ids", () => {
  it.each(["constructor", "toString", "hasOwnProperty", "__proto__", "valueOf"])(
    "that every object answers to are refused in a document: %s",
    (id) => {
      const document = JSON.parse(documentText(store, "procedure", CAM));
      const choice = { id, name: id, options: [{ id: "a", name: "a" }], default: "a" };
      for (const changed of [
        { ...document, choices: [choice] },
        { ...document, features: [...document.features, { id, name: id, kind: "mark" }] },
        { ...document, parts: [{ id, name: id, way: "", shape: "boot", ifForgotten: "" }] },
      ])
        expect(
          codeOf(() =>
            saveDocument(
              actOn(store),
              "procedure",
              check(zSave, { document: changed, basis: document.revision }),
            ),
          ),
        ).toBe("bad-input");
    },
  );
  it("picked for a choice there is not are refused, and leave nothing", () => {
    expect(
      codeOf(() => startEnd(actOn(store), check(zStart, { ...cam, choices: { constructor: "a" } }))),
    ).toBe("unknown-choice");
  });
  it("in capitals are the same as in small letters, in the ledger too", () => {
    const id = randomUUID();
    expect(startEnd(actOn(store), check(zStart, { ...cam, id: id.toUpperCase() }))).toEqual({ id });
    expect(startEnd(actOn(store), check(zStart, { ...cam, id }))).toEqual({ id });
    add(id, { kind: "sign", name: "Ada", outcome: "cut-off" });
    expect(getEnd(store, id.toUpperCase()).id).toBe(id);
    expect(() =>
      ledgerPage(store, check(zLedgerQuery, { before: `2027-01-01T00:00:00.000Z~${id.toUpperCase()}` })),
    ).not.toThrow();
  });
});

describe("what no instrument and no end can be", () => {
  const reading = (changes: object): EventInput => ({
    kind: "reading",
    check: "cleave",
    value: 9_000,
    typed: "9",
    unit: "mm",
    instrument: { id: "calliper", name: "Calliper", resolution: 10, repeatability: 60, ...changes },
  });
  it.each([{ resolution: -10 }, { repeatability: -1 }, { resolution: 30_000 }])(
    "%j is refused",
    (changes) => {
      const { id } = startEnd(actOn(store), check(zStart, cam));
      const length = getEnd(store, id).sheet.checks[0]?.id ?? "";
      expect(codeOf(() => add(id, { ...reading(changes), check: length } as EventInput))).toBe("bad-input");
      expect(getEnd(store, id).events).toEqual([]);
    },
  );
  it("an end that holds more events than any work makes is refused the next, and keeps what it has", () => {
    const { id } = startEnd(actOn(store), check(zStart, cam));
    const label: EventInput = { kind: "label", job: "moor", label: "pad" };
    for (let i = 0; i < MOST_EVENTS / 100; i++) add(id, ...Array.from({ length: 100 }, () => label));
    expect(codeOf(() => add(id, label))).toBe("limit");
    expect(getEnd(store, id).events).toHaveLength(MOST_EVENTS);
  });
});

describe("cells a spreadsheet would run", () => {
  it.each([
    "\n=1+1",
    " =1+1",
    "\t@SUM(A1)",
    "＝1+1",
    "＋1",
    "－1",
    "＠x",
    "-1",
    "\u00a0=2",
    "\u0000=1",
    "\u0001@x",
    "\u200b+1",
  ])("%j is made plain text", (job) => {
    const { id } = startEnd(actOn(store), check(zStart, cam));
    add(id, { kind: "sign", name: "Ada", outcome: "cut-off" });
    const csv = recordsCsv([{ ...recordJson(endRecord(store, id)), job }]);
    const [row] = Papa.parse<Record<string, string>>(csv, { header: true, delimiter: "," }).data;
    expect(row?.job).toBe(`'${job}`);
  });
});

describe("input nested thousands deep", () => {
  it.each(["[", '{"a":'])("of %s is refused, not run out of stack on", (open) => {
    const shut = open === "[" ? "]" : "}";
    const deep = JSON.parse(`${open.repeat(20_000)}1${shut.repeat(20_000)}`);
    expect(codeOf(() => check(zProcedure, deep))).toBe("too-deep");
    expect(codeOf(() => startEnd(actOn(store), check(zStart, { ...cam, choices: deep })))).toBe("too-deep");
  });
});
