import { defaultFilter } from "cmdk";

/**
 * How well a search finds something, 0 (not at all) to 1: at the start of its name, at the start of a word of it,
 * anywhere in it, all its words in the name, then in the description by the list's own measure.
 */
export function matchRank(search: string, name: string, about: string): number {
  const wanted = search.trim().toLowerCase();
  const own = name.toLowerCase();
  if (wanted === "") return 1;
  if (own.startsWith(wanted)) return 1;
  if (own.split(/[^\p{L}\p{N}.]+/u).some((word) => word.startsWith(wanted))) return 0.95;
  if (own.includes(wanted)) return 0.9;
  const words = wanted.split(/\s+/);
  if (words.length > 1 && words.every((word) => own.includes(word))) return 0.85;
  if (words.every((word) => `${own} ${about.toLowerCase()}`.includes(word))) return 0.5;
  return Math.min(0.3, defaultFilter(name, search));
}
