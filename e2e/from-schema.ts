import fc from "fast-check";
import { z } from "zod";

type Json = Readonly<Record<string, unknown>>;

const isJson = (value: unknown): value is Json =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** What no schema asks for, and what has broken programs before. */
const HOSTILE = fc.constantFrom<unknown>(
  null,
  "",
  "\ud800",
  "\0",
  "constructor",
  "__proto__",
  "toString",
  "../../etc",
  "'; DROP TABLE events; --",
  "=1+1",
  "<script>alert(1)</script>",
  "x".repeat(3_000),
  -1,
  0,
  -0,
  0.1 + 0.2,
  1e21,
  Number.MAX_SAFE_INTEGER + 2,
  Number.MIN_VALUE,
  true,
  [],
  {},
  [[[[]]]],
  { constructor: 1 },
  "2026-02-30",
  "9".repeat(40),
);

/** One value in so many is one that was not asked for. */
const STRAYS = 40;

const MOST_ITEMS = 4;

/** How deep a schema that holds itself is followed. */
const DEEPEST = 7;

const numbers = (schema: Json, whole: boolean): fc.Arbitrary<unknown> => {
  const bound = (...keys: string[]) =>
    keys.map((key) => schema[key]).find((value) => typeof value === "number");
  const min = Math.max(Number(bound("minimum", "exclusiveMinimum") ?? -50), -1e6);
  const max = Math.max(Math.min(Number(bound("maximum", "exclusiveMaximum") ?? min + 200), 1e6), min);
  const integers = fc.integer({ min: Math.ceil(min), max: Math.max(Math.ceil(min), Math.floor(max)) });
  return whole
    ? integers
    : fc.oneof(
        integers,
        integers.map((n) => n + 0.125),
      );
};

/** Words of the trade and of the shipped library: what an id in a body may well be. */
const WORDS = fc.constantFrom(
  "simplex-3.0",
  "stub-wedge-release-cord",
  "9/125",
  "boot-3",
  "cleave",
  "witness",
  "measure",
  "end",
  "cleaver",
  "9.5",
);

const strings = (schema: Json): fc.Arbitrary<unknown> => {
  if (schema.format === "uuid") return fc.uuid();
  if (schema.format === "date") return fc.constantFrom("2026-11-25", "2026-11-26");
  if (schema.format === "date-time") return fc.constantFrom("2026-11-26T08:00:00.000Z");
  if (typeof schema.pattern === "string") {
    const pattern = new RegExp(schema.pattern);
    return fc.stringMatching(pattern).map((text) => text.slice(0, 200));
  }
  const minLength = Number(schema.minLength ?? 0);
  const any = fc.string({ minLength, maxLength: Math.min(Number(schema.maxLength ?? 24), minLength + 24) });
  return fc.oneof({ arbitrary: WORDS, weight: 3 }, { arbitrary: any, weight: 2 });
};

function objects(schema: Json, root: Json, depth: number): fc.Arbitrary<unknown> {
  const properties = isJson(schema.properties) ? schema.properties : {};
  const required = Array.isArray(schema.required) ? schema.required : [];
  const fields = fc.record(
    Object.fromEntries(
      Object.entries(properties).map(([key, value]) => [key, arbitrary(value, root, depth + 1)]),
    ),
    { requiredKeys: Object.keys(properties).filter((key) => required.includes(key)) },
  );
  if (!isJson(schema.additionalProperties) || Object.keys(properties).length > 0) return fields;
  const key = isJson(schema.propertyNames) ? strings(schema.propertyNames) : fc.string({ maxLength: 12 });
  return fc.dictionary(key.map(String), arbitrary(schema.additionalProperties, root, depth + 1), {
    maxKeys: MOST_ITEMS,
  });
}

function byType(schema: Json, root: Json, depth: number): fc.Arbitrary<unknown> {
  switch (schema.type) {
    case "object":
      return objects(schema, root, depth);
    case "array":
      return fc.array(arbitrary(schema.items ?? {}, root, depth + 1), {
        minLength: Number(schema.minItems ?? 0),
        maxLength: Math.max(Number(schema.minItems ?? 0), MOST_ITEMS),
      });
    case "string":
      return strings(schema);
    case "integer":
      return numbers(schema, true);
    case "number":
      return numbers(schema, false);
    case "boolean":
      return fc.boolean();
    case "null":
      return fc.constant(null);
    default:
      return HOSTILE;
  }
}

function arbitrary(value: unknown, root: Json, depth: number): fc.Arbitrary<unknown> {
  if (!isJson(value) || depth > DEEPEST) return fc.constant(null);
  const stray = <T>(arbitrary: fc.Arbitrary<T>) =>
    fc.oneof({ arbitrary, weight: STRAYS - 1 }, { arbitrary: HOSTILE, weight: 1 });
  if (typeof value.$ref === "string") {
    const target = value.$ref
      .split("/")
      .slice(1)
      .reduce<unknown>((at, key) => (isJson(at) ? at[key] : undefined), root);
    return arbitrary(target, root, depth + 1);
  }
  if ("const" in value) return stray(fc.constant(value.const));
  if (Array.isArray(value.enum)) return stray(fc.constantFrom(...value.enum));
  const ways = value.anyOf ?? value.oneOf;
  if (Array.isArray(ways)) return fc.oneof(...ways.map((way) => arbitrary(way, root, depth + 1)));
  return stray(byType(value, root, depth));
}

/**
 * Values as a schema asks for them, with now and then something in them that it does not.
 * @param schema the outer side of it is taken: what travels.
 */
export const fromSchema = (schema: z.ZodType): fc.Arbitrary<unknown> => {
  const json: unknown = z.toJSONSchema(schema, { io: "input", unrepresentable: "any" });
  return isJson(json) ? arbitrary(json, json, 0) : HOSTILE;
};
