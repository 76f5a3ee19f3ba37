import { describe, expect, it } from "vitest";
import { readingsOf } from "../advice/fixtures/ends";
import { endState } from "../end/state";
import { type EventInput, zStoredEvent } from "../event/event";
import { WORLD } from "../fixtures/example-world";
import { type Recordable, recordOf } from "./record";

const { sheet, recordable, recorded } = WORLD;
const last = sheet.lines.length - 1;
const read: EventInput[] = [
  ...sheet.parts.map(({ id }): EventInput => ({ kind: "thread", part: id, on: true })),
  { kind: "step", to: last },
  ...readingsOf(sheet, {}),
];
const endWith = (...events: EventInput[]): Recordable => ({
  ...recordable,
  purpose: "work",
  events: events.map((event, i) => recorded(i + 1, zStoredEvent.parse(event))),
});

describe("the record of an end", () => {
  it("has every length of the sheet, read or not", () => {
    const names = sheet.checks.map(({ name }) => name);
    expect(recordOf(endWith()).lengths.map(({ name }) => name)).toEqual(names);
    const lengths = recordOf(endWith(...read)).lengths;
    expect(lengths.map(({ readings }) => readings.length)).toEqual(names.map(() => 1));
  });
  it("keeps a reading that was struck out, apart from those that count", () => {
    const end = endWith(...read);
    const reading = end.events.find(({ event }) => event.kind === "reading")?.id ?? "";
    const { struck, lengths } = recordOf(endWith(...read, { kind: "strike", reading }));
    expect(struck.map(({ why }) => why)).toEqual(["struck out"]);
    expect(lengths.reduce((sum, { readings }) => sum + readings.length, 0)).toBe(sheet.checks.length - 1);
  });
  it("says which parts are on, and how many shards came off and were binned", () => {
    const { parts, shards } = recordOf(endWith(...read, { kind: "shards", made: 2, binned: 1 }));
    expect(parts.every(({ on }) => on)).toBe(true);
    expect(shards).toEqual({ made: 2, binned: 1 });
  });
  it("tells nothing that its events do not: the same list gives the same record", () => {
    const end = endWith(...read);
    expect(recordOf(end)).toEqual(recordOf({ ...end, events: [...end.events] }));
    expect(endState(end.events).readings.length).toBe(sheet.checks.length);
  });
});
