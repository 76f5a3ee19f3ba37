import type { z } from "zod";
import { judge, zConformanceInput } from "../conformance/conformance";
import { zDimensionsInput } from "../dimensions/dimension";
import { closeLimits } from "../dimensions/dimensions";
import { toMm } from "../length/length";
import { check } from "../problem/check";
import { InputError } from "../problem/problem";
import { zReworkInput } from "../rework/problem";
import { rework } from "../rework/rework";
import { stackErrors, zStackInput } from "../stack/stack";

/** Fields of an answer that are lengths, micrometres inside and millimetres outside. */
const LENGTH_FIELDS = new Set(["min", "max", "shortBy", "nominal", "worst", "rss", "mean", "u", "cableLost"]);

/** Fields of an answer that hold a place for each feature. */
const PLACES = new Set(["positions", "least"]);

function outside(value: unknown, key = ""): unknown {
  if (typeof value === "number") return LENGTH_FIELDS.has(key) ? toMm(value) : value;
  if (Array.isArray(value)) return value.map((one) => outside(one));
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([name, one]) => [name, outside(one, PLACES.has(key) ? "nominal" : name)]),
  );
}

const operation = <S extends z.ZodType>(schema: S, run: (input: z.output<S>) => unknown) => ({
  schema,
  run: (input: unknown): unknown => outside(run(check(schema, input))),
});

/** Every computation that can be asked for from outside, by name. Lengths are millimetres in and out. */
export const operations = {
  dimensions: operation(zDimensionsInput, closeLimits),
  stack: operation(zStackInput, stackErrors),
  conformance: operation(zConformanceInput, judge),
  rework: operation(zReworkInput, rework),
} as const;

export type OperationName = keyof typeof operations;

/**
 * Runs one operation on plain JSON.
 * @returns plain JSON, lengths in millimetres.
 * @throws InputError for an unknown operation or bad input.
 */
export function compute(name: string, input: unknown): unknown {
  if (!Object.hasOwn(operations, name))
    throw new InputError(
      "unknown-operation",
      `No operation “${name.slice(0, 60)}”. There are: ${Object.keys(operations).join(", ")}.`,
    );
  return operations[name as OperationName].run(input);
}
