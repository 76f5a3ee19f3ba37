/**
 * The values a field still waits for once its document returns one. A document returns the values typed in their order, and
 * may skip some. A value typed twice is taken for the earlier of the two, so that none typed after it is lost.
 * @param typed values typed and not returned yet, the oldest first.
 * @returns null where the value was not typed in this field: the document was changed elsewhere, and the field shows it.
 */
export function leftToReturn<T>(typed: readonly T[], value: T): readonly T[] | null {
  const at = typed.indexOf(value);
  return at < 0 ? null : typed.slice(at);
}
