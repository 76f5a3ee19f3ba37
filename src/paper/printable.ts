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

let facesLoaded: Promise<void> | null = null;

/**
 * Loads every face before the first text is laid out, and looks its letters up. A glyph that is met first as a part of another,
 * a comma in a semicolon or a point in a colon, has no letter from then on: it is drawn, and missing in the text of every later
 * file.
 */
export function loadFaces(): Promise<void> {
  facesLoaded ??= lookUpLetters();
  return facesLoaded;
}

async function lookUpLetters(): Promise<void> {
  for (const { family, fonts } of FACES)
    for (const { fontWeight } of fonts) {
      const face = { fontFamily: family, fontWeight };
      await Font.load(face);
      const font = Font.getFont(face).data;
      for (const code of font?.characterSet ?? []) font?.glyphForCodePoint(code);
    }
}
