import { defaultFilter } from "cmdk";
import { wordings } from "./trade-words";

/**
 * How well a search finds something, 0 (not at all) to 1: at the start of its name, at the start of a word of it,
 * anywhere in it, all its words in the name or among what can be picked of it, then in the description by the list's
 * own measure. The trade's other words for it count a little less than its own.
 * @param words what can be picked of it or is known of it, by name: interfaces, sizes.
 */
export function matchRank(search: string, name: string, about: string, words = ""): number {
  return Math.max(
    ...wordings(search).map((wording, i) => rankOf(wording, name, about, words) * (i === 0 ? 1 : 0.97)),
  );
}

const LONG_ENOUGH = 5;

function rankOf(wanted: string, name: string, about: string, words: string): number {
  const own = name.toLowerCase();
  if (wanted === "") return 1;
  if (own.startsWith(wanted)) return 1;
  if (own.split(/[^\p{L}\p{N}.]+/u).some((word) => word.startsWith(wanted))) return 0.95;
  if (own.includes(wanted)) return 0.9;
  const requested = wanted.split(/\s+/);
  if (requested.length > 1 && requested.every((word) => own.includes(word))) return 0.85;
  const options = words.toLowerCase().split(/\s+/);
  if (requested.every((word) => options.includes(word) || own.includes(word))) return 0.8;
  if (requested.every((word) => `${own} ${about.toLowerCase()} ${words.toLowerCase()}`.includes(word)))
    return 0.5;
  // A slip of a letter is forgiven in a long word; in a short one it would find anything.
  return wanted.length < LONG_ENOUGH ? 0 : Math.min(0.3, defaultFilter(name, wanted));
}
