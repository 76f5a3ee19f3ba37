/** The most letters a piece's name has. */
const MOST = 200;

/** Names of many from one pattern: its first # is the number, from one on; without one, the number comes behind. */
export const numbered = (pattern: string, count: number, from = 1): string[] =>
  Array.from({ length: count }, (_, i) => {
    if (count === 1 && !pattern.includes("#")) return pattern.slice(0, MOST);
    const number = String(from + i);
    return (pattern.includes("#") ? pattern.replace("#", () => number) : `${pattern} ${number}`).slice(
      0,
      MOST,
    );
  });

/** A name with one text for another wherever it stands; null where that leaves it as it was, or leaves nothing. */
export function renamed(name: string, find: string, put: string): string | null {
  if (find === "" || !name.includes(find)) return null;
  const named = name
    .replaceAll(find, () => put)
    .trim()
    .slice(0, MOST);
  return named === "" || named === name ? null : named;
}
