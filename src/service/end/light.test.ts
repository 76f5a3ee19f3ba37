import { expect, it } from "vitest";
import { type EventInput, endState, skippedSteps } from "@/core";
import { WORLD } from "@/core/fixtures/example-world";
import { pdfPages } from "@/paper/fixtures/pdf-pages";
import { recordsPdf } from "@/paper/record-paper";
import { openStore } from "@/store/opening/open";
import { printRecords } from "@/worker/paper-beside";
import { addTo, CAM, endRead } from "../fixtures/made-ends";
import { checkWholeRecord } from "../keeping/record-check";
import { onPaper } from "../ledger/ledger";
import { recordsCsv } from "../ledger/record-csv";
import { getEnd } from "./ends";
import { endRecord, recordJson } from "./record";

const light = (dBm: number, tried: "first" | "cleaned"): EventInput => ({
  kind: "light",
  read: "2026-11-25T08:00:00.000Z",
  from: "here",
  ...WORLD.lightRead,
  dBm: [dBm],
  matings: 0,
  celsius: null,
  limitFrom: "ANSI/TIA-568.3, connector",
  tried,
});

it("light read through an end stands in its record, its CSV and on paper, and decides its result", async () => {
  const store = openStore(":memory:");
  const end = endRead(store, "measure");
  const before = endRecord(store, end).result;
  addTo(store, end, light(-21.5, "first"));
  expect(endRecord(store, end).result).toBe("out");
  addTo(store, end, light(-20.3, "cleaned"));
  const record = recordJson(endRecord(store, end));
  expect(record.result).toBe(before);
  expect(record.lightStands).toMatchObject([
    { wavelength: 1310, from: "here", limitDb: 0.75, verdict: "in" },
  ]);
  expect(record.lightStands[0]?.loss).toBeCloseTo(0.3, 9);
  expect(record.light.map(({ verdict, tried }) => [verdict, tried])).toEqual([
    ["out", "first"],
    ["in", "cleaned"],
  ]);
  const [head = "", ...rows] = recordsCsv([record]).trim().split("\r\n");
  expect(head).toMatch(/,loss_db,loss_u_db,loss_limit_db,loss_limit_from,loss_verdict,/);
  expect(rows.filter((row) => /,1\.500,.*,out(,|$)/.test(row))).toHaveLength(1);
  expect(rows.filter((row) => /,0\.300,.*,in(,|$)/.test(row))).toHaveLength(1);
  const pages = await pdfPages(
    await printRecords(
      (async function* () {
        yield onPaper(store, end);
      })(),
    ),
  );
  expect(pages.join(" ")).toContain("1310 nm, from this end: 0.30 dB");
  const strange = { ...record, light: record.light.map((read) => ({ ...read, source: "光源 2" })) };
  await expect(recordsPdf([strange], new Map(), new Map())).rejects.toMatchObject({
    problem: { code: "script" },
  });
  expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
});

it("an end face graded on a look stands in its record, its CSV and on paper; the newest look decides, and a break clears it", async () => {
  const store = openStore(":memory:");
  const end = endRead(store, "measure");
  const before = endRecord(store, end).result;
  const look = (...sizes: number[]): EventInput => ({
    ...{ kind: "end-face", face: "single-mode-45", photo: null },
    marks: sizes.map((size) => ({ kind: "defect", size, at: null, to: null, zone: "A" })),
  });
  addTo(store, end, look(2));
  expect(endRecord(store, end).result).toBe("out");
  expect(endRecord(store, end).open).toContainEqual({ kind: "out", what: "end face", leg: "" });
  addTo(store, end, look());
  const record = recordJson(endRecord(store, end));
  expect(record.result).toBe(before);
  expect(record.faces.map(({ passes, stands }) => [passes, stands])).toEqual([
    [false, true],
    [true, true],
  ]);
  const rows = recordsCsv([record]).trim().split("\r\n");
  expect(rows.filter((row) => row.endsWith("single-mode-45,A 0/1 B 0/0 C 0/0 D 0/0,out"))).toHaveLength(1);
  const pages = await pdfPages(
    await printRecords(
      (async function* () {
        yield onPaper(store, end);
      })(),
    ),
  );
  expect(pages.join(" ").replaceAll(/\s+/g, " ")).toContain("scratches/defects by zone: A 0/1, B 0/0");
  expect(() =>
    addTo(store, end, look(), { kind: "end-face", face: "multimode", marks: [], photo: "0".repeat(64) }),
  ).toThrow(/not attached to this end/);
  addTo(store, end, { kind: "fault", leg: "", feature: "glass-end", what: "broken", at: null, on: true });
  expect(endRecord(store, end).faces.map(({ stands }) => stands)).toEqual([false, false]);
});

it("an optical test that was chosen asks for light before the cap, and keeps the end unmeasured until it is read", () => {
  const store = openStore(":memory:");
  const end = endRead(store, "measure", {}, { ...CAM, choices: { "optical-test": "here" } });
  const { sheet } = getEnd(store, end);
  const at = sheet.lines.findIndex(({ step }) => step.id === "read-light");
  const cap = sheet.lines.findIndex(({ step }) => step.kind === "cap");
  expect([at > 0, at < cap]).toEqual([true, true]);
  addTo(store, end, { kind: "step", to: cap });
  const openTests = () =>
    skippedSteps(sheet, endState(getEnd(store, end).events)).filter(({ index }) => index === at);
  expect(openTests()).toMatchObject([{ asks: "Read light through it" }]);
  expect(endRecord(store, end).open).toContainEqual({
    ...{ kind: "unanswered", what: "Read light through it", leg: "" },
  });
  addTo(store, end, light(-20.3, "first"));
  expect(openTests()).toEqual([]);
  const usual = getEnd(store, endRead(store, "measure")).sheet;
  expect(usual.lines.some(({ step }) => step.id === "read-light")).toBe(false);
});
