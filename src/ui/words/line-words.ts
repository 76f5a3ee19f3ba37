import { featureOf, type Line, lbfInchOf, lbfOf, mustHoldAt, type RunSheet, type Setting } from "@/core";
import { t } from "@/messages/words";
import {
  exactMm,
  figureText,
  lengthText,
  type Shown,
  showLength,
  sizeText,
  type Tolerance,
  toleranceText,
  type Units,
} from "./length-text";

/** The figure of a line as it is worked to: the length, its datum in words, and the same place said the other way. */
export interface FigureWords {
  readonly shown: Shown;
  readonly length: number;
  readonly datum: string;
  readonly also: readonly string[];
  readonly tolerance: string;
}

/** What a line's figure says, or null when the line has none. */
export function figureWords(sheet: RunSheet, line: Line, units: Units): FigureWords | null {
  const { figure } = line;
  if (!figure) return null;
  const name = (id: string) => featureOf(sheet, id).name;
  const root = mustHoldAt(sheet.features, 0).id;
  const { own, fromEnd, previous, workFromOwn } = figure;
  const { goneAt } = featureOf(sheet, root);
  const isGone = goneAt !== null && goneAt <= line.index;
  const distance = figureText(Math.abs(own.distance), units, own);
  const datumAt = figureText(featureOf(sheet, own.datum).position, units, toleranceAt(sheet, own.datum));
  const ownText = t("the-at", {
    distance,
    value: own.distance < 0 ? "before" : t("further-on-than"),
    name: name(own.datum),
    datumAt,
    value2: own.distance < 0 ? "" : t("not-at", { distance }),
  });
  const previousText =
    previous && previous.feature !== own.datum
      ? previous.distance === 0
        ? t("right-at-the", { name: name(previous.feature) })
        : `${figureText(Math.abs(previous.distance), units, own)} ${previous.distance < 0 ? "before" : t("further-on-than")} the ${name(previous.feature)}`
      : null;
  const length = workFromOwn ? Math.abs(own.distance) : fromEnd;
  if (figure.further !== undefined && own.datum === figure.feature)
    return {
      shown: showLength(length, units, own),
      length,
      datum: t("as-it-is-now", { name: name(own.datum) }),
      also: [own.distance < 0 ? t("nearer-the-fibre-end") : t("further-back-into-the-cable-away")],
      tolerance: toleranceText(own.plus, own.minus, units),
    };
  const firstTime = line.step.kind === "mark" || line.step.kind === "cleave" || line.step.kind === "trim";
  return {
    shown: showLength(length, units, own),
    length,
    datum: workFromOwn ? name(own.datum) : name(root),
    also: [
      figure.further !== undefined
        ? t("than-it-is-now", {
            figureText: figureText(Math.abs(figure.further), units, own),
            value: figure.further < 0 ? t("nearer-the-fibre-end") : t("further-back"),
          })
        : workFromOwn
          ? figure.feature === root
            ? null
            : t("from-the", {
                placeText: fromEndText(figure, units),
                name: name(root),
                value: isGone ? t("as-it-was") : "",
              })
          : own.datum === root
            ? null
            : ownText,
      firstTime ? previousText : null,
    ].filter((part) => part !== null),
    tolerance: toleranceText(own.plus, own.minus, units),
  };
}

/** Where a mark or cut lies from the end of the cable, by the fraction it is worked to. */
export const fromEndText = ({ fromEnd, own }: NonNullable<Line["figure"]>, units: Units): string =>
  figureText(fromEnd, units, own);

/** How closely a feature is made, by the line that makes it. */
export const toleranceAt = ({ lines }: RunSheet, feature: string): Tolerance | undefined =>
  lines.find(({ figure }) => figure?.feature === feature)?.figure?.own;

/** How closely the mark or cut at a place from the cable end is made; open where none lies there. */
export const toleranceAtPlace = ({ lines }: Pick<RunSheet, "lines">, place: number): Tolerance => {
  const own = lines.find(({ figure }) => figure?.fromEnd === place)?.figure?.own;
  return { plus: own?.plus ?? null, minus: own?.minus ?? null };
};

/** How a layer comes off: `6 bites of 6.2`, `2 or 3 pieces`, `one pass`. */
export function biteWords({ bites, step }: Line, units: Units): string | null {
  if (bites) {
    const each = units === "in" ? lengthText(bites.each, "in") : exactMm(Math.round(bites.each / 100) * 100);
    if (bites.countMost > bites.count)
      return t("to-pieces-at-most-each", { count: bites.count, countMost: bites.countMost, each });
    return `${bites.count} ${bites.count === 1 ? "bite" : "bites"} of ${each}`;
  }
  if (step.kind === "remove" && step.passes !== undefined)
    return step.passes === 1 ? t("one-pass") : `${step.passes} passes`;
  return null;
}

/** What a tool is set to: `hole 0.25 mm`, `die 3.6 mm, hexagon`, `12 µm film`. */
export function settingText(setting: Setting, units: Units): string {
  switch (setting.kind) {
    case "hole":
      return `hole ${sizeText(setting.diameter, units)}`;
    case "die":
      return t("die", { sizeText: sizeText(setting.across, units), shape: setting.shape });
    case "depth":
      return t("blade-deep", { sizeText: sizeText(setting.depth, units) });
    case "share":
      return t("blade-through-of-its-wall", { round: Math.round(setting.share * 100) });
    case "film":
      return t("m-film", { grain: setting.grain });
    case "program":
      return setting.celsius === undefined ? setting.name : `${setting.name}, ${setting.celsius} °C`;
    case "pull":
      return units === "mm"
        ? `${setting.newtons} N`
        : t("n-lbf", { newtons: setting.newtons, value: lbfOf(setting.newtons).toFixed(1) });
    case "torque":
      return units === "mm"
        ? `${setting.newtonMetres} N·m`
        : t("n-m-lbf-in", {
            newtonMetres: setting.newtonMetres,
            value: lbfInchOf(setting.newtonMetres).toFixed(1),
          });
    case "words":
      return setting.words;
  }
}

/** What an end uses up at a step: `1 dust cap`. */
const usesText = ({ step }: Line): string[] => step.uses.map(({ item, count }) => `${count} × ${item}`);

/** What is not counted, timed or drawn at the bench: a setting in words, and what is used up. */
export function benchNotes(line: Line, units: Units): string[] {
  const { setting } = line.step;
  const inWords = setting && ["words", "program", "pull", "torque"].includes(setting.kind);
  const uses = usesText(line);
  return [
    ...(inWords ? [settingText(setting, units)] : []),
    ...(uses.length > 0 ? [`uses ${uses.join(", ")}`] : []),
  ];
}

/** Counts, times and settings of a step, in a few words each. */
export function stepNotes({ step }: Line, units: Units): string[] {
  const { count, seconds, setting } = step;
  const span = ({ min, max }: { min: number; max: number }) =>
    min === max ? String(min) : `${min} to ${max}`;
  return [
    count ? `${span(count)} ${count.of}` : null,
    seconds ? `${span(seconds)} seconds` : null,
    setting ? settingText(setting, units) : null,
  ].filter((part) => part !== null);
}
