import { describe, expect, it } from "vitest";
import { check } from "../problem/check";
import { zRemedies } from "./remedy";
import { answerAction, remedyText } from "./remedy-text";
import { zRetries } from "./retry";
import { type Step, zStep } from "./step";

const features = [
  { id: "jacket-edge", name: "jacket edge", ends: ["jacket" as const] },
  { id: "mark", name: "second mark", ends: [] },
];
const text = (remedies: unknown) => remedyText(check(zRemedies, remedies), features);

describe("a remedy as a sentence", () => {
  it("says why first, then the act with what it takes in hand", () => {
    expect(text([{ act: "push", feature: "jacket-edge", what: "cable" }])).toBe("Push the cable forward.");
    expect(text([{ act: "redraw", feature: "mark", why: "It ran." }])).toBe(
      "It ran. Draw the second mark again.",
    );
    expect(text([{ act: "trim", feature: "jacket-edge" }, { act: "restart" }])).toBe(
      "Trim the jacket. Start again from the cable.",
    );
  });
  it("of an older document is the sentence that stands there, and an empty one is none", () => {
    expect(text("Cut it off.")).toBe("Cut it off.");
    expect(text("")).toBe("");
  });
});

describe("what a bad look says to do", () => {
  const steps: Step[] = [check(zStep, { id: "insert", kind: "insert", title: "Insert with a bow" })];
  const rules = check(zRetries, [
    { id: "reseat", name: "seat again", most: 1, act: "reseat" },
    { id: "recleave", name: "cleave again", most: 2, act: "cleave-again" },
    { id: "words", name: "try it", most: 2 },
  ]);
  const answer = (retries: { rule: string; goTo: string; via?: { act: "open"; what: string }[] }[]) => ({
    id: "bright",
    sees: "Bright",
    good: false,
    means: "",
    action: "Seat it once more.",
    retries,
    shards: 0,
  });
  const said = (ids: readonly string[], allowed: typeof rules = rules) =>
    answerAction(answer(ids.map((rule) => ({ rule, goTo: "insert" }))), allowed, steps);

  it("tells what may be tried, in its order, with what must be done first", () => {
    expect(said(["reseat", "recleave"])).toBe(
      "Back off a little and seat it once more. If that does not help: strip further back and cleave fresh glass.",
    );
    const opened = answer([{ rule: "recleave", goTo: "insert", via: [{ act: "open", what: "cam" }] }]);
    expect(answerAction({ ...opened, shards: 1 }, rules, steps)).toBe(
      "Count the shard. Open the cam. Strip further back and cleave fresh glass.",
    );
  });
  it("never says what the chosen school rules out, though the document's own words do", () => {
    const never = rules.filter(({ id }) => id !== "reseat");
    expect(said(["reseat", "recleave"], never)).toBe("Strip further back and cleave fresh glass.");
  });
  it("keeps its own words where a rule says no act, or nothing may be tried", () => {
    expect(said(["words"])).toBe("Seat it once more.");
    expect(said([])).toBe("Seat it once more.");
  });
});
