import { z } from "zod";

const KEY = "arlent-seals";
/** So many a device holds: the newest, and of older ones each second goes as room is needed. */
const MOST = 40;

const zHeld = z.array(z.string().max(400));

type Box = Pick<Storage, "getItem" | "setItem">;

/** The seals a device holds as a witness, the oldest first. */
export function sealsHeld(box: Box): readonly string[] {
  try {
    return zHeld.parse(JSON.parse(box.getItem(KEY) ?? "[]"));
  } catch {
    return [];
  }
}

/** Root of a seal in its one line: two seals of the same root say the same. */
const rootOf = (seal: string): string => seal.split(" ")[4] ?? "";

/** Holds a seal: old ones are thinned out, so that some from long ago stay. */
export function holdSeal(box: Box, seal: string): void {
  const held = sealsHeld(box);
  if (held.some((other) => rootOf(other) === rootOf(seal))) return;
  const next = [...held, seal];
  const thinned = next.length > MOST ? next.filter((_, i) => i % 2 === 0 || i > next.length / 2) : next;
  box.setItem(KEY, JSON.stringify(thinned));
}
