import { describe, expect, it } from "vitest";
import type { EventInput } from "../event/event";
import { zStoredEvent } from "../event/event";
import { WORLD } from "../fixtures/example-world";
import { attempt } from "../problem/attempt";
import { SIMULATED } from "../simulated/hidden-end";
import { mustAccept, mustHaveSeen } from "./accept";

const { sheet, fresh, bare, rule, judgement } = WORLD;
const [check] = sheet.checks;
if (!check) throw new Error("the sheet reads nothing");
const reading = { kind: "reading", check: check.id, value: 48_500, typed: "48.5", unit: "mm" } as const;
const calliper = { id: "digital-calliper", name: "Calliper", resolution: 10, repeatability: 20 };

/** The code an event is refused by at an end, or null where it is taken. */
const codeOf = (event: EventInput, state = fresh, purpose: "work" | "practice" = "work") =>
  attempt(() => mustAccept(sheet, state, zStoredEvent.parse(event), rule, purpose)).problem?.code ?? null;

describe("an event that cannot be of this end", () => {
  it.each([
    [{ kind: "thread", part: "moon", on: true }, "unknown-part"],
    [{ kind: "step", to: 999 }, "unknown-step"],
    [{ kind: "strike", reading: "0d6c1a52-7f0a-4f63-8a1e-1f9d5b1c0e01" }, "unknown-reading"],
    [{ kind: "answer", judgement: judgement.id, answer: "moon" }, "unknown-answer"],
    [{ ...reading, check: "moon", instrument: calliper }, "unknown-check"],
    [{ kind: "use", step: "moon", tool: null, items: [] }, "unknown-step"],
    [{ kind: "trimmed", leg: "" }, "wrong-rework"],
    [{ kind: "park", on: false, why: "" }, "bad-input"],
    [{ kind: "fault", leg: "moon", feature: "glass-end", what: "nick", at: null, on: true }, "unknown-leg"],
  ] as const)("%j is refused as %s", (event, code) => {
    expect(codeOf(event as EventInput)).toBe(code);
  });
});

describe("the gate", () => {
  it("lets nobody past a part that is not on, and always back", () => {
    expect(codeOf({ kind: "step", to: sheet.lines.length - 1 })).toBe("gate");
    expect(codeOf({ kind: "step", to: 0 }, bare)).toBeNull();
  });
  it("signs no end as kept without its parts, and any as cut off", () => {
    expect(codeOf({ kind: "sign", name: "Osla Brandt", outcome: "kept" }, bare)).toBe("gate");
    expect(codeOf({ kind: "sign", name: "Osla Brandt", outcome: "cut-off" }, bare)).toBeNull();
  });
});

describe("a reading", () => {
  it("of a real end is never simulated; a practice end takes it", () => {
    const event = { ...reading, instrument: { ...calliper, id: SIMULATED.id } };
    expect([codeOf(event), codeOf(event, fresh, "practice")]).toEqual(["simulated", null]);
  });
});

describe("after the sign-off", () => {
  const signed = {
    ...fresh,
    signed: { name: "Osla Brandt", at: "2026-11-25T08:00:00.000Z" },
  } as typeof fresh;
  it("a correction is taken, and nothing of the work", () => {
    const correction = {
      kind: "correction",
      corrects: "0d6c1a52-7f0a-4f63-8a1e-1f9d5b1c0e01",
      says: "SC",
      why: "typed wrong",
      name: "Osla Brandt",
    } as const;
    expect([codeOf(correction, signed), codeOf({ kind: "step", to: 0 }, signed)]).toEqual([null, "signed"]);
  });
});

it("what would undo somebody's work must have been seen; a reading never undoes any", () => {
  expect(mustHaveSeen(zStoredEvent.parse({ kind: "step", to: 1 }))).toBe(true);
  expect(mustHaveSeen(zStoredEvent.parse({ ...reading, instrument: calliper }))).toBe(false);
});
