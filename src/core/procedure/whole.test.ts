import { describe, expect, it } from "vitest";
import { type ProcedureDocument, zProcedure } from "./procedure";

const document = (): ProcedureDocument => ({
  id: "p",
  revision: 1,
  source: { kind: "own", note: "", date: "2026-11-25" },
  name: "P",
  family: "p",
  about: "",
  appliesTo: { constructions: ["simplex-cord"], cores: ["9/125"] },
  startsAt: "jacket",
  choices: [{ id: "light", name: "Light", options: [{ id: "with", name: "with" }], default: "with" }],
  parts: [
    {
      id: "boot",
      name: "boot",
      way: "",
      shape: "boot",
      ifForgotten: "",
      neededAt: "seat",
      trappedBy: "seat",
    },
  ],
  features: [
    { id: "end", name: "end", kind: "end" },
    { id: "edge", name: "edge", kind: "edge" },
  ],
  dimensions: [
    { id: "d", name: "d", from: "end", to: "edge", nominal: 10, plus: 1, minus: 1, after: "mark" },
  ],
  steps: [
    { id: "thread", kind: "thread", title: "thread", parts: ["boot"] },
    { id: "mark", kind: "mark", title: "mark", makes: "edge", by: "d", tool: "pen" },
    {
      id: "prime",
      kind: "inject",
      title: "prime",
      within: { seconds: 60, until: "seat", of: "primer" },
    },
    { id: "seat", kind: "insert", title: "seat" },
    {
      id: "look",
      kind: "verify",
      title: "look",
      judgement: {
        id: "look",
        asks: "?",
        answers: [
          { id: "good", sees: "good", good: true },
          { id: "bad", sees: "bad", good: false, retries: [{ rule: "again", goTo: "seat" }] },
        ],
      },
    },
  ],
  squareUp: 1,
  retries: [{ id: "again", name: "again", most: 1 }],
});

/** What is found wrong after a change: each code with the field it is about. */
function match(change: (item: ReturnType<typeof document>) => void): string[] {
  const first = document();
  change(first);
  const read = zProcedure.safeParse(first);
  return (read.error?.issues ?? []).map(
    (issue) => `${issue.code === "custom" ? issue.params?.code : issue.code} ${issue.path.join(".")}`,
  );
}
const at = <T>(list: readonly T[], i: number): Record<string, unknown> => list[i] as Record<string, unknown>;

describe("a procedure that names what it does not hold", () => {
  it("as made here it is whole", () => {
    expect(match(() => {})).toEqual([]);
  });
  it.each<[string, (item: ReturnType<typeof document>) => void]>([
    ["unknown-step parts.0.neededAt", (item) => Object.assign(at(item.parts, 0), { neededAt: "nowhere" })],
    ["unknown-step parts.0.trappedBy", (item) => Object.assign(at(item.parts, 0), { trappedBy: "nowhere" })],
    ["unknown-part steps.0.parts", (item) => Object.assign(at(item.steps, 0), { parts: ["hat"] })],
    [
      "unknown-feature dimensions.0.workFrom",
      (item) => Object.assign(at(item.dimensions, 0), { workFrom: "moon" }),
    ],
    [
      "unknown-step steps.2.within",
      (item) => Object.assign(at(item.steps, 2), { within: { seconds: 60, until: "mark", of: "primer" } }),
    ],
    [
      "unknown-option choices.0.default",
      (item) => Object.assign(at(item.choices ?? [], 0), { default: "without" }),
    ],
    [
      "duplicate retries.1.id",
      (item) => {
        const rules = item.retries as { id: string; name: string; most: number }[];
        rules.push({ id: "again", name: "once more", most: 1 });
      },
    ],
  ])("%s", (said, change) => {
    expect(match(change)).toContain(said);
  });
  it.each([
    ["unknown-retry", { rule: "pray", goTo: "seat" }],
    ["unknown-step", { rule: "again", goTo: "nowhere" }],
  ])("%s in an answer's retry", (code, offer) => {
    const said = match((item) => {
      const step = at(item.steps, 4) as { judgement: { answers: { retries: object[] }[] } };
      Object.assign(step.judgement.answers[1] ?? {}, { retries: [offer] });
    });
    expect(said).toContain(`${code} steps.4.judgement`);
  });
});

describe("a step's own figures", () => {
  it.each<[string, object]>([
    ["a bite of nothing", { bites: { most: 0 } }],
    ["a film without grain", { setting: { kind: "film", grain: 0 } }],
    ["a shape no die has", { setting: { kind: "die", across: 3, shape: "star" } }],
    ["a heater hotter than any", { setting: { kind: "program", name: "melt", celsius: 900 } }],
    ["less than no time", { seconds: { min: -1, max: 4 } }],
    ["half a shard", { shards: 0.5 }],
    ["something moved that is not there", { moves: ["nothing"] }],
    ["a consumable used no times", { uses: [{ item: "cap", count: 0 }] }],
  ])("%s is refused", (_, changes) => {
    expect(match((item) => Object.assign(at(item.steps, 3), changes))).not.toEqual([]);
  });
});
