import { randomUUID } from "node:crypto";
import { describe, expect, it } from "vitest";
import { check, zNewPerson } from "@/core";
import { openStore } from "@/store/opening/open";
import { actOn } from "../act";
import { addPerson } from "../crew/people";
import { codeOf } from "../fixtures/code-of";
import { checkWholeRecord } from "../keeping/record-check";
import { addDrillResult, drillResultsOf, forgetDrills, traineesOf } from "./drills";

const NOW = new Date("2026-11-25T12:00:00.000Z");

function withPerson(name: string) {
  const store = openStore(":memory:");
  const person = addPerson(actOn(store), check(zNewPerson, { name })).find((each) => each.name === name);
  return { store, person: person?.id ?? "", act: { ...actOn(store, NOW), actor: person?.id ?? null } };
}

const result = (at: string, id = randomUUID()) => ({ id, at, task: "rule/mm", good: true, seconds: 7 });

describe("results of drills", () => {
  it("stand under whoever is working, at the time they were made, once however often they are sent", () => {
    const { store, person, act } = withPerson("Runa Fell");
    const early = result("2026-11-25T08:00:00.000Z");
    addDrillResult(act, early);
    addDrillResult(act, early);
    addDrillResult(act, result("2027-01-01T00:00:00.000Z"));
    expect(drillResultsOf(store, person).map(({ at }) => at)).toEqual([early.at, NOW.toISOString()]);
    expect(traineesOf(store)).toMatchObject([{ name: "Runa Fell", results: [{ seconds: 7 }, {}] }]);
  });
  it("are no part of the record: taken away, nothing is found altered", () => {
    const { store, person, act } = withPerson("Runa Fell");
    addDrillResult(act, result("2026-11-25T08:00:00.000Z"));
    expect(forgetDrills(act)).toEqual({ removed: 1 });
    expect(drillResultsOf(store, person)).toEqual([]);
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
  });
  it("of nobody are refused", () => {
    const { act } = withPerson("Runa Fell");
    expect(codeOf(() => addDrillResult({ ...act, actor: null }, result("2026-11-25T08:00:00.000Z")))).toBe(
      "unknown-person",
    );
  });
});
