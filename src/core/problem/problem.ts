import type { ErrorCode } from "./codes";

/** One thing that is wrong: a stable code, a sentence for the person, and the field it is about. */
export interface Complaint {
  readonly code: ErrorCode;
  readonly message: string;
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
    message: string,
    path: readonly (string | number)[] = [],
    options: { readonly cause?: unknown; readonly also?: readonly Complaint[] } = {},
  ) {
    super(message, options.cause === undefined ? undefined : { cause: options.cause });
    this.name = "InputError";
    const { also = [] } = options;
    this.problem = { code, message, path, ...(also.length > 0 ? { also } : {}) };
  }
}

/** Outcome of reading something a person typed: the value, or why it was refused. */
export type Outcome<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problem: Problem };

export const ok = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const refuse = (
  code: ErrorCode,
  message: string,
  path: readonly (string | number)[] = [],
): Outcome<never> => ({ ok: false, problem: { code, message, path } });

/** The value, or the refusal thrown as an InputError. */
export function required<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  const { code, message, path } = outcome.problem;
  throw new InputError(code, message, path);
}
