import { join } from "node:path";
import unicode from "@fontsource/noto-sans/unicode.json" with { type: "json" };
import { t } from "@/messages/paper";

const FILES = join(process.cwd(), "node_modules/@fontsource");
const WEIGHTS = [400, 700] as const;

const SCRIPTS = [
  "latin",
  "latin-ext",
  "vietnamese",
  "greek",
  "greek-ext",
  "cyrillic",
  "cyrillic-ext",
] as const;

/** The faces paper is set in: the program's own first, then the usual scripts of Europe and Vietnam. */
export const FACES = [
  { family: t("arlent"), at: "atkinson-hyperlegible-next", subset: "latin" },
  { family: t("arlent-extended"), at: "atkinson-hyperlegible-next", subset: "latin-ext" },
  ...SCRIPTS.map((subset) => ({ family: t("arlent-beside", { subset }), at: "noto-sans", subset })),
].map(({ family, at, subset }) => ({
  family,
  fonts: WEIGHTS.map((fontWeight) => ({
    src: join(FILES, at, "files", `${at}-${subset}-${fontWeight}-normal.woff`),
    fontWeight,
  })),
}));

type Ranges = readonly (readonly [from: number, to: number])[];

const rangesOf = (script: (typeof SCRIPTS)[number]): Ranges =>
  unicode[script]
    .split(",")
    .map((range) => range.replace("U+", "").split("-"))
    .map(([from = "", to = from]) => [Number.parseInt(from, 16), Number.parseInt(to, 16)] as const);

const RANGES = SCRIPTS.flatMap(rangesOf);

const isWithin = (code: number, ranges: Ranges): boolean =>
  ranges.some(([from, to]) => code >= from && code <= to);

/** Which letters each face has, in the order the faces are tried. */
const COVERED: readonly Ranges[] = [rangesOf("latin"), rangesOf("latin-ext"), ...SCRIPTS.map(rangesOf)];

/** A text in runs, each of letters of one face: the first that has them. */
export function faceRuns(text: string): { readonly family: string; readonly text: string }[] {
  const runs: { family: string; text: string }[] = [];
  for (const character of text) {
    const code = character.codePointAt(0) ?? 0;
    const at = Math.max(
      0,
      COVERED.findIndex((ranges) => isWithin(code, ranges)),
    );
    const family = FACES[at]?.family ?? "";
    const last = runs.at(-1);
    if (last?.family === family) last.text += character;
    else runs.push({ family, text: character });
  }
  return runs;
}

/** The characters of a text that no face has, each once, in order; empty where all of it can be set. */
export const unprintable = (text: string): string[] => [
  ...new Set(
    [...text].filter((character) => {
      const code = character.codePointAt(0) ?? 0;
      return code > 0x1f && !isWithin(code, RANGES);
    }),
  ),
];
