/**
 * What a map holds under a key that is known to be there. @throws Error naming the key where it is not.
 * @example mustHold(new Map([["a", 1]]), "a") // 1
 */
export function mustHold<K, V>(map: ReadonlyMap<K, V>, key: K): V {
  const value = map.get(key);
  if (value === undefined) throw new Error(`nothing is held under ${String(key)}`);
  return value;
}

/** What a record holds under a key that is known to be there. @throws Error naming the key where it is not. */
export function mustHoldIn<V>(record: Readonly<Record<string, V>>, key: string): V {
  const value = record[key];
  if (value === undefined) throw new Error(`nothing is held under ${key}`);
  return value;
}

/**
 * What a list has at a place that is known to be there. @throws Error naming the place where it is not.
 * @example mustHoldAt(["a", "b"], 1) // "b"
 */
export function mustHoldAt<V>(list: ArrayLike<V>, place: number): V {
  const value = list[place];
  if (value === undefined) throw new Error(`nothing is held at ${place}`);
  return value;
}
