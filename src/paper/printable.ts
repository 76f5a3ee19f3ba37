import { Font } from "@react-pdf/renderer";
import { InputError } from "@/core";
import { say } from "@/messages/service";
import { FACES, unprintable } from "./scripts";

for (const face of FACES) Font.register(face);
Font.registerHyphenationCallback((word) => [word]);

/** @throws InputError `script` for texts with letters that no face here has, before anything is laid out. */
export function mustBePrintable(texts: readonly string[]): void {
  const missing = unprintable(texts.join(""));
  if (missing.length === 0) return;
  const quoted = missing.slice(0, 12).map((letter) => `“${letter}”`);
  throw new InputError("script", say("the-pdf-has-no-letters-for-print", { missing: quoted.join(", ") }));
}
