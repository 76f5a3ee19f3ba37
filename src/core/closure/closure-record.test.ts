import { describe, expect, it } from "vitest";
import { WORLD } from "../fixtures/example-world";
import type { ClosureEvent } from "./closure-event";
import { closureRecord } from "./closure-record";
import { closureWork } from "./closure-work";
import { coolingSplices } from "./cooling";

const { closureAt, splicing, splicing250 } = WORLD;
const AT = "2026-11-25T08:00:00.000Z";
const recorded = (events: readonly ClosureEvent[]) =>
  events.map((event, i) => ({ id: `e${i}`, n: i + 1, at: AT, by: "w", event }));
const splice = splicing.splices[0]?.id ?? "";
const tried = (estimateDb: number, more: object = {}): ClosureEvent => ({
  kind: "splice",
  splice,
  colours: { a: "BL", b: "BL" },
  estimateDb,
  procedure: { id: "fusion-250", revision: 1 },
  ...more,
});
const of = {
  id: "c",
  name: "Pad 4 closure",
  job: "Ring",
  ends: new Map([["pad4", "end-1"]]),
  nameOf: (person: string | null) => (person === "w" ? "Wyn Harrow" : null),
  checksOf: () => [],
};

describe("the record of a closure", () => {
  const record = closureRecord(
    of,
    closureAt,
    recorded([
      { kind: "done", item: "permission" },
      tried(0.3, { splicer: { number: 1, left: 0.4, right: 2, simulated: true } }),
      tried(0.04),
      { kind: "reopen", reason: "loss at the gate" },
    ]),
  );
  it("has each splice with every try, who made it, what it left of the fibre, and whether it was simulated", () => {
    const trays = closureAt.entry.trays;
    if (!trays) throw new Error("trays");
    // The simulated try took no fibre, and the good one is what it was prepared for.
    const left = trays.fibre / 1_000;
    expect(record.splices[0]).toMatchObject({
      number: 1,
      colours: { a: "BL", b: "BL" },
      slot: "1.1",
      standing: "in",
      left: { a: left, b: left },
      tries: [
        { at: AT, by: "Wyn Harrow", estimateDb: 0.3, procedure: "fusion-250", simulated: true },
        { at: AT, by: "Wyn Harrow", estimateDb: 0.04, procedure: "fusion-250", simulated: false },
      ],
    });
  });
  it("names the end each cable's own record is of, and who did what", () => {
    expect(record.cables.map(({ end }) => end)).toEqual(["end-1", null]);
    expect(record.items.find(({ done }) => done)).toMatchObject({
      stage: "before",
      last: { by: "Wyn Harrow" },
    });
    expect(record.items.filter(({ done }) => !done).every(({ last }) => last === null)).toBe(true);
    expect(record).toMatchObject({ state: "open", reopened: [{ reason: "loss at the gate" }] });
  });
});

describe("a sleeve that cools", () => {
  const events = recorded([tried(0.04)]);
  const work = closureWork(closureAt, events);
  const takes = splicing250.steps.reduce((sum, { seconds }) => sum + (seconds ?? 0), 0);
  const secondsAt = (since: number) =>
    coolingSplices(work, events, [splicing250], Date.parse(AT) + since * 1_000).map(({ seconds }) => seconds);
  it("counts down from the splice, is then due in its slot, and leaves the list", () => {
    expect(takes).toBeGreaterThan(0);
    expect([0, takes - 1, takes, takes + 60, takes + 600].map(secondsAt)).toEqual([
      [takes],
      [1],
      [0],
      [0],
      [],
    ]);
  });
  it("is none of a splice above its limit: that is made again", () => {
    const poor = recorded([tried(0.4)]);
    expect(coolingSplices(closureWork(closureAt, poor), poor, [splicing250], Date.parse(AT))).toEqual([]);
  });
});
