import { createHash } from "node:crypto";

const BYTES = 32;

const hashed = (prefix: number, ...parts: readonly Uint8Array[]): Buffer =>
  createHash("sha256")
    .update(Buffer.concat([Buffer.of(prefix), ...parts]))
    .digest();

/** The hash of one leaf (RFC 6962, 2.1: SHA-256, a leaf after a zero byte). */
const leafHash = (leaf: string): Buffer => hashed(0, Buffer.from(leaf, "utf8"));
const nodeHash = (left: Uint8Array, right: Uint8Array): Buffer => hashed(1, left, right);

/** The greatest power of two below a number of leaves. */
const split = (n: number): number => 2 ** Math.floor(Math.log2(n - 1));

/** Hashes of one level of a tree, one after the other in one piece of memory that doubles as it fills. */
class Level {
  private bytes = Buffer.alloc(BYTES * 16);
  count = 0;

  add(hash: Uint8Array): void {
    if ((this.count + 1) * BYTES > this.bytes.length)
      this.bytes = Buffer.concat([this.bytes, Buffer.alloc(this.bytes.length)]);
    this.bytes.set(hash, this.count * BYTES);
    this.count += 1;
  }

  at(i: number): Buffer {
    return this.bytes.subarray(i * BYTES, (i + 1) * BYTES);
  }
}

/**
 * A hash tree that leaves are only ever added to (RFC 6962, 2.1). It holds the root of every whole subtree, 64 bytes a leaf:
 * a root or a proof for any number of leaves it ever had takes some hundred hashes.
 */
export class HashTree {
  private readonly levels = [new Level()];

  get size(): number {
    return this.level(0).count;
  }

  private level(i: number): Level {
    const existing = this.levels[i];
    if (existing) return existing;
    const fresh = new Level();
    this.levels[i] = fresh;
    return fresh;
  }

  /** Adds a leaf, with every subtree that is whole by it. */
  add(leaf: string): void {
    this.level(0).add(leafHash(leaf));
    for (let i = 0; this.level(i).count % 2 === 0; i++) {
      const { count } = this.level(i);
      this.level(i + 1).add(nodeHash(this.level(i).at(count - 2), this.level(i).at(count - 1)));
    }
  }

  /** Root over the leaves from one place up to another, that one left out. */
  private over(from: number, to: number): Buffer {
    const n = to - from;
    if (n === 0) return createHash("sha256").digest();
    const high = Math.log2(n);
    if (Number.isInteger(high) && from % n === 0) return this.level(high).at(from / n);
    const k = split(n);
    return nodeHash(this.over(from, from + k), this.over(from + k, to));
  }

  /** Root over so many leaves. @returns hexadecimal. */
  root(size = this.size): string {
    return this.over(0, size).toString("hex");
  }

  /** What proves that a leaf is in the tree of so many (RFC 6962, 2.1.1). @returns hexadecimal hashes, from the leaf up. */
  inclusion(index: number, size = this.size): string[] {
    return this.path(index, 0, size).map((hash) => hash.toString("hex"));
  }

  private path(index: number, from: number, to: number): Buffer[] {
    if (to - from === 1) return [];
    const k = split(to - from);
    return index < k
      ? [...this.path(index, from, from + k), this.over(from + k, to)]
      : [...this.path(index - k, from + k, to), this.over(from, from + k)];
  }

  /** What proves that the tree of so many leaves goes on from one of fewer (RFC 6962, 2.1.2). @returns hexadecimal. */
  consistency(earlier: number, size = this.size): string[] {
    if (earlier === 0 || earlier === size) return [];
    return this.subproof(earlier, 0, size, true).map((hash) => hash.toString("hex"));
  }

  private subproof(m: number, from: number, to: number, whole: boolean): Buffer[] {
    const n = to - from;
    if (m === n) return whole ? [] : [this.over(from, to)];
    const k = split(n);
    return m <= k
      ? [...this.subproof(m, from, from + k, whole), this.over(from + k, to)]
      : [...this.subproof(m - k, from + k, to, false), this.over(from, from + k)];
  }
}

/** The root of a hash tree over leaves, in order. @returns hexadecimal. */
export function treeRoot(leaves: readonly string[]): string {
  const tree = new HashTree();
  for (const leaf of leaves) tree.add(leaf);
  return tree.root();
}

const bytesOf = (hex: string): Buffer => Buffer.from(hex, "hex");

/** The root an inclusion proof leads to (RFC 9162, 2.1.3.2); null where it fits no tree of that many leaves. */
export function rootByInclusion(
  leaf: string,
  index: number,
  size: number,
  proof: readonly string[],
): string | null {
  if (index < 0 || index >= size) return null;
  let [place, last, hash] = [index, size - 1, leafHash(leaf)];
  for (const part of proof.map(bytesOf)) {
    if (last === 0) return null;
    if (place % 2 === 1 || place === last) {
      hash = nodeHash(part, hash);
      while (place % 2 === 0 && place !== 0) [place, last] = [place >>> 1, last >>> 1];
    } else hash = nodeHash(hash, part);
    [place, last] = [place >>> 1, last >>> 1];
  }
  return last === 0 ? hash.toString("hex") : null;
}

/** Whether a tree of so many leaves goes on from an earlier one (RFC 9162, 2.1.4.2). */
export function isConsistent(
  earlier: { readonly size: number; readonly root: string },
  later: { readonly size: number; readonly root: string },
  proof: readonly string[],
): boolean {
  if (earlier.size > later.size) return false;
  if (earlier.size === later.size) return proof.length === 0 && earlier.root === later.root;
  if (earlier.size === 0) return proof.length === 0;
  const parts = proof.map(bytesOf);
  if (Number.isInteger(Math.log2(earlier.size))) parts.unshift(bytesOf(earlier.root));
  let [place, last] = [earlier.size - 1, later.size - 1];
  while (place % 2 === 1) [place, last] = [place >>> 1, last >>> 1];
  const [first, ...rest] = parts;
  if (!first) return false;
  let [was, is] = [first, first];
  for (const part of rest) {
    if (last === 0) return false;
    if (place % 2 === 1 || place === last) {
      [was, is] = [nodeHash(part, was), nodeHash(part, is)];
      while (place % 2 === 0 && place !== 0) [place, last] = [place >>> 1, last >>> 1];
    } else is = nodeHash(is, part);
    [place, last] = [place >>> 1, last >>> 1];
  }
  return last === 0 && was.toString("hex") === earlier.root && is.toString("hex") === later.root;
}
