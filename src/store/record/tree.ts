import { createHash } from "node:crypto";

const hashed = (prefix: number, ...parts: readonly Buffer[]): Buffer =>
  createHash("sha256")
    .update(Buffer.concat([Buffer.of(prefix), ...parts]))
    .digest();

/** The greatest power of two below a number of leaves. */
const split = (n: number): number => 2 ** Math.floor(Math.log2(n - 1));

function rootOf(leaves: readonly Buffer[]): Buffer {
  const [first] = leaves;
  if (!first) return createHash("sha256").digest();
  if (leaves.length === 1) return hashed(0, first);
  const k = split(leaves.length);
  return hashed(1, rootOf(leaves.slice(0, k)), rootOf(leaves.slice(k)));
}

/**
 * The root of a hash tree over leaves, in order (RFC 6962, 2.1: SHA-256, a leaf after a zero byte, a node after a one).
 * @returns hexadecimal.
 */
export const treeRoot = (leaves: readonly string[]): string =>
  rootOf(leaves.map((leaf) => Buffer.from(leaf, "utf8"))).toString("hex");
