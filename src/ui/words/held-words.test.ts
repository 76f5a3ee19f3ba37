import { describe, expect, it } from "vitest";
import type { Check, Clock } from "@/core";
import { heldWords, passedWords } from "./held-words";

const check = (name: string, leg = "") => ({ name, leg }) as Check;
const undone = (checks: Check[], asks: string | null, bad: string | null = null) => ({
  index: 3,
  title: "Measure",
  checks,
  asks,
  bad,
  cutShort: false,
});
const late: Clock = {
  from: 1,
  until: 4,
  of: "cleaved end",
  cleaved: true,
  startedAt: "",
  seconds: 240,
  doneAt: null,
};

describe("going on without what a step asks for", () => {
  it("names each length not read, by its leg, and what was not answered", () => {
    expect(heldWords(undone([check("cleave length", "A"), check("cleave length", "B")], null), null)).toBe(
      "Not read: cleave length, leg A, cleave length, leg B.",
    );
    expect(heldWords(undone([], "Is the light on?"), null)).toBe("Not answered: Is the light on?");
    expect(passedWords(undone([check("witness")], "Is it in?"))).toBe("witness not read; not answered");
  });
  it("says what was seen and is not good, and what still runs", () => {
    expect(heldWords(undone([], null, "It stayed bright"), null)).toBe("Not good: It stayed bright.");
    expect(passedWords(undone([], null, "It stayed bright"))).toBe("it stayed bright");
    expect(heldWords(null, null, "Cure, 0:34 left")).toBe("Still running: Cure, 0:34 left.");
  });
  it("says that time has run out, of a cleaved end and of anything else", () => {
    expect(heldWords(null, late)).toBe("The cleaved end has stood too long.");
    expect(heldWords(null, { ...late, cleaved: false, of: "open time of the adhesive" })).toBe(
      "The open time of the adhesive has run out.",
    );
  });
  it("says nothing where nothing is left", () => {
    expect(heldWords(null, null)).toBeNull();
  });
});
