/**
 * What is left to come back of values typed into a field, the oldest first, once its document hands one back. Values come
 * back in the order they were typed, some skipped; the same value typed twice is taken for its first, so that no later one
 * is lost.
 * @returns null where it was not typed here: the document was changed elsewhere, and the field shows that.
 */
export function leftToReturn<T>(typed: readonly T[], value: T): readonly T[] | null {
  const at = typed.indexOf(value);
  return at < 0 ? null : typed.slice(at);
}
