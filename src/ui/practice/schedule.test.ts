import { describe, expect, it } from "vitest";
import { nextTask, type Practised, practisedFrom, sureOf, TASKS, withResult } from "./schedule";

const NOW = new Date("2026-11-30T08:00:00Z");
const later = (minutes: number) => new Date(NOW.getTime() + minutes * 60_000);

describe("the next drill", () => {
  it("is new until all were tried; what was missed comes again before what was known", () => {
    let practised: Practised = {};
    const first = nextTask(practised, NOW, null);
    expect(first).toBe(TASKS[0]);
    practised = withResult(practised, first, false, NOW);
    expect(nextTask(practised, later(30), null)).toBe(first);
    const second = nextTask(practised, later(30), first);
    expect(second).not.toBe(first);
    practised = withResult(practised, second, true, later(31));
    expect(practised[second]?.card.due.getTime()).toBeGreaterThan(practised[first]?.card.due.getTime() ?? 0);
  });
  it("of a task known again and again comes later and later, and is less sure the longer it is left", () => {
    let practised: Practised = {};
    const gaps: number[] = [];
    let at = NOW;
    for (let i = 0; i < 6; i++) {
      practised = withResult(practised, "colour/1", true, at);
      const due = practised["colour/1"]?.card.due ?? at;
      gaps.push(due.getTime() - at.getTime());
      at = due;
    }
    expect([...gaps].sort((a, b) => a - b)).toEqual(gaps);
    const soon = sureOf(practised, "colour/1", at) ?? 0;
    const late = sureOf(practised, "colour/1", new Date(at.getTime() + 90 * 86_400_000)) ?? 1;
    expect(late).toBeLessThan(soon);
    expect(sureOf(practised, "colour/2", at)).toBeNull();
  });
  it("follows from the results alone, in the order they came", () => {
    const results = [
      { at: NOW.toISOString(), task: "rule/mm", good: true },
      { at: later(1).toISOString(), task: "rule/in", good: false },
      { at: later(2).toISOString(), task: "rule/mm", good: true },
    ];
    const practised = practisedFrom(results);
    expect(practised["rule/mm"]?.results).toEqual([true, true]);
    const byHand = withResult(withResult({}, "rule/mm", true, NOW), "rule/mm", true, later(2));
    expect(practised["rule/mm"]).toEqual(byHand["rule/mm"]);
  });
  it("among some tasks is one of them, the same again where there is no other", () => {
    expect(nextTask({}, NOW, "rule/mm", ["fault/nicked", "fault/wedge-open"])).toBe("fault/nicked");
    expect(nextTask({}, NOW, "fault/nicked", ["fault/nicked", "fault/wedge-open"])).toBe("fault/wedge-open");
    expect(nextTask({}, NOW, "mark/eye", ["mark/eye"])).toBe("mark/eye");
  });
});
