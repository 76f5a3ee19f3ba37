import { InputError } from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { registerTree } from "@/store/record/register-tree";
import { newestSeals, sealNow } from "../keeping/kept-seals";

/**
 * That the register only grew: from the tree over its first lines to that of the newest seal (RFC 6962, 2.1.2). Whoever
 * holds a seal of so many lines compares the root with theirs, and needs nothing else of the record.
 * @param lines how many lines the earlier seal is over.
 * @throws InputError `too-many`: the newest seal is over fewer.
 */
export function growthSince(store: Store, lines: number, now: Date) {
  const { name } = store.$client;
  const seal = newestSeals(name, 1).at(-1) ?? sealNow(store, name, now);
  if (lines > seal.size)
    throw new InputError("too-many", say("the-newest-seal-is-over-fewer-lines", { size: seal.size }), [
      "lines",
    ]);
  const tree = registerTree(store);
  return { lines, root: tree.root(lines), seal: seal.text, proof: tree.consistency(lines, seal.size) };
}
