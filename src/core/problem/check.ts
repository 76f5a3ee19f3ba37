import type { z } from "zod";
import { InputError, type Problem } from "./problem";

/** A short rendering of what was found, for error messages: at most 60 characters. */
export function shown(value: unknown): string {
  if (value === undefined) return "nothing";
  const text = JSON.stringify(value) ?? String(value);
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}

function at(value: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (inside, key) =>
      typeof inside === "object" && inside !== null && Object.hasOwn(inside, key)
        ? (inside as Record<PropertyKey, unknown>)[key]
        : undefined,
    value,
  );
}

/**
 * Parses a value with a Zod schema.
 * @returns the parsed value.
 * @throws InputError naming the first field that is wrong, what was found and what is allowed.
 */
export function check<S extends z.ZodType>(schema: S, value: unknown): z.output<S> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  throw new InputError(...problemParts(result.error, value));
}

function problemParts(error: z.ZodError, value: unknown): [string, string, (string | number)[]] {
  const issue = deepest(error.issues);
  const path = issue.path.map((key) => (typeof key === "symbol" ? String(key) : key));
  const where = path.length ? path.join(".") : "input";
  const code =
    issue.code === "custom" && typeof issue.params?.code === "string"
      ? issue.params.code
      : issue.code === "unrecognized_keys"
        ? "unknown-field"
        : "bad-input";
  return [code, `${where}: found ${shown(at(value, issue.path))}. ${sentence(issue.message)}`, path];
}

/** Of a failed union, the issue that got furthest into the value says most. */
function deepest(issues: readonly z.core.$ZodIssue[]): z.core.$ZodIssue {
  const first = issues[0] as z.core.$ZodIssue;
  if (first.code !== "invalid_union" || first.errors.length === 0) return first;
  const inner = first.errors
    .filter((branch) => branch.length > 0)
    .map((branch) => deepest(branch))
    .sort((a, b) => b.path.length - a.path.length)[0];
  return inner ? { ...inner, path: [...first.path, ...inner.path] } : first;
}

function sentence(text: string): string {
  return /[.!?]$/.test(text) ? text : `${text}.`;
}

/** The problem inside anything thrown, or null when it was not bad input. */
export function problemOf(error: unknown): Problem | null {
  return error instanceof InputError ? error.problem : null;
}
