import { describe, expect, it } from "vitest";
import { mustAccept } from "../accept/accept";
import { adviceFor, andThen, endAt, GUARDED, readingsOf, stateAfter } from "../advice/fixtures/ends";
import { stub as sheet } from "../advice/fixtures/stub";
import { reworkEvent } from "../advice/take";
import { type EventInput, zStoredEvent } from "../event/event";
import type { Recorded } from "../event/recorded";
import { usedOn } from "../tally/used";
import { signOff, standingEvents, takeBackEvent } from "./acts";
import type { EndState } from "./end-state";
import { skippedSteps } from "./undone";

const bare = ({ acts: _, lastSeq: __, ...state }: EndState) => state;
const undo = (state: EndState): EndState => {
  const event = takeBackEvent(state);
  if (!event) throw new Error("there is nothing to take back");
  mustAccept(sheet, state, event, GUARDED);
  return andThen(state, event);
};
const start = stateAfter({ kind: "step", to: 4 });
const [reading] = readingsOf(sheet, {}, { upTo: 6 });

describe("the last act", () => {
  it.each<[string, readonly EventInput[]]>([
    ["an answer", [{ kind: "answer", judgement: "sound", answer: "broke" }]],
    ["a reading", [reading as EventInput]],
    ["a part", [{ kind: "thread", part: "boot", on: true }]],
    ["a fault", [{ kind: "fault", leg: "", feature: "end", what: "nick", at: null, on: true }]],
    ["parking", [{ kind: "park", on: true, why: "lunch" }]],
    ["shards in the bin", [{ kind: "shards", made: 0, binned: 1 }]],
    ["a discard", [{ kind: "sign", name: "Osla Brandt", outcome: "discarded" }]],
    [
      "an answer with its shard",
      [
        { kind: "answer", judgement: "sound", answer: "broke" },
        { kind: "shards", made: 1, binned: 0 },
      ],
    ],
    [
      "a step with all it used",
      [
        { kind: "use", step: "bend", tool: null, items: [{ item: "wipe", count: 2 }] },
        { kind: "counted", step: "bend", of: "wipes", count: 2 },
        { kind: "shards", step: "bend", made: 1, binned: 0 },
        { kind: "step", to: 5 },
      ],
    ],
  ])("%s is taken back whole by one event, and nothing else with it", (_what, events) => {
    expect(bare(undo(andThen(start, ...events)))).toEqual(bare(start));
  });
  it("after another is taken back in turn, back to where it all began", () => {
    let state = andThen(start, { kind: "answer", judgement: "sound", answer: "held" });
    state = andThen(state, { kind: "step", to: 5 });
    state = andThen(state, { kind: "step", to: 6 });
    state = andThen(state, reading as EventInput);
    for (let i = 0; i < 4; i++) state = undo(state);
    expect(bare(state)).toEqual(bare(start));
  });
  it("is a rework taken, and the trimming after it by itself", () => {
    const broke = andThen(start, { kind: "answer", judgement: "sound", answer: "broke" });
    const [advice] = adviceFor(sheet, broke, { judgement: "sound", answer: "broke" });
    if (advice?.kind !== "rework") throw new Error("it can be saved");
    const taken = andThen(broke, reworkEvent(advice, "recommended"));
    const trimmed = andThen(taken, { kind: "trimmed", leg: "" });
    expect(trimmed.inHand?.trimmed).toBe(true);
    expect(bare(undo(trimmed))).toEqual(bare(taken));
    expect(bare(undo(undo(trimmed)))).toEqual(bare(broke));
  });
  it("keeps what was said beside it: a name and a photograph outlast what they came after", () => {
    const named = andThen(andThen(start, reading as EventInput), {
      kind: "label",
      job: "Moor",
      label: "pad 3",
    });
    expect(undo(named)).toMatchObject({ label: "pad 3", readings: [] });
  });
  it("is the only one that can be named, and only whole", () => {
    const first = andThen(start, reading as EventInput);
    const named = takeBackEvent(first);
    const later = andThen(start, reading as EventInput, { kind: "step", to: 5 });
    const mustNot = (state: EndState, event: unknown) =>
      expect(() => mustAccept(sheet, state, zStoredEvent.parse(event), GUARDED)).toThrow(
        /Other work was done since/,
      );
    mustNot(later, named);
    mustNot(stateAfter(), named);
    const broke = andThen(
      start,
      { kind: "answer", judgement: "sound", answer: "broke" },
      { kind: "shards", made: 1, binned: 0 },
    );
    mustNot(broke, { kind: "take-back", event: takeBackEvent(broke)?.event });
  });
  it("of a signed end is on record for good, unless it was discarded", () => {
    const signed = andThen(start, { kind: "sign", name: "Osla Brandt", outcome: "cut-off" });
    expect(takeBackEvent(signed)).toBeNull();
  });
});

describe("what was taken back", () => {
  const recorded = (n: number, event: EventInput): Recorded => ({
    id: `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`,
    seq: n,
    at: "2026-11-25T08:00:00.000Z",
    client: "test",
    event: zStoredEvent.parse(event),
  });
  const use = recorded(1, { kind: "use", step: "bend", tool: null, items: [{ item: "wipe", count: 2 }] });
  const sign = recorded(2, { kind: "sign", name: "Osla Brandt", outcome: "discarded" });
  const back = recorded(3, { kind: "take-back", event: sign.id, with: [use.id] });
  it("stays in the history and counts nowhere", () => {
    expect(standingEvents([use, sign, back])).toEqual([back]);
    expect(usedOn([use, sign, back])).toEqual([]);
    expect(signOff([use, sign])).toBe(sign);
    expect(signOff([use, sign, back])).toBeUndefined();
  });
});

describe("while something is made again", () => {
  it("what it has not come to is not skipped, and what was passed before still is", () => {
    const read = endAt(sheet, "measure", { glass: 1300 });
    const [advice] = adviceFor(sheet, read);
    if (advice?.kind !== "rework") throw new Error("it can be saved");
    const taken = andThen(read, reworkEvent(advice, "recommended"));
    expect(skippedSteps(sheet, taken)).toEqual([]);
    const past = andThen(taken, { kind: "step", to: 5 });
    expect(skippedSteps(sheet, past).map(({ title }) => title)).toEqual(["Bend"]);
  });
});
