import { z } from "zod";
import { fibreColour } from "../cable/colours";
import { elementsOf, type FibreSource } from "../cable/elements";
import { TOWARDS } from "../piece/address";
import { fibreIn, tubesOf } from "../piece/tubes";
import { said } from "../words/core";
import { type Device, leadName } from "./device";

/** A pigtail stands for a cable where a fibre is spliced to a factory end. */
export const PIGTAIL = "pigtail";

/** One fibre's cut end in a closure. */
export const zFibreEnd = z.strictObject({
  /** Id of the closure's cable or device, or `pigtail`. */
  cable: z.string().min(1).max(80),
  /** Which end of a fibre of a cable that goes through; null of one that ends here. */
  towards: z.enum(TOWARDS, said("a-cut-end-lies-towards-a-or-b")).nullable().default(null),
  /** By its number over the whole cable; of a device, its lead. */
  fibre: z
    .int(said("a-fibres-number-must-be-a-whole"))
    .min(1, said("a-fibres-number-must-be-1-or"))
    .max(6_912),
});

export type FibreEnd = z.output<typeof zFibreEnd>;

/** A cable as it lies in a closure, for its fibres. */
export interface SplicedCable {
  readonly id: string;
  /** As it is called on the page: its number among the closure's cables, and what it is. */
  readonly number: number;
  readonly name: string;
  readonly cable: FibreSource & { readonly name: string };
  /** The tap or splitter whose leads these are; none of a cable. */
  readonly device?: Device;
  /** Class of its glass. */
  readonly core: string;
  readonly through: boolean;
  /** Fibres that are cut of a cable that goes through; null where nobody has said which. */
  readonly parted: readonly number[] | null;
}

/**
 * A fibre's end as a key: two ends of one fibre have two keys.
 * @example fibreKey({ cable: "c", towards: "A", fibre: 7 }) // "c A 7"
 */
export const fibreKey = ({ cable, towards, fibre }: FibreEnd): string =>
  `${cable} ${towards ?? "-"} ${fibre}`;

/**
 * Every cut end of a cable there is to be spliced or stored, in order.
 * @example cutEndsOf(pad4).length // 36
 */
export function cutEndsOf({ id, cable, through, parted }: SplicedCable): FibreEnd[] {
  const all = Array.from({ length: fibreTotal(cable) }, (_, i) => i + 1);
  if (!through) return all.map((fibre) => ({ cable: id, towards: null, fibre }));
  return TOWARDS.flatMap((towards) =>
    all.filter((fibre) => parted?.includes(fibre)).map((fibre): FibreEnd => ({ cable: id, towards, fibre })),
  );
}

/**
 * How many fibres a cable has.
 * @example fibreTotal(loose) // 36
 */
export function fibreTotal(cable: FibreSource): number {
  const { tubes, perTube } = tubesOf(cable);
  return tubes * perTube;
}

/** Whether fibres lie side by side in one ribbon, which can be spliced as a whole. */
export function inOneRibbon(cable: FibreSource, first: number, count: number): boolean {
  if (!hasRibbons(cable)) return false;
  const { perTube } = tubesOf(cable);
  return Math.floor((first - 1) / perTube) === Math.floor((first + count - 2) / perTube);
}

/**
 * Whether a cable's fibres are bonded into ribbons.
 * @example hasRibbons(loose) // false
 */
export function hasRibbons(cable: FibreSource): boolean {
  let group: ReturnType<typeof elementsOf> | undefined = elementsOf(cable);
  while (group) {
    if (group.kind === "ribbon") return true;
    group = group.of;
  }
  return false;
}

/** A fibre's end as it is said: where it lies, and its colour. */
interface FibreShown {
  /** `tube 3 / 2`, or the fibre's number alone. */
  readonly place: string;
  readonly code: string;
  readonly colour: string;
  readonly tracers: number;
}

/**
 * How a fibre of a cable is told apart: by its tube or ribbon and its place there, and by its colour.
 * @example fibreShown(loose, 14) // { place: "3/2", code: "OR", colour: "orange", tracers: 0 }
 */
export function fibreShown(cable: FibreSource, fibre: number): FibreShown {
  const { tube, fibre: own } = fibreIn(cable, fibre);
  const several = tubesOf(cable).tubes > 1;
  return {
    place: several ? `${tube.position}/${own.position}` : String(own.position),
    code: own.code,
    colour: fibreColour(own.position).name,
    tracers: own.tracers,
  };
}

/**
 * A fibre's colour as it is typed: its code, with the number of its tracers where it has any.
 * @example colourTyped({ code: "OR", tracers: 1 }) // "OR+1"
 */
export const colourTyped = ({ code, tracers }: Pick<FibreShown, "code" | "tracers">): string =>
  tracers === 0 ? code : `${code}+${tracers}`;

/**
 * A closure's cable by its id; null where it has none of it.
 * @example splicedCable([pad4, pad5], "pad5")?.number // 2
 */
export const splicedCable = (cables: readonly SplicedCable[], id: string): SplicedCable | null =>
  cables.find((cable) => cable.id === id) ?? null;

/**
 * A fibre's end in words; towards which side, of a cable that goes through.
 * @example fibreEndText([pad4, pad5], { cable: "pad5", towards: null, fibre: 8 }) // "2 Pad 5 branch, 2/2"
 */
export function fibreEndText(cables: readonly SplicedCable[], end: FibreEnd): string {
  if (end.cable === PIGTAIL) return `pigtail ${end.fibre}`;
  const cable = splicedCable(cables, end.cable);
  if (!cable) return `fibre ${end.fibre}`;
  if (cable.device) return `${cable.number} ${cable.name}, ${leadName(cable.device, end.fibre)}`;
  const towards = end.towards ? ` ${end.towards}` : "";
  const place =
    end.fibre <= fibreTotal(cable.cable) ? fibreShown(cable.cable, end.fibre).place : String(end.fibre);
  return `${cable.number}${towards} ${cable.name}, ${place}`;
}

/**
 * A fibre's end in brief, as it is typed in a list.
 * @example fibreEndBrief([pad4, pad5], { cable: "pad5", towards: null, fibre: 8 }) // "2 2/2"
 */
export function fibreEndBrief(cables: readonly SplicedCable[], end: FibreEnd): string {
  const cable = splicedCable(cables, end.cable);
  if (!cable || end.fibre > fibreTotal(cable.cable)) return fibreEndText(cables, end);
  if (cable.device) return `${cable.number} ${leadName(cable.device, end.fibre)}`;
  return `${cable.number}${end.towards ? ` ${end.towards}` : ""} ${fibreShown(cable.cable, end.fibre).place}`;
}
