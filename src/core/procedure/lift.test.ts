import { describe, expect, it } from "vitest";
import { liftedProcedure } from "./lift";

const answer = (word: string) => ({
  id: "bad",
  sees: "A chip",
  good: false,
  [word]: [{ rule: "again", goTo: "cleave" }],
});
const document = (word: string) => ({
  id: "stub",
  redo: "a field of no answer",
  steps: [{ id: "look", judgement: { answers: [{ id: "good", sees: "Clean" }, answer(word)] } }],
});

describe("a procedure written by version 1", () => {
  it("has what an answer says to try in today's word, where it stood, and all else untouched", () => {
    expect(JSON.stringify(liftedProcedure(document("redo")))).toBe(JSON.stringify(document("retries")));
  });
  it("comes back the same when it is written in today's words", () => {
    expect(liftedProcedure(document("retries"))).toEqual(document("retries"));
    for (const other of [null, "redo", 7, ["redo"]]) expect(liftedProcedure(other)).toEqual(other);
  });
});
