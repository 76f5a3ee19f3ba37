import { expect, it } from "vitest";
import type { EventInput } from "@/core";
import { WORLD } from "@/core/fixtures/example-world";
import { pdfPages } from "@/paper/fixtures/pdf-pages";
import { printRecords } from "@/paper/paper-thread";
import { recordsPdf } from "@/paper/record-paper";
import { openStore } from "@/store/opening/open";
import { addTo, endRead } from "../fixtures/made-ends";
import { checkWholeRecord } from "../keeping/record-check";
import { onPaper } from "../ledger/ledger";
import { recordsCsv } from "../ledger/record-csv";
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
  expect(head).toMatch(/,loss_db,loss_u_db,loss_limit_db,loss_limit_from,loss_verdict$/);
  expect(rows.filter((row) => /,1\.500,.*,out$/.test(row))).toHaveLength(1);
  expect(rows.filter((row) => /,0\.300,.*,in$/.test(row))).toHaveLength(1);
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
