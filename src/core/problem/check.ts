import "./issue-text";

import type { z } from "zod";
import { say } from "../words/core";
import { type ErrorCode, isErrorCode } from "./codes";
import { mustHoldAt } from "./held";
import { asError, type Complaint, complaint, InputError, type Problem } from "./problem";

/** A short rendering of what was found, for error messages: at most 60 characters. */
export function shown(value: unknown): string {
  if (value === undefined) return "nothing";
  const text = JSON.stringify(value) ?? String(value);
  if (text.length <= 60) return text;
  // The beginning of one says nothing to whoever wrote it field by field.
  if (Array.isArray(value)) return `a list of ${value.length}`;
  if (typeof value === "object") return "an object";
  return `${text.slice(0, 57)}…`;
}

function at(value: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (inside, key) =>
      typeof inside === "object" && inside !== null && Object.hasOwn(inside, key)
        ? Reflect.get(inside, key)
        : undefined,
    value,
  );
}

/**
 * Parses a value with a Zod schema, its texts made well-formed first: half of a surrogate pair is no letter, and would
 * not come back from anywhere as it went in.
 * @returns the parsed value.
 * @throws InputError naming the first field that is wrong, what was found and what is allowed; the others beside it.
 * @example attempt(() => check(zRule, { kind: "simple" })).value // { kind: "simple" }
 */
export function check<S extends z.ZodType>(schema: S, value: unknown): z.output<S> {
  const given = wellFormed(value);
  const result = schema.safeParse(given);
  if (result.success) return result.data;
  const [first, ...others] = complaintsOf(result.error, given);
  if (!first) throw new InputError("bad-input", say("this-input-cannot-be-read"));
  throw asError({ ...first, also: others.slice(0, MOST_TOLD) });
}

/**
 * A document as it is written, once its schema took it: nothing in it is changed.
 * @throws InputError as `check` does.
 * @example attempt(() => asWritten(zRule, { kind: "sharp" })).problem?.path // ["kind"]
 */
export function asWritten<S extends z.ZodType>(schema: S, document: unknown): z.input<S> {
  mustBeTaken(schema, document);
  return document;
}

function mustBeTaken<S extends z.ZodType>(schema: S, document: unknown): asserts document is z.input<S> {
  check(schema, document);
}

/** The most further problems listed for one input. */
const MOST_TOLD = 20;

/** A value whose every text is well-formed Unicode; the very same where it was already. */
export function wellFormed(value: unknown): unknown {
  return isWellFormed(value) ? value : mended(value);
}

/** Deeper than any document of ours by far, and shallower than the program's own stack. */
const DEEPEST = 100;

function mustBeShallow(depth: number): void {
  if (depth > DEEPEST)
    throw new InputError("too-deep", say("the-input-must-be-at-most-levels", { deepest: DEEPEST }));
}

function isWellFormed(value: unknown, depth = 0): boolean {
  mustBeShallow(depth);
  if (typeof value === "string") return value.isWellFormed();
  if (Array.isArray(value)) return value.every((element) => isWellFormed(element, depth + 1));
  if (!isPlainObject(value)) return true;
  for (const key in value) if (!key.isWellFormed() || !isWellFormed(value[key], depth + 1)) return false;
  return true;
}

function mended(value: unknown, depth = 0): unknown {
  mustBeShallow(depth);
  if (typeof value === "string") return value.toWellFormed();
  if (Array.isArray(value)) return value.map((element) => mended(element, depth + 1));
  if (!isPlainObject(value)) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, first]) => [key.toWellFormed(), mended(first, depth + 1)]),
  );
}

/** An object as JSON makes them: anything else is left as it is. */
const isPlainObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === "object" && value !== null && Object.getPrototypeOf(value) === Object.prototype;

/** What is wrong, one complaint a field, the first first. */
function complaintsOf(error: z.ZodError, value: unknown): Complaint[] {
  const complaints = new Map<string, Complaint>();
  for (const issue of [deepest(error.issues), ...error.issues.map((issue) => deepest([issue]))]) {
    const path = issue.path.map((key) => (typeof key === "symbol" ? String(key) : key));
    const said = say("found-in-field", {
      field: path.length ? path.join(".") : "input",
      found: shown(at(value, issue.path)),
      message: sentence(issue.message),
    });
    if (!complaints.has(said.text)) complaints.set(said.text, complaint(codeOf(issue), said, path));
  }
  return [...complaints.values()];
}

function codeOf(issue: z.core.$ZodIssue): ErrorCode {
  if (issue.code === "custom" && isErrorCode(issue.params?.code)) return issue.params.code;
  return issue.code === "unrecognized_keys" ? "unknown-field" : "bad-input";
}

/** Of a failed union, the issue that got furthest into the value says most. */
function deepest(issues: readonly z.core.$ZodIssue[]): z.core.$ZodIssue {
  const first = mustHoldAt(issues, 0);
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

/**
 * The problem inside anything thrown, or null when it was not bad input.
 * @example problemOf(new Error("other")) // null
 */
export function problemOf(error: unknown): Problem | null {
  return error instanceof InputError ? error.problem : null;
}
