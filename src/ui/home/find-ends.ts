import { type Cable, misfits, type Style } from "@/core";
import { t } from "@/messages/home";
import { cableWords, styleWords } from "../sheet/known-words";
import { kindOf } from "../sheet/style-kinds";
import { wordings } from "../sheet/trade-words";
import { exactMm } from "../words/length-text";

/** What one word of a question was read as. */
type ReadAs = "size" | "cable" | "option" | "style" | "nothing";

/** A connector on a cable that was found, and what of the question it does not answer. */
export interface FoundEnd {
  readonly cable: Cable;
  readonly style: Style;
  /** Options the question names outright: SC, APC. */
  readonly choices: Readonly<Record<string, string>>;
  /** What does not go with the question, in words; empty where all of it does. */
  readonly differs: string;
}

export interface Search {
  readonly fits: readonly FoundEnd[];
  readonly near: readonly FoundEnd[];
  /** Words that are nowhere on the shelf. */
  readonly unknown: readonly string[];
  /** Each word of the question as it was typed, and what it was read as in the best that was found. */
  readonly reads: readonly { readonly word: string; readonly as: ReadAs; readonly label: string }[];
}

interface Entry {
  readonly cable: Cable;
  readonly style: Style;
  readonly cableName: readonly string[];
  readonly cableAll: readonly string[];
  readonly styleName: readonly string[];
  readonly styleAll: readonly string[];
  readonly options: ReadonlyMap<
    string,
    { readonly choice: string; readonly id: string; readonly name: string }
  >;
}

const wordsIn = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}./]+/u)
    .filter(Boolean);

/** Every connector on every cable it goes on, with what it can be found by. */
export function findable(cables: readonly Cable[], styles: readonly Style[]): Entry[] {
  return styles
    .filter((style) => kindOf(style) === "connector")
    .flatMap((style) => {
      const options = new Map(
        style.choices.flatMap(({ id: choice, options: all }) =>
          all.map(({ id, name }) => [name.toLowerCase(), { choice, id, name }] as const),
        ),
      );
      return cables
        .filter((cable) => misfits(style, cable).length === 0)
        .map((cable) => ({
          cable,
          style,
          cableName: wordsIn(cable.name),
          cableAll: wordsIn(`${cableWords(cable)} ${cable.about}`),
          styleName: wordsIn(style.name),
          styleAll: wordsIn(`${styleWords(style)} ${style.about}`),
          options,
        }));
    });
}

const SIZE = /^\d+(\.\d+)?$/;
/** A diameter this many millimetres off still counts as near. */
const NEAR_MM = 1.2;

/** How a word goes with an entry: what it was read as, and how well, 1 for outright. */
interface Hit {
  readonly as: ReadAs;
  readonly weight: number;
}

const MISS: Hit = { as: "nothing", weight: 0 };

const outerOf = ({ layers }: Cable): number => (layers[0]?.diameter ?? 0) / 1000;

function sizeHit(word: string, { cable, cableName }: Entry): Hit {
  if (cableName.includes(word)) return { as: "size", weight: 2 };
  const sizes = cable.layers.map(({ diameter }) => diameter / 1000);
  return sizes.some((size) => Math.abs(size - Number(word)) < 0.051) ? { as: "size", weight: 1.6 } : MISS;
}

/** How a word that is no size is found among words: at the start of one of a name, or somewhere in what is known of it. */
function wordHit(word: string, name: readonly string[], all: readonly string[], as: ReadAs): Hit {
  if (name.includes(word)) return { as, weight: 1 };
  if (word.length > 2 && name.some((each) => each.startsWith(word))) return { as, weight: 0.9 };
  return all.includes(word) ? { as, weight: 0.6 } : MISS;
}

function hit(word: string, entry: Entry): Hit {
  if (SIZE.test(word)) {
    const size = sizeHit(word, entry);
    if (size !== MISS) return size;
  }
  if (entry.options.has(word)) return { as: "option", weight: 1.5 };
  const style = wordHit(word, entry.styleName, entry.styleAll, "style");
  const cable = wordHit(word, entry.cableName, entry.cableAll, "cable");
  return style.weight > cable.weight ? style : cable;
}

/** Words that say nothing by themselves. */
const FILLERS: readonly string[] = [
  "on",
  "a",
  "the",
  "with",
  "for",
  "of",
  "and",
  "connector",
  "cable",
  "fibre",
  "mm",
];

const askedIn = (wording: string): string[] => wordsIn(wording).filter((word) => !FILLERS.includes(word));

interface Scored {
  readonly entry: Entry;
  readonly hits: readonly Hit[];
  readonly score: number;
  readonly missed: number;
}

function scored(words: readonly string[], entry: Entry): Scored {
  const hits = words.map((word) => hit(word, entry));
  const missed = hits.filter((each) => each === MISS).length;
  const near = words.reduce(
    (sum, word, i) => sum + (hits[i] === MISS && SIZE.test(word) ? nearness(word, entry) : 0),
    0,
  );
  return { entry, hits, missed, score: hits.reduce((sum, { weight }) => sum + weight, 0) + near };
}

const nearness = (word: string, { cable }: Entry): number => {
  const off = Math.abs(outerOf(cable) - Number(word));
  return off < NEAR_MM ? 1 - off / NEAR_MM : 0;
};

/** What an entry lacks of what was asked, in words. */
function differsBy(words: readonly string[], { entry, hits }: Scored, all: readonly Entry[]): string {
  const lacks = words.flatMap((word, i) => {
    if (hits[i] !== MISS) return [];
    const outer = outerOf(entry.cable);
    const diameter = exactMm(entry.cable.layers[0]?.diameter ?? 0);
    if (SIZE.test(word))
      return [outer < Number(word) ? t("thinner", { diameter }) : t("thicker", { diameter })];
    const elsewhere = all.map((other) => hit(word, other)).find((each) => each !== MISS);
    if (elsewhere?.as === "option") return [`no ${word.toUpperCase()}`];
    return [
      elsewhere?.as === "style"
        ? t("other-connector")
        : elsewhere?.as === "cable"
          ? t("other-cable")
          : t("not", { word }),
    ];
  });
  return [...new Set(lacks)].join(", ");
}

/**
 * Connectors on cables by what was asked of both in one line, for example `3 mm cord, SC wedge`: those that answer all of
 * it, best first, then those that answer all but a little, with what differs. A size goes before a word.
 */
export function findEnds(question: string, entries: readonly Entry[]): Search {
  const tries = wordings(question.replaceAll(",", " "))
    .map(askedIn)
    .filter((words) => words.length > 0);
  const nothing: Search = { fits: [], near: [], unknown: [], reads: [] };
  if (tries.length === 0) return nothing;
  const ranked = tries.map((words) => {
    const all = entries
      .map((entry) => scored(words, entry))
      .sort((a, b) => a.missed - b.missed || b.score - a.score);
    return { words, all, best: all[0] };
  });
  const [best] = ranked.sort(
    (a, b) => (a.best?.missed ?? 99) - (b.best?.missed ?? 99) || (b.best?.score ?? 0) - (a.best?.score ?? 0),
  );
  if (!best?.best) return nothing;
  const { words, all } = best;
  const unknown = words.filter((word) => !entries.some((entry) => hit(word, entry) !== MISS));
  const isNear = ({ missed, score }: Scored) =>
    missed > 0 && missed <= Math.max(1, words.length - 2) && score > 0.5;
  const search = (each: Scored): FoundEnd => ({
    cable: each.entry.cable,
    style: each.entry.style,
    choices: chosenIn(words, each.entry),
    differs: differsBy(words, each, entries),
  });
  return {
    fits: all.filter(({ missed }) => missed === 0).map(search),
    near: all.filter(isNear).map(search),
    unknown,
    reads: words.map((word, i) => {
      const as = best.best?.hits[i]?.as ?? "nothing";
      return { word, as, label: labelOf(as, best.best?.entry) };
    }),
  };
}

const chosenIn = (words: readonly string[], { options }: Entry): Record<string, string> =>
  Object.fromEntries(
    words.flatMap((word) => {
      const option = options.get(word);
      return option ? [[option.choice, option.id] as const] : [];
    }),
  );

function labelOf(as: ReadAs, entry: Entry | undefined): string {
  if (!entry) return "";
  if (as === "option") return t("mates-with");
  if (as === "style") return entry.style.name;
  return as === "nothing" ? t("not-found") : entry.cable.name;
}
