import { sql } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { openStore } from "@/store/opening/open";
import { actOn } from "../act";
import { getEnd } from "../end/ends";
import { codeOf } from "../fixtures/code-of";
import { addTo, endRead, signedEnd } from "../fixtures/made-ends";
import { lotsInUse, openLot } from "../workshop/lots";
import { seeToBlade } from "../workshop/tools";
import { insightOf } from "./insight";
import { insightCsv } from "./insight-csv";
import { yieldsOf } from "./yields";

const CLEAVER = "template-cleaver";

/** An end cleaved so much off, micrometres, with a stroke of the cleaver on record, signed by somebody. */
function cleavedEnd(store: ReturnType<typeof openStore>, person: string, long: number): string {
  const id = endRead(store, "measure", { "glass-end": -long });
  const items = [{ item: "cleave", count: 1 }];
  const use = { kind: "use" as const, step: "cleave", tool: CLEAVER, items };
  addTo(store, id, use, { kind: "sign", name: person, outcome: "kept" });
  return id;
}

/** Turns the blade, some time after the last stroke and before the next one. */
async function turnBlade(store: ReturnType<typeof openStore>): Promise<void> {
  await new Promise((later) => setTimeout(later, 5));
  seeToBlade(actOn(store), CLEAVER, { action: "turn" });
  await new Promise((later) => setTimeout(later, 5));
}

describe("answers from the record", () => {
  it("name the place of the blade that the failed ends share, with those ends", async () => {
    const store = openStore(":memory:");
    for (let i = 0; i < 16; i++) cleavedEnd(store, "Osla Brandt", 0);
    await turnBlade(store);
    const failed = Array.from({ length: 8 }, () => cleavedEnd(store, "Wyn Harrow", 900));
    await turnBlade(store);
    for (let i = 0; i < 8; i++) cleavedEnd(store, "Wyn Harrow", 0);
    const { ends, causes } = insightOf(store);
    expect(ends).toBe(32);
    expect(causes[0]).toMatchObject({
      ...{ question: "cleaver-place", value: "template cleaver, 2" },
      ...{ under: 8, failedUnder: 8, others: 24, failedOthers: 0 },
    });
    expect(new Set(causes[0]?.ends)).toEqual(new Set(failed));
  });
  it("say since which end a length has moved, by how much, and what was new about then", async () => {
    const store = openStore(":memory:");
    const wobble = [0, 40, -30, 20, -40, 10, 30, -20, 0, -10];
    for (const off of wobble) cleavedEnd(store, "Osla Brandt", off);
    await turnBlade(store);
    for (const off of wobble) cleavedEnd(store, "Osla Brandt", off - 250);
    const run = insightOf(store).runs.find(({ name }) => name === "cleave length");
    expect(run?.signal).toBeGreaterThan(10);
    expect(run?.signal).toBeLessThanOrEqual(14);
    expect(run?.moved).toBeLessThan(-150);
    expect(run?.changed).toEqual([{ question: "cleaver-place", value: "template cleaver, 2" }]);
  });
  it("draw a run within the limits of its newest end: a revision may have changed them", () => {
    const store = openStore(":memory:");
    const ends = Array.from({ length: 14 }, () => cleavedEnd(store, "Osla Brandt", 0));
    store.run(
      sql`UPDATE verdicts SET max = 1, name = 'older' WHERE end_id = ${ends[0]} AND name = 'cleave length'`,
    );
    const run = insightOf(store).runs.find(({ name }) => name === "cleave length");
    expect(run?.ends).toHaveLength(14);
    expect(run?.max).toBeGreaterThan(1);
  });
  it("have a yield and a median time for each connector; an end of practice, or one begun by mistake, counts nowhere", () => {
    const store = openStore(":memory:");
    expect(insightOf(store)).toMatchObject({ ends: 0, causes: [], runs: [], ways: [] });
    const id = signedEnd(store, "Osla Brandt", 0);
    const gone = endRead(store, "measure");
    addTo(store, gone, { kind: "sign", name: "Osla Brandt", outcome: "discarded" });
    const [way, ...more] = insightOf(store).ways;
    expect(more).toEqual([]);
    expect(way).toMatchObject({ name: getEnd(store, id).styleName, good: 1, tried: 1, most: 1 });
  });
  it("are of the ends the ledger's filter lets through, and go out as CSV with their ends", async () => {
    const store = openStore(":memory:");
    for (let i = 0; i < 16; i++) cleavedEnd(store, "Osla Brandt", 0);
    await turnBlade(store);
    const failed = Array.from({ length: 8 }, () => cleavedEnd(store, "Wyn Harrow", 900));
    expect(insightOf(store, { find: "Harrow" })).toMatchObject({ ends: 8, failed: 8, causes: [] });
    expect(insightOf(store, { style: "no-such" })).toMatchObject({ ends: 0, weeks: [], blades: [] });
    expect(insightOf(store, { purpose: "work" }).ends).toBe(24);
    const csv = insightCsv(insightOf(store));
    const cause = csv.split("\r\n").find((line) => line.includes("cleaver-place"));
    for (const id of failed) expect(cause).toContain(id);
  });
  it("have the week with its yield beside the others, and what no end before it had", async () => {
    const store = openStore(":memory:");
    for (let i = 0; i < 16; i++) cleavedEnd(store, "Osla Brandt", 0);
    store.$client.exec("DROP TRIGGER ends_keep_words");
    store.$client.exec("UPDATE ends SET signed_at = '2026-01-01T12:00:00.000Z'");
    await turnBlade(store);
    for (let i = 0; i < 8; i++) cleavedEnd(store, "Wyn Harrow", 900);
    const weeks = insightOf(store).weeks;
    expect(weeks).toHaveLength(2);
    // The first of January 2026 is a Thursday: of week 1, which began on the 29th of December (ISO 8601).
    expect(weeks[0]).toMatchObject({ week: "2026-W01", from: "2025-12-29", to: "2026-01-04", fresh: [] });
    expect(weeks[1]).toMatchObject({ first: { good: 0, tried: 8 }, beside: "worse" });
    expect(weeks[1]?.fresh).toContainEqual({ question: "person", value: "Wyn Harrow" });
    expect(weeks[1]?.fresh).toContainEqual({ question: "cleaver-place", value: "template cleaver, 2" });
  });
  it("have the lot a connector came from, and the cleaves its blade's place had made", async () => {
    const store = openStore(":memory:");
    const style = "stub-cam-crimp-900";
    cleavedEnd(store, "Osla Brandt", 0);
    await new Promise((later) => setTimeout(later, 5));
    openLot(actOn(store), { style, lot: "24-117" });
    await new Promise((later) => setTimeout(later, 5));
    cleavedEnd(store, "Osla Brandt", 0);
    expect(lotsInUse(store)).toMatchObject([{ style, lot: "24-117" }]);
    expect(yieldsOf(store, "lot").map(({ name, last }) => [name, last.tried])).toContainEqual(["24-117", 1]);
    expect(codeOf(() => openLot(actOn(store), { style: "spoon", lot: "1" }))).toBe("not-found");
    const [blade] = insightOf(store).blades;
    expect(blade).toMatchObject({ tool: CLEAVER, positions: 8, each: 1_500, perEnd: 1 });
    expect(blade?.ages[0]).toEqual({ upTo: 375, ends: 2, failed: 0, failedEnds: [] });
  });
  it("have runs of losses and of minutes beside those of lengths", () => {
    const store = openStore(":memory:");
    for (let i = 0; i < 20; i++) {
      const id = endRead(store, "measure");
      const taken = new Date(Date.now() - 60_000).toISOString();
      const loss = i < 12 ? 0.3 + (i % 3) / 100 : 0.9;
      addTo(
        store,
        id,
        {
          ...{ kind: "light", read: new Date().toISOString(), from: "here", matings: 0, celsius: null },
          reference: { taken, wavelength: 1310, source: "S", cord: "C", dBm: [-20, -20.02], celsius: null },
          meter: { id: "m", name: "Meter", resolution: 0.01, repeatability: 0.02, mating: 0.05 },
          ...{ dBm: [-20.01 - loss], limitDb: 1.05, limitFrom: "connector", tried: "first" },
        },
        { kind: "sign", name: "Osla Brandt", outcome: "kept" },
      );
    }
    const run = insightOf(store).runs.find(({ of }) => of === "loss");
    expect(run?.ends).toHaveLength(20);
    expect(run?.mean).toBeCloseTo(0.31, 2);
    expect(run?.signal).toBeGreaterThan(12);
    expect(run?.moved).toBeCloseTo(0.59, 2);
  });
  it("have a run of a gauge in every hand where two hands share it, and none where it is one hand's", async () => {
    const gauges = (store: ReturnType<typeof openStore>) =>
      insightOf(store).runs.filter(({ person }) => person === "");
    const store = openStore(":memory:");
    const wobble = [0, 40, -30, 20, -40, 10, 30, -20, 0, -10];
    for (const off of wobble) cleavedEnd(store, "Osla Brandt", off);
    for (const off of wobble) cleavedEnd(store, "Osla Brandt", off - 250);
    expect(gauges(store)).toEqual([]);
    for (const off of wobble) cleavedEnd(store, "Wyn Harrow", off - 250);
    const run = gauges(store).find(({ name }) => name === "cleave length");
    expect(run).toMatchObject({ tool: "digital-calliper" });
    expect(run?.ends).toHaveLength(30);
    expect(run?.signal).toBeGreaterThan(10);
    expect(run?.signal).toBeLessThanOrEqual(14);
  });
});
