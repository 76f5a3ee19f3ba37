import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { InputError } from "../problem/problem";
import { compute, type OperationName, operations } from "./operations";

interface Case {
  input: unknown;
  /** An answer, or `{ error }` where the input is refused. */
  expected: unknown;
}

/** How far an answer may stray where its numbers are no lengths: dB, money, marks, values of a chart. */
const NEAR: Partial<Record<OperationName, number>> = {
  light: 1e-4,
  taps: 1e-4,
  loss: 1e-4,
  drift: 1e-4,
  cost: 1e-3,
  marks: 1e-3 + 1e-9,
};

const cases = (name: OperationName): Case[] =>
  JSON.parse(readFileSync(new URL(`./vectors/${name}.json`, import.meta.url), "utf8"));

/** Where an answer strays from the expected one; more fields than expected are fine. */
function strays(match: unknown, expected: unknown, least = 1e-6, at = "answer"): string[] {
  if (typeof expected === "number") {
    const near =
      typeof match === "number" &&
      Math.abs(match - expected) <=
        Math.max(
          least,
          1e-5 * Math.abs(expected),
          /nominal|min|max|worst|rss|positions|mean|u$|route|stored|ends|exact|cut|length|slack|parabola|parameter|sheath|fibre|opening|tubeLength|loopRadius|usable|shorter|longer|perimeter|trim|opened|remainder/.test(
            at,
          )
            ? 0.001
            : 0,
        );
    return near ? [] : [`${at}: ${match} is not ${expected}`];
  }
  if (typeof expected !== "object" || expected === null)
    return Object.is(match, expected) ? [] : [`${at}: ${match} is not ${expected}`];
  if (Array.isArray(expected) && (!Array.isArray(match) || match.length !== expected.length))
    return [`${at}: another number of items`];
  return Object.entries(expected).flatMap(([key, value]) =>
    strays((match as Record<string, unknown> | undefined)?.[key], value, least, `${at}.${key}`),
  );
}

describe.each(Object.keys(operations) as OperationName[])("%s agrees with its example cases", (name) => {
  it.each(cases(name).map((item, i) => [i, item] as const))("case %i", async (_, { input, expected }) => {
    if (typeof expected === "object" && expected !== null && "error" in expected)
      expect((await problem(name, input)).code).toEqual(expect.any(String));
    else expect(strays(await compute(name, input), expected, NEAR[name])).toEqual([]);
  });
});

async function problem(name: string, input: unknown) {
  try {
    await compute(name, input);
  } catch (error) {
    if (error instanceof InputError) return error.problem;
    throw error;
  }
  throw new Error("it was taken");
}

describe("bad input is refused, naming the field, what was found and what is allowed", () => {
  const stack = (features: unknown[], between: unknown[] = []) => ({ features, between });
  const dims = (dimension: object) => ({
    features: ["a", "b"],
    dimensions: [{ id: "d", from: "a", to: "b", nominal: 1, plus: 1, minus: 1, ...dimension }],
  });
  const conformance = (changes: object) => ({
    limits: { min: 1, max: 2 },
    readings: [1],
    instrument: { resolution: 0.1, repeatability: 0.1 },
    rule: { kind: "simple" },
    ...changes,
  });
  it.each([
    ["dimensions", null, "bad-input", []],
    ["dimensions", dims({ nominal: 1.0005 }), "too-fine", ["dimensions", 0, "nominal"]],
    ["dimensions", dims({ nominal: "1" }), "bad-input", ["dimensions", 0, "nominal"]],
    ["dimensions", dims({ plus: -1 }), "negative", ["dimensions", 0, "plus"]],
    ["dimensions", dims({ to: "c" }), "unknown-feature", ["dimensions", 0, "to"]],
    ["dimensions", dims({ to: "a" }), "same-feature", ["dimensions", 0, "to"]],
    ["dimensions", dims({ nominal: 1e10 }), "length-range", ["dimensions", 0, "nominal"]],
    ["dimensions", { features: ["a", "a"], dimensions: [] }, "duplicate", ["features", 1]],
    ["dimensions", { ...dims({}), more: 1 }, "unknown-field", []],
    [
      "stack",
      stack([
        { name: "a", from: "b", nominal: 1, error: 1 },
        { name: "b", from: "a", nominal: 1, error: 1 },
      ]),
      "loop",
      ["features", 0, "from"],
    ],
    ["stack", stack([{ name: "a" }, { name: "b" }]), "two-roots", ["features", 1]],
    [
      "stack",
      stack([{ name: "a" }, { name: "b", from: "a", nominal: 1 }]),
      "no-error",
      ["features", 1, "error"],
    ],
    ["stack", stack([{ name: "a" }], [{ from: "a", to: "z" }]), "unknown-feature", ["between", 0, "to"]],
    ["conformance", conformance({ readings: [] }), "bad-input", ["readings"]],
    ["conformance", conformance({ limits: { min: 3, max: 2 } }), "crossed-limits", ["limits"]],
    ["conformance", conformance({ rule: { kind: "guarded", risk: 0.7 } }), "bad-input", ["rule", "risk"]],
    ["conformance", conformance({ rule: { kind: "lenient" } }), "bad-input", ["rule", "kind"]],
    ["levitate", {}, "unknown-operation", []],
    ["__proto__", {}, "unknown-operation", []],
  ] as const)("%s %j → %s", async (name, input, code, path) => {
    const match = await problem(name, input);
    expect(match.code).toBe(code);
    expect(match.path).toEqual(path);
  });
  it("says what it found", async () => {
    expect((await problem("dimensions", dims({ nominal: "forty" }))).message).toBe(
      'dimensions.0.nominal: found "forty". A length must be a number of millimetres.',
    );
  });
  it("tells all that is wrong with it, the first first", async () => {
    const match = await problem("dimensions", dims({ nominal: "forty", plus: -1 }));
    expect(match.path).toEqual(["dimensions", 0, "nominal"]);
    expect(match.also).toMatchObject([{ code: "negative", path: ["dimensions", 0, "plus"] }]);
  });
});

describe("units of an answer", () => {
  it("follow from what each field is, never from its name: a count of readings stays a count", async () => {
    const answer = await compute("conformance", {
      limits: { min: 9.05, max: 9.95 },
      readings: [9.94],
      instrument: { resolution: 0.01, repeatability: 0.02 },
      rule: { kind: "guarded", risk: 0.05 },
    });
    expect(answer).toMatchObject({ mean: 9.94, more: expect.any(Number) });
    expect(Number.isInteger((answer as { more: number }).more)).toBe(true);
  });
});
