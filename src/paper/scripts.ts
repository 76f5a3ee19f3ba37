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

const RANGES = SCRIPTS.flatMap((script) => unicode[script].split(","))
  .map((range) => range.replace("U+", "").split("-"))
  .map(([from = "", to = from]) => [Number.parseInt(from, 16), Number.parseInt(to, 16)] as const);

/** The characters of a text that no face has, each once, in order; empty where all of it can be set. */
export const unprintable = (text: string): string[] => [
  ...new Set(
    [...text].filter((character) => {
      const code = character.codePointAt(0) ?? 0;
      return code > 0x1f && !RANGES.some(([from, to]) => code >= from && code <= to);
    }),
  ),
];
