import type { Saying, Values } from "../words/wording";
import type { ErrorCode } from "./codes";

/** One thing that is wrong: a stable code, a sentence for the person, and the field it is about. */
export interface Complaint {
  readonly code: ErrorCode;
  readonly message: string;
  /** Room and key of the sentence in the messages, and the values in it; absent where it is a system's own. */
  readonly key?: string;
  readonly params?: Values;
  readonly path: readonly (string | number)[];
}

/** Why something was refused, and whatever else is wrong with the same input. */
export interface Problem extends Complaint {
  readonly also?: readonly Complaint[];
}

/** The one error the core throws: bad input, worded for the person who gave it. */
export class InputError extends Error {
  readonly problem: Problem;
  /** @param options.cause what it came from, kept for whoever looks into it. */
  constructor(
    code: ErrorCode,
    said: Saying | string,
    path: readonly (string | number)[] = [],
    options: { readonly cause?: unknown; readonly also?: readonly Complaint[] } = {},
  ) {
    super(
      typeof said === "string" ? said : said.text,
      options.cause === undefined ? undefined : { cause: options.cause },
    );
    this.name = "InputError";
    const { also = [] } = options;
    this.problem = { ...complaint(code, said, path), ...(also.length > 0 ? { also } : {}) };
  }
}

export const complaint = (
  code: ErrorCode,
  said: Saying | string,
  path: readonly (string | number)[],
): Complaint =>
  typeof said === "string"
    ? { code, message: said, path }
    : { code, message: said.text, key: said.key, params: said.values, path };

/**
 * A problem as an error to throw, further inside a larger input where a path is given.
 * @example asError({ code: "empty", message: "Type a length.", path: ["a"] }, ["rows", 0]).problem.path
 * // ["rows", 0, "a"]
 */
export function asError(problem: Problem, within: readonly (string | number)[] = []): InputError {
  const { code, message, key, params = {}, path, also } = problem;
  const said = key === undefined ? message : { key, values: params, text: message };
  return new InputError(code, said, [...within, ...path], also ? { also } : {});
}

/** Outcome of reading something a person typed: the value, or why it was refused. */
export type Outcome<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problem: Problem };

/**
 * @example ok(3) // { ok: true, value: 3 }
 */
export const ok = <T>(value: T): Outcome<T> => ({ ok: true, value });
/**
 * @example refuse("empty", "Type a length.").ok // false
 */
export const refuse = (
  code: ErrorCode,
  said: Saying | string,
  path: readonly (string | number)[] = [],
): Outcome<never> => ({ ok: false, problem: complaint(code, said, path) });

/** The value, or the refusal thrown as an InputError. */
export function required<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw asError(outcome.problem);
}
