import { describe, expect, it } from "vitest";
import { openStore } from "@/store/opening/open";
import { actOn } from "../act";
import { getEnd } from "../end/ends";
import { addTo, endRead, signedEnd } from "../fixtures/made-ends";
import { seeToBlade } from "../workshop/tools";
import { insightOf } from "./insight";

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
});
