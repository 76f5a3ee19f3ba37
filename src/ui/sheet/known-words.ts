import { type Cable, formatMm, type Style } from "@/core";
import { coreText } from "../words/length-text";

/** What a style can be found by beside its name and description: what can be picked of it, its family, its glass. */
export const styleWords = ({ choices, family, appliesTo }: Style): string =>
  [
    ...choices.flatMap(({ options }) => options.map(({ name }) => name)),
    ...family.split("-"),
    ...appliesTo.cores.map(coreText),
  ].join(" ");

/** What a cable can be found by beside its name and description: its layers and their diameters, its glass. */
export const cableWords = ({ construction, cores, layers, fibreCount }: Cable): string =>
  [
    `${fibreCount}`,
    ...construction.split("-"),
    ...cores.map(coreText),
    ...layers.flatMap(({ name, diameter }) => [name, formatMm(diameter)]),
  ].join(" ");
