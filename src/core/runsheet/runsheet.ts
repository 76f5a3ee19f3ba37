import type { Cable, LayerKind, Source } from "../cable/cable";
import type { DualUnit } from "../length/dual-unit";
import { type Length, um, ZERO } from "../length/length";
import type { Picked } from "../procedure/condition";
import type { Confirmation, ProcedurePart } from "../procedure/procedure";
import type { Retry } from "../procedure/retry";
import type { Step } from "../procedure/step";

/** A feature at its nominal place on the cable, and the lines between which it is there. */
export interface SheetFeature {
  readonly id: string;
  readonly name: string;
  readonly kind: "end" | "mark" | "edge" | "part";
  /** Behind the cable end. */
  readonly position: Length;
  /** Index of the line that makes it (−1: there from the start) and of the line that takes it away (null: stays). */
  readonly madeAt: number;
  readonly goneAt: number | null;
  /** Index of the first line that cuts it; null for a mark, a part's face or the end as it came. */
  readonly cutAt: number | null;
  /** The least the tool that cuts it can take off, once it has been cut; of a cleaver, what it must hold. */
  readonly bite: Length;
  /** Layers that end here. */
  readonly ends: readonly LayerKind[];
}

/** What a stated length must be, between two features: its own limits, or those that follow where it states none. */
export interface SheetLimit {
  readonly dimension: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly nominal: Length;
  readonly min: Length | null;
  readonly max: Length | null;
  /** Given by a stop: it is what its figure says, whatever else is made again. */
  readonly stop?: true | undefined;
}

/** Where to mark or cut, said every way at once. */
export interface Figure {
  readonly feature: string;
  /** From the end of the cable as it came. */
  readonly fromEnd: Length;
  /** From its own datum: positive further back, negative nearer the fibre end. */
  readonly own: {
    readonly datum: string;
    readonly distance: Length;
    readonly plus: Length | null;
    readonly minus: Length | null;
  };
  /** Whether nobody has held it against the part's sheet yet. */
  readonly representative: boolean;
  readonly confirmation?: Confirmation | undefined;
  /** From the mark or cut made just before it, if there is one. */
  readonly previous: { readonly feature: string; readonly distance: Length } | null;
  /** True when the figure to work to is the one from its own datum, because the end is or will be no help. */
  readonly workFromOwn: boolean;
  /** Where it is cut or drawn again: how much further back than it is now. */
  readonly further?: Length;
}

/** How a layer comes off: so many bites, each of so much; `countMost` where the sheet leaves a range. */
export interface BiteCount {
  readonly length: Length;
  readonly count: number;
  readonly countMost: number;
  readonly each: Length;
}

/** How well the tools can be expected to hold a length. */
export interface Prediction {
  readonly worst: Length;
  readonly rss: number;
  /** Which of the two stays within the limits. */
  readonly holds: "worst" | "rss" | "neither";
}

/** One length as it will measure, with the limits that follow from everything stated. */
export interface SheetLength {
  readonly id: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly nominal: Length;
  readonly min: Length | null;
  readonly max: Length | null;
  readonly stage: "before-cleave" | "prepared";
  /** Id of the procedure's dimension, or null where it follows from others. */
  readonly stated: string | null;
  readonly predicted: Prediction | null;
}

/** One length to be read at the bench: a dimension, on one leg of the cord. */
export interface Check extends SheetLimit {
  readonly id: string;
  readonly leg: string;
  readonly step: string;
  readonly representative: boolean;
  readonly confirmation?: Confirmation | undefined;
  readonly ifLong: string;
  readonly ifShort: string;
  /** Out of its limits, the end is begun from the start. */
  readonly fromStart: boolean;
  /** What both sides of an opening make together is what is asked. */
  readonly joint?: true | undefined;
  /** Read by a gauge between two faces. */
  readonly gap?: true | undefined;
}

export interface Line {
  readonly index: number;
  readonly step: Step;
  readonly figure: Figure | null;
  readonly bites: BiteCount | null;
  readonly parts: readonly ProcedurePart[];
  readonly checks: readonly Check[];
  /** Layers taken away by this line, and where they then end. */
  readonly bares: readonly { readonly layer: LayerKind; readonly edge: string }[];
}

/** Everything about one end before the first cut: compiled from a procedure, a cable and what was picked. */
export interface RunSheet {
  readonly procedure: {
    readonly id: string;
    readonly revision: number;
    readonly name: string;
    readonly family: string;
    readonly representative: boolean;
    /** Where the document's figures come from. */
    readonly source: Source;
  };
  readonly cable: Pick<Cable, "id" | "revision" | "name" | "legs">;
  readonly picked: Picked;
  /** What was picked, by name: interface, end face, a school other than the usual. */
  readonly as: readonly string[];
  /** Layers in hand when the work starts, from the outside in. */
  readonly layers: Cable["layers"];
  readonly features: readonly SheetFeature[];
  readonly lines: readonly Line[];
  readonly parts: readonly ProcedurePart[];
  readonly retries: readonly Retry[];
  readonly lengths: readonly SheetLength[];
  readonly limits: readonly SheetLimit[];
  readonly checks: readonly Check[];
  readonly uses: {
    /** From the cable end to the rearmost cut: what this end takes up. */
    readonly prepared: Length;
    /** Taken off for good in front of the finished fibre end. */
    readonly cutOff: Length;
    /** What cutting it all off and starting again takes. */
    readonly retry: Length;
  };
  /** Prints in two units that do not agree. */
  readonly disagreements: readonly (DualUnit & {
    readonly dimension: string;
    readonly printed: readonly [string, string];
  })[];
}

/**
 * A feature of a sheet by its id.
 * @example featureOf(sheet, sheet.features[0].id).position // 0
 */
export function featureOf(sheet: Pick<RunSheet, "features">, id: string): SheetFeature {
  const sheetFeature = sheet.features.find((feature) => feature.id === id);
  if (!sheetFeature) throw new Error(`no feature ${id} on this sheet`);
  return sheetFeature;
}

/**
 * Where each layer ends once the lines up to and including one are done; 0 is the cable end as it came.
 * @example layersAfter(sheet, 0).map(({ kind }) => kind) // ["jacket", "yarn", "buffer", "coating", "glass"]
 */
export function layersAfter(
  sheet: RunSheet,
  line: number,
): { readonly kind: LayerKind; readonly edge: Length; readonly feature: string | null }[] {
  return sheet.layers.map(({ kind }) => {
    const last = sheet.lines
      .slice(0, line + 1)
      .flatMap(({ bares }) => bares)
      .filter((bare) => bare.layer === kind)
      .at(-1);
    return {
      kind,
      edge: last ? featureOf(sheet, last.edge).position : ZERO,
      feature: last?.edge ?? null,
    };
  });
}

/**
 * How far from its datum a sheet works: its farthest mark, edge or face.
 * @example workedTo(sheet) // 228000
 */
export const workedTo = ({ features }: Pick<RunSheet, "features">): Length =>
  um(Math.max(0, ...features.map(({ position }) => position)));

/** Whether the work is in the middle of a cable's run: it has no end there, and an edge to either side of a centre mark. */
/**
 * After what is read or done on one leg, which: a leg of a cord, or a side of a sheath opened in mid-run.
 * @example [onLeg("", false), onLeg("A", false), onLeg("A", true)] // ["", ", leg A", ", side A"]
 */
export const onLeg = (leg: string, midRun: boolean): string =>
  leg === "" ? "" : `, ${midRun ? "side" : "leg"} ${leg}`;

/**
 * @example isMidRun(sheet) // false
 */
export const isMidRun = ({ features }: Pick<RunSheet, "features">): boolean => features[0]?.kind === "mark";
