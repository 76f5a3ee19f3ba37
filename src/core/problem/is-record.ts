/**
 * Whether a value is an object with fields, as JSON makes them.
 * @example [{}, [], null].map(isRecord) // [true, false, false]
 */
export const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/**
 * Whether a value has, under each of these names, a list.
 * @example hasLists({ steps: [] }, "steps") // true
 */
export const hasLists = (value: unknown, ...names: readonly string[]): boolean =>
  isRecord(value) && names.every((name) => Array.isArray(value[name]));
