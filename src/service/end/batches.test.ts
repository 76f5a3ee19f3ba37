import { randomUUID } from "node:crypto";
import { beforeEach, describe, expect, it } from "vitest";
import {
  check,
  type EventInput,
  endState,
  zAddInside,
  zAddManyInside,
  zBatch,
  zBatchQuery,
  zBenchQuery,
  zStart,
  zToolEvent,
} from "@/core";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { actOn } from "../act";
import { codeOf } from "../fixtures/code-of";
import { blades, seeToBlade } from "../workshop/tools";
import { addToBatch, batchEvents, getBatch, startBatch } from "./batches";
import { benchPage } from "./bench-page";
import { addEvents, startEnd } from "./ends";
import { runningTimers } from "./timers";

let store: Store;
beforeEach(() => {
  store = openStore(":memory:");
});
const cam = { cable: "distribution-900", procedure: "stub-cam-crimp-900", core: "9/125" };
const first = (event: EventInput) => ({ id: randomUUID(), event });
const add = (end: string, event: EventInput, now?: Date) =>
  addEvents(actOn(store, now), end, check(zAddInside, { client: "one", after: 99, events: [first(event)] }));

describe("a batch", () => {
  it("is many ends of one sheet, each named by its fibre and colour, in order", () => {
    const { id } = startBatch(actOn(store), check(zBatch, { ...cam, count: 12, job: "Pad 9 feeder" }));
    const { ends, name, sheet } = getBatch(store, id);
    expect(name).toBe("Pad 9 feeder");
    expect(ends.map(({ label }) => label).slice(0, 3)).toEqual([
      "fibre 1, blue",
      "fibre 2, orange",
      "fibre 3, green",
    ]);
    expect(ends).toHaveLength(12);
    expect(sheet.procedure.id).toBe("stub-cam-crimp-900");
  });
  it("asked for twice with one id, is there once", () => {
    const id = randomUUID();
    startBatch(actOn(store), check(zBatch, { ...cam, id, count: 2 }));
    startBatch(actOn(store), check(zBatch, { ...cam, id, count: 2 }));
    expect(benchPage(store, check(zBenchQuery, {}))).toMatchObject({
      rows: [{ batch: id, count: 2 }],
      count: 2,
      next: null,
    });
  });
  it.each([
    [{ count: 1 }, "bad-input"],
    [{ count: 49 }, "bad-input"],
    [{ count: 4, cable: "simplex-3.0" }, "does-not-fit"],
  ])("%j is refused and starts nothing", (changes, code) => {
    expect(codeOf(() => startBatch(actOn(store), check(zBatch, { ...cam, ...changes })))).toBe(code);
    expect(benchPage(store, check(zBenchQuery, {})).count).toBe(0);
  });
  it("tells only what is new to whoever says what they have seen", () => {
    const { id } = startBatch(actOn(store), check(zBatch, { ...cam, count: 3 }));
    const [, second] = batchEvents(store, id);
    expect(batchEvents(store, id, check(zBatchQuery, { seen: "1,1,1" }))).toEqual([]);
    addEvents(
      actOn(store),
      second?.id ?? "",
      check(zAddInside, {
        client: "x",
        after: 99,
        events: [first({ kind: "label", job: "Moor", label: "pad 4" })],
      }),
    );
    expect(batchEvents(store, id, check(zBatchQuery, { seen: "1,1,1" }))).toMatchObject([
      { id: second?.id, label: "pad 4", events: [{ seq: 2 }] },
    ]);
    expect(batchEvents(store, id, check(zBatchQuery, { seen: "0" }))).toHaveLength(3);
    expect(codeOf(() => batchEvents(store, id, check(zBatchQuery, { seen: "all" })))).toBe("bad-input");
  });
  it("takes one step on all of its ends, or on none", () => {
    const { id } = startBatch(actOn(store), check(zBatch, { ...cam, count: 3 }));
    const members = batchEvents(store, id);
    const move = (events: EventInput[]) => ({
      client: "two",
      ends: members.map(({ id: end }, i) => ({ end, after: 1, events: [first(events[i] as EventInput)] })),
    });
    const boot: EventInput = { kind: "thread", part: "boot", on: true };
    expect(
      codeOf(() =>
        addToBatch(actOn(store), id, check(zAddManyInside, move([boot, boot, { ...boot, part: "hat" }]))),
      ),
    ).toBe("unknown-part");
    expect(batchEvents(store, id).map(({ events }) => events.length)).toEqual([1, 1, 1]);
    addToBatch(actOn(store), id, check(zAddManyInside, move([boot, boot, boot])));
    expect(batchEvents(store, id).map(({ events }) => endState(events).threaded)).toEqual([
      ["boot"],
      ["boot"],
      ["boot"],
    ]);
  });
  it("takes nothing for an end that is not its own", () => {
    const { id } = startBatch(actOn(store), check(zBatch, { ...cam, count: 2 }));
    const other = startEnd(actOn(store), check(zStart, cam)).id;
    const ends = [{ end: other, after: 0, events: [first({ kind: "thread", part: "boot", on: true })] }];
    expect(codeOf(() => addToBatch(actOn(store), id, check(zAddManyInside, { client: "x", ends })))).toBe(
      "not-found",
    );
  });
});

describe("holds and cures", () => {
  const start = (step: string, seconds: number): EventInput => ({
    kind: "timer",
    step,
    action: "start",
    seconds,
  });
  it("run on across ends, the first to be over first, until they are ended", () => {
    const [a, b] = [
      startEnd(actOn(store), check(zStart, cam)).id,
      startEnd(actOn(store), check(zStart, cam)).id,
    ];
    const at = new Date("2026-11-25T08:00:00Z");
    add(a, start("cleave", 600), at);
    add(b, start("cleave", 60), at);
    expect(runningTimers(store).map(({ end, seconds }) => [end, seconds])).toEqual([
      [b, 60],
      [a, 600],
    ]);
    add(b, { kind: "timer", step: "cleave", action: "stop", seconds: 60 });
    expect(runningTimers(store).map(({ end }) => end)).toEqual([a]);
  });
});

describe("a cleaver's blade", () => {
  const stroke: EventInput = {
    kind: "use",
    step: "cleave",
    tool: "bench-cleaver",
    items: [{ item: "cleave", count: 1 }],
  };
  const standing = () => blades(store).find(({ tool }) => tool === "bench-cleaver")?.standing;
  it("is counted from the ends' own events; wiping and turning start their counts afresh", () => {
    const blade = blades(store).find(({ tool }) => tool === "bench-cleaver");
    if (!blade) throw new Error("it has a blade");
    const { id } = startEnd(actOn(store), check(zStart, cam));
    for (let i = 0; i < blade.wipeEvery; i++) add(id, stroke, new Date("2026-11-25T08:00:00Z"));
    expect(standing()).toMatchObject({ due: "wipe", leftHere: blade.each - blade.wipeEvery });
    seeToBlade(
      actOn(store, new Date("2026-11-25T08:05:00Z")),
      "bench-cleaver",
      check(zToolEvent, { action: "wipe" }),
    );
    expect(standing()).toMatchObject({ due: null, leftHere: blade.each - blade.wipeEvery });
    seeToBlade(
      actOn(store, new Date("2026-11-25T08:06:00Z")),
      "bench-cleaver",
      check(zToolEvent, { action: "turn" }),
    );
    expect(standing()).toMatchObject({ position: 2, leftHere: blade.each });
    seeToBlade(
      actOn(store, new Date("2026-11-25T08:07:00Z")),
      "bench-cleaver",
      check(zToolEvent, { action: "new" }),
    );
    expect(standing()).toMatchObject({ position: 1, left: blade.positions * blade.each });
  });
  it("is not asked of a tool without one", () => {
    expect(codeOf(() => seeToBlade(actOn(store), "shears", check(zToolEvent, { action: "wipe" })))).toBe(
      "not-found",
    );
    expect(
      codeOf(() => seeToBlade(actOn(store), "bench-cleaver", check(zToolEvent, { action: "lick" }))),
    ).toBe("bad-input");
  });
});
