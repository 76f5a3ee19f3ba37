import type { Choice, Procedure } from "./procedure";

/**
 * The schools of practice some procedures know: each choice once, with every option any of them offers.
 * @example schoolsOf(procedures).map(({ id }) => id)
 * // ["cure", "buffer-removal", "alcohol", "wipes", "bend-screen", "optical-test", "alignment", "proof-pull", "light", "reseat", "drops"]
 */
export function schoolsOf(procedures: readonly Procedure[]): Choice[] {
  const matches = new Map<string, Choice>();
  for (const choice of procedures.flatMap(({ choices }) => choices).filter(({ school }) => school)) {
    const existing = matches.get(choice.id);
    const fresh = choice.options.filter(({ id }) => !existing?.options.some((option) => option.id === id));
    matches.set(choice.id, existing ? { ...existing, options: [...existing.options, ...fresh] } : choice);
  }
  return [...matches.values()];
}

/**
 * Of a person's schools, those a procedure knows and offers.
 * @example schoolsFor(stub, {}) // {}
 */
export const schoolsFor = (
  { choices }: Procedure,
  schools: Readonly<Record<string, string>>,
): Record<string, string> =>
  Object.fromEntries(
    choices.flatMap(({ id, school, options }) => {
      const wanted = schools[id];
      return school && wanted && options.some((option) => option.id === wanted) ? [[id, wanted]] : [];
    }),
  );
