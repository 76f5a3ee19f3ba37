import { problemOf } from "./check";
import type { Problem } from "./problem";

/**
 * What some work came to, or the problem it met; anything else that is thrown goes on.
 * @example attempt(() => parseAddress("moon")).problem?.code // "no-such-element"
 */
export function attempt<T>(
  work: () => T,
): { readonly value: T; readonly problem: null } | { readonly value: null; readonly problem: Problem } {
  try {
    return { value: work(), problem: null };
  } catch (error) {
    const problem = problemOf(error);
    if (!problem) throw error;
    return { value: null, problem };
  }
}
