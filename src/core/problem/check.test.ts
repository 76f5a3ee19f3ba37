import { describe, expect, it } from "vitest";
import { z } from "zod";
import { check, problemOf, shown, wellFormed } from "./check";
import { isErrorCode, STATUS_OF } from "./codes";
import { InputError, refuse, required } from "./problem";

const schema = z.strictObject({
  name: z.string("A name is text"),
  bites: z.union([
    z.strictObject({ most: z.number("The longest bite is a number") }),
    z.strictObject({ sections: z.strictObject({ min: z.number("The fewest sections is a number") }) }),
  ]),
});
const problem = (input: unknown) => {
  try {
    check(schema, input);
  } catch (error) {
    return problemOf(error);
  }
  throw new Error("it was taken");
};

describe("checking input", () => {
  it("gives back what is right", () => {
    const input = { name: "strip", bites: { most: 6 } };
    expect(check(schema, input)).toEqual(input);
  });
  it("names the field, what was found and what is allowed", () => {
    expect(problem({ name: 7, bites: { most: 6 } })).toMatchObject({
      code: "bad-input",
      key: "core/found-in-field",
      params: { field: "name", found: "7" },
      message: "name: found 7. A name is text.",
      path: ["name"],
    });
    expect(problem({ bites: { most: 6 } })?.message).toBe("name: found nothing. A name is text.");
  });
  it("of several ways to read a field, complains about the one that got furthest", () => {
    expect(problem({ name: "strip", bites: { sections: { min: "two" } } })).toMatchObject({
      path: ["bites", "sections", "min"],
      message: /The fewest sections is a number/,
    });
  });
  it("refuses a field it does not know rather than leave it out", () => {
    expect(problem({ name: "strip", bites: { most: 6 }, colour: 1 })?.code).toBe("unknown-field");
  });
  it("says what is allowed where the schema has no words of its own", () => {
    const plain = z.strictObject({
      list: z.array(z.number()).min(2),
      form: z.enum(["a", "b"]),
      n: z.int().lt(5),
    });
    const said = (input: unknown) => {
      try {
        check(plain, input);
      } catch (error) {
        return [problemOf(error)?.message, ...(problemOf(error)?.also ?? []).map(({ message }) => message)];
      }
      return [];
    };
    expect(said({ list: [1], form: "c", n: 5, extra: 1 })).toEqual([
      "list: found [1]. It must have at least 2 entries.",
      'form: found "c". It must be one of a, b.',
      "n: found 5. It must be less than 5.",
      expect.stringMatching(/^input: found .*Leave out extra: this field is not known here\.$/),
    ]);
    expect(said({ list: 4, form: "a", n: 1 })).toEqual(["list: found 4. It must be a list."]);
  });
  it("does not reach into what a value inherits", () => {
    expect(problem(JSON.parse('{"__proto__": {"name": "x"}}'))?.message).toContain("found nothing");
  });
  it("cuts what it found short", () => {
    expect(shown("x".repeat(500)).length).toBeLessThanOrEqual(60);
    expect(shown(["a"])).toBe('["a"]');
    expect(shown(Array.from({ length: 30 }, () => "layer"))).toBe("a list of 30");
    expect(shown({ name: "x".repeat(500) })).toBe("an object");
  });
});

describe("input nested without end", () => {
  const nested = (inner: unknown) => {
    let value = inner;
    for (let i = 0; i < 20_000; i++) value = [value];
    return value;
  };
  it("is refused in a line, half letters in it or not", () => {
    for (const value of [nested(1), ["\ud83e", nested(1)], { "a\ud83e": nested("\udc00") }])
      expect(problem(value)?.code).toBe("too-deep");
  });
});

describe("an outcome", () => {
  it("that was refused is thrown with its code and path when it is required", () => {
    expect(() => required(refuse("empty", "Type a length.", ["reading"]))).toThrow(InputError);
    expect(problemOf(new Error("other"))).toBeNull();
  });
});

describe("text", () => {
  it("that is half a letter is made well-formed before anything is kept, keys too; the rest is left as it was", () => {
    const whole = { name: "Zoë 🧵", bites: { most: 6 } };
    expect(wellFormed(whole)).toBe(whole);
    expect(wellFormed({ "a\ud83e": ["x\udc00", 1] })).toEqual({ "a\ufffd": ["x\ufffd", 1] });
    expect(check(schema, { name: "fibre \ud800", bites: { most: 6 } }).name).toBe("fibre \ufffd");
  });
});

describe("a refusal", () => {
  it("keeps what it came from", () => {
    const cause = new Error("disk");
    expect(new InputError("not-json", "The input is not JSON.", [], { cause }).cause).toBe(cause);
  });
  it("has one of the listed codes and its status", () => {
    expect(isErrorCode("moved-on") && STATUS_OF["moved-on"]).toBe(409);
    expect(isErrorCode("toString")).toBe(false);
  });
});
