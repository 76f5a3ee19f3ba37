import { describe, expect, it } from "vitest";
import { openStore } from "@/store/opening/open";
import { addTo, endRead, signedEnd } from "../fixtures/made-ends";
import { yieldsOf } from "./yields";

describe("the yield on record", () => {
  it("counts each end once by whoever signed it, in or not, and never one that is open or was discarded", () => {
    const store = openStore(":memory:");
    expect(yieldsOf(store, "style")).toEqual([]);
    signedEnd(store, "Osla Brandt", 0);
    signedEnd(store, "Osla Brandt", 0);
    endRead(store, "measure");
    const lost = endRead(store, "measure");
    addTo(store, lost, { kind: "sign", name: "Wyn Harrow", outcome: "cut-off" });
    const gone = endRead(store, "measure");
    addTo(store, gone, { kind: "sign", name: "Wyn Harrow", outcome: "discarded" });
    const rows = yieldsOf(store, "person");
    expect(rows.map(({ name, last }) => [name, last.good, last.tried])).toEqual([
      ["Osla Brandt", 2, 2],
      ["Wyn Harrow", 0, 1],
    ]);
    expect(rows.map(({ beside }) => beside)).toEqual(["alike", "alike"]);
    const [style] = yieldsOf(store, "style");
    expect(style?.last).toMatchObject({ good: 2, tried: 3 });
    expect(style?.first.least).toBeGreaterThan(0);
    expect(style?.first.most).toBeLessThan(1);
  });
});
