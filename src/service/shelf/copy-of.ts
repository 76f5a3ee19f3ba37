import { mustHoldAt } from "@/core";

/** A document to be written again from another: a free id, a name that says so, its own first revision. */
export function copyOf<T extends { readonly id: string; readonly name: string }>(
  document: T,
  taken: readonly string[],
): T & { revision: number } {
  const places = Array.from({ length: taken.length + 1 }, (_, i) => (i === 0 ? "-copy" : `-copy-${i + 1}`));
  const ids = places.map((end) => `${document.id.slice(0, 70)}${end}`);
  // One more was made than are taken: one is free.
  const id = mustHoldAt(
    ids.filter((id) => !taken.includes(id)),
    0,
  );
  return { ...document, id, name: `${document.name}, copy`, revision: 1 };
}
