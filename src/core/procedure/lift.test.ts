import { describe, expect, it } from "vitest";
import { liftedProcedure, renamedProcedure } from "./lift";

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

describe("a procedure of before looks and rules had a meaning of their own", () => {
  const old = {
    steps: [
      { id: "glow", judgement: { id: "glow", answers: [] } },
      { id: "own", judgement: { id: "my-own-look", answers: [] } },
      { id: "said", of: "loss", judgement: { id: "glow", answers: [] } },
      { id: "clean" },
    ],
    retries: [
      { id: "recleave", name: "again" },
      { id: "mine", name: "mine" },
      { id: "wipe", act: "repeat" },
    ],
  };
  it("takes over what every document meant by the same id, and leaves the rest for its owner to say", () => {
    const lifted = liftedProcedure(old) as typeof old;
    expect(lifted.steps.map((step) => ("of" in step ? step.of : null))).toEqual([
      "seat-light",
      null,
      "loss",
      null,
    ]);
    expect(lifted.retries.map((rule) => ("act" in rule ? rule.act : null))).toEqual([
      "cleave-again",
      null,
      "repeat",
    ]);
  });
  it("on record has its names brought up to date and nothing added", () => {
    expect(renamedProcedure(old)).toEqual(old);
  });
  it("is never told by a name that every object has", () => {
    const odd = { steps: [{ id: "a", judgement: { id: "constructor" } }], retries: [{ id: "toString" }] };
    expect(liftedProcedure(odd)).toEqual(odd);
  });
});
