import { describe, expect, it } from "vitest";
import { nextTask, type Practised, sureOf, TASKS, withResult, zPractised } from "./schedule";

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
  it("goes on after what was practised was stored and read again", () => {
    const practised = withResult({}, "rule/mm", true, NOW);
    expect(zPractised.parse(JSON.parse(JSON.stringify(practised)))).toEqual(practised);
  });
});
