import { timingSafeEqual } from "node:crypto";

/** Whether two texts are the same, in a time that tells nothing of where they differ. */
export function same(a: string, b: string): boolean {
  const [left, right] = [Buffer.from(a), Buffer.from(b)];
  return left.length === right.length && timingSafeEqual(left, right);
}
