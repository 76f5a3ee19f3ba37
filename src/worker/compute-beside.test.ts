import { describe, expect, it } from "vitest";
import { compute, problemOf } from "@/core";
import { computeBeside } from "./compute-beside";

const reel = (length: number) => ({
  reels: [{ id: "R", length: 1_000 }],
  cuts: [{ id: "C", length }],
  kerf: 2,
});

describe("an operation beside the server", () => {
  it("answers as it does within it", async () => {
    expect(await computeBeside("reels", reel(400))).toEqual(await compute("reels", reel(400)));
    expect(await computeBeside("trays", { slots: [], bendRadius: 30, splices: [] })).toEqual({
      assignment: [],
      unplaced: [],
      trim: 0,
    });
  });
  it("refuses as it does within it, and the next is answered", async () => {
    const [refused, next] = [computeBeside("reels", reel(-1)), computeBeside("reels", reel(998))];
    expect(problemOf(await refused.catch((error: unknown) => error))).toMatchObject({
      code: "negative",
      path: ["cuts", 0, "length"],
    });
    expect(await next).toMatchObject({ possible: true });
  });
  it("leaves the server free meanwhile", async () => {
    let turns = 0;
    const beat = setInterval(() => turns++, 1);
    await computeBeside("reels", reel(400));
    clearInterval(beat);
    expect(turns).toBeGreaterThan(10);
  });
});
