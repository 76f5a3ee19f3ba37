/** Why something was refused: a stable code, a sentence for the person, and the field it is about. */
export interface Problem {
  readonly code: string;
  readonly message: string;
  readonly path: readonly (string | number)[];
}

/** The one error the core throws: bad input, worded for the person who gave it. */
export class InputError extends Error {
  readonly problem: Problem;
  constructor(code: string, message: string, path: readonly (string | number)[] = []) {
    super(message);
    this.name = "InputError";
    this.problem = { code, message, path };
  }
}

/** Outcome of reading something a person typed: the value, or why it was refused. */
export type Outcome<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problem: Problem };

export const ok = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const refuse = (
  code: string,
  message: string,
  path: readonly (string | number)[] = [],
): Outcome<never> => ({ ok: false, problem: { code, message, path } });

/** The value, or the refusal thrown as an InputError. */
export function required<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  const { code, message, path } = outcome.problem;
  throw new InputError(code, message, path);
}
