import { type Length, parseLength } from "@/core";

/** A length that was typed, millimetres or inches, and not negative; null where it is none. */
export function parseMm(text: string): Length | null {
  const read = parseLength(text, { unit: "mm" });
  return read.ok && read.value.length >= 0 ? read.value.length : null;
}
