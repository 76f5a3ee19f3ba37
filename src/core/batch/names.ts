import { fibreColour } from "../cable/colours";

/** What stands for something in a pattern of names. */
export const NAME_PARTS = ["{n}", "{colour}", "{code}"] as const;

/**
 * An end's name by a pattern: `{n}` is its number from `first` on, `{colour}` and `{code}` the colour of that fibre.
 * @example nameBy("fibre {n}, {colour}", 0) // "fibre 1, blue"
 */
export function nameBy(pattern: string, place: number, first = 1): string {
  const n = first + place;
  const { name, code } = fibreColour(n);
  return pattern.replaceAll("{n}", String(n)).replaceAll("{colour}", name).replaceAll("{code}", code).trim();
}

/**
 * What is wrong with a pattern for so many ends, in words; null when nothing is: two ends would have one name, a part in
 * braces is not known, or a name is too long.
 * @example patternProblem("fibre {x}", 12) // "“{x}” is not known: use {n}, {colour}, {code}."
 */
export function patternProblem(pattern: string, count: number, most = 120): string | null {
  const unknown = pattern
    .match(/\{[^}]*\}?/g)
    ?.find((part) => !NAME_PARTS.some((namePart) => namePart === part));
  if (unknown) return `“${unknown}” is not known: use ${NAME_PARTS.join(", ")}.`;
  const names = Array.from({ length: count }, (_, place) => nameBy(pattern, place));
  if (names.some((name) => name === "")) return "Enter a name, for example “Pad 4 / {n}”.";
  if (names.some((name) => name.length > most)) return `Enter a name of at most ${most} characters.`;
  if (new Set(names).size < names.length)
    return "Two ends would have the same name. Put {n} in it, for example “Pad 4 / {n}”.";
  return null;
}
