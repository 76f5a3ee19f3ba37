import { randomUUID } from "node:crypto";
import fc from "fast-check";
import { beforeEach, describe, expect, it } from "vitest";
import { check, zAddInside, zLedgerQuery, zStart, zToolEvent } from "@/core";
import { openStore, type Store } from "@/service/the-store";
import { actOn } from "./act";
import { type Clocks, clockAfter, clockAhead, clockFrom, recordNow } from "./clock";
import { addEvents, getEnd, startEnd } from "./end/ends";
import { runningTimers } from "./end/timers";
import { checkWholeRecord } from "./keeping/record-check";
import { ledgerPage } from "./ledger/ledger";
import { blades, seeToBlade } from "./workshop/tools";

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const START = Date.parse("2026-11-26T08:00:00Z");

describe("the time on record", () => {
  it("runs on at least as long as it did, however the machine's clock is set within a week", () => {
    const settings = fc.array(
      fc.record({ runs: fc.integer({ min: 0, max: 5 * HOUR }), set: fc.integer({ min: -DAY, max: DAY }) }),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(settings, (all) => {
        let machine: Clocks = { wall: START, running: 0 };
        let clock = clockFrom(0, machine);
        for (const { runs, set } of all) {
          const before = clock.wall + clock.ahead;
          machine = { wall: machine.wall + runs + set, running: machine.running + runs };
          clock = clockAfter(clock, machine);
          expect(clock.wall + clock.ahead).toBeGreaterThanOrEqual(before + runs);
        }
      }),
    );
  });
  it("goes on from the last moment on record after a start, and follows a clock that was a week wrong", () => {
    expect(clockFrom(START + 2 * DAY, { wall: START, running: 0 }).ahead).toBe(2 * DAY);
    expect(clockFrom(START + 400 * DAY, { wall: START, running: 0 }).ahead).toBe(0);
    expect(clockFrom(START - DAY, { wall: START, running: 0 }).ahead).toBe(0);
  });
  it("lets a machine that slept go on with its own clock", () => {
    const clock = clockAfter({ wall: START, running: 0, ahead: 0 }, { wall: START + 8 * HOUR, running: 5 });
    expect(clock.wall + clock.ahead).toBe(START + 8 * HOUR);
  });
});

describe("a clock set back two days", () => {
  let store: Store;
  let machine: Clocks;
  const act = () => ({ ...actOn(store), now: recordNow(store, () => machine) });
  const runs = (ms: number, set = 0) => {
    machine = { wall: machine.wall + ms + set, running: machine.running + ms };
  };
  const cam = { cable: "distribution-900", procedure: "stub-cam-crimp-900", core: "9/125" };
  const add = (id: string, event: Record<string, unknown>) =>
    addEvents(
      act(),
      id,
      check(zAddInside, { client: "x", after: 9_999, events: [{ id: randomUUID(), event }] }),
    );
  beforeEach(() => {
    store = openStore(":memory:");
    machine = { wall: START, running: 0 };
  });

  it("leaves the newest sign-off first in the ledger", () => {
    const [first, second] = [0, 1].map(() => startEnd(act(), check(zStart, cam)).id);
    for (const id of [first, second]) {
      add(id ?? "", { kind: "sign", name: "Ada", outcome: "cut-off" });
      runs(HOUR, -2 * DAY);
    }
    expect(ledgerPage(store, check(zLedgerQuery, {})).rows.map(({ id }) => id)).toEqual([second, first]);
    expect(clockAhead(store, () => machine)).toBe((2 * 2 * DAY) / 1000);
  });
  it("leaves a blade's count from when it was last seen to", () => {
    const { id } = startEnd(act(), check(zStart, cam));
    const cleave = getEnd(store, id).sheet.lines.flatMap(({ step }) =>
      step.kind === "cleave" ? [step] : [],
    )[0];
    const { id: step = "", tool = "" } = cleave ?? {};
    const use = () => add(id, { kind: "use", tool, step, items: [{ item: "cleave", count: 1 }] });
    const since = () => blades(store).find((blade) => blade.tool === tool)?.standing;
    seeToBlade(act(), tool, check(zToolEvent, { action: "new" }));
    runs(HOUR);
    use();
    const counted = since();
    runs(HOUR, -2 * DAY);
    seeToBlade(act(), tool, check(zToolEvent, { action: "new" }));
    expect(since()).not.toEqual(counted);
    runs(HOUR);
    use();
    expect(since()).toEqual(counted);
  });
  it("lets a cure run its time, no more and no less", () => {
    const heat = { cable: "distribution-900", procedure: "adhesive-polish-900", core: "50/125" };
    const { id } = startEnd(act(), check(zStart, heat));
    const { lines } = getEnd(store, id).sheet;
    const cure = lines.findIndex(({ step }) => step.kind === "cure");
    add(id, { kind: "timer", step: lines[cure]?.step.id, action: "start", seconds: 600 });
    expect(runningTimers(store)).toHaveLength(1);
    const left = () => {
      const [timer] = runningTimers(store);
      return timer ? timer.seconds - (act().now.getTime() - Date.parse(timer.startedAt)) / 1000 : Number.NaN;
    };
    const whole = left();
    runs(60_000, -2 * DAY);
    expect(left()).toBe(whole - 60);
  });
  it("set back by more than a week is followed, and the event that says an earlier time is told as that", () => {
    const { id } = startEnd(
      act(),
      check(zStart, { cable: "distribution-900", procedure: "adhesive-polish-900", core: "50/125" }),
    );
    add(id, { kind: "label", job: "Moor", label: "pad 4" });
    runs(HOUR, -30 * DAY);
    add(id, { kind: "label", job: "Moor", label: "pad 5" });
    const notes = [...checkWholeRecord(store)].flatMap(({ findings }) => findings);
    expect(notes).toMatchObject([
      { end: id, seq: 2, note: true, what: expect.stringMatching(/clock of the machine was set back/) },
    ]);
  });
});
