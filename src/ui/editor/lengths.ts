import {
  farEnd,
  figureFrom,
  type ProcedureDocument,
  type RunSheet,
  toMm,
  um,
  withFigureFrom,
  workedFrom,
} from "@/core";

export type DocumentDimension = ProcedureDocument["dimensions"][number];
export type OtherFigure = NonNullable<DocumentDimension["cases"]>[number];

/** A length as its row in the editor tells it. */
export interface EditedLength {
  readonly dimension: DocumentDimension;
  /** The feature it is laid off from, and the one it is laid off to. */
  readonly datum: string;
  readonly to: string;
  /** Millimetres from that datum; its own where the end does not hold together. */
  readonly figure: number;
  /** Whether the figure is worked out from another datum than its own. */
  readonly derived: boolean;
  /** Which of its other figures the cable drawn is worked to. */
  readonly used: number | null;
}

/** The end as it stands, where it holds together: what lies where, and when it is made. */
export interface Laid {
  readonly features: readonly Pick<RunSheet["features"][number], "id" | "kind" | "madeAt" | "position">[];
}

type Positions = ReadonlyMap<string, RunSheet["features"][number]["position"]>;

const positionsOf = (sheet: Laid | null): Positions =>
  new Map(sheet?.features.map(({ id, position }) => [id, position]) ?? []);

/** Every length of a document, each from the datum it is worked from. */
export function lengthRows(
  { dimensions }: Pick<ProcedureDocument, "dimensions">,
  sheet: Laid | null,
  cases: Readonly<Record<string, number | null>>,
): EditedLength[] {
  const positions = positionsOf(sheet);
  return dimensions.map((dimension) => {
    const datum = workedFrom(dimension);
    const figure = datum === dimension.from ? null : figureFrom(dimension, datum, positions);
    return {
      dimension,
      datum,
      to: farEnd(dimension, datum),
      figure: figure === null ? dimension.nominal : toMm(figure),
      derived: figure !== null,
      used: cases[dimension.id] ?? null,
    };
  });
}

/**
 * The length with the figure typed in its row, millimetres from the datum it is worked from. Said from elsewhere, it
 * changes the figure the cable drawn is worked to: the length's own, or one of the others.
 */
export function withFigure(
  { dimension, datum, derived, used }: EditedLength,
  sheet: Laid | null,
  mm: number,
) {
  if (!derived) return { ...dimension, nominal: mm };
  const positions = positionsOf(sheet);
  const stated = (dimension: DocumentDimension): DocumentDimension =>
    withFigureFrom(dimension, datum, um(Math.round(mm * 1000)), positions);
  const other = used === null ? undefined : dimension.cases?.[used];
  if (used === null || !other) return stated(dimension);
  return withOther(dimension, used, { nominal: stated({ ...dimension, nominal: other.nominal }).nominal });
}

/** The length with one of its other figures changed. */
export function withOther(
  dimension: DocumentDimension,
  at: number,
  changes: Partial<OtherFigure>,
): DocumentDimension {
  return {
    ...dimension,
    cases: dimension.cases?.map((each, n) => (n === at ? { ...each, ...changes } : each)),
  };
}

/** What is made on an end, and when. */
export type Made = Pick<RunSheet["features"][number], "id" | "kind" | "madeAt">;

export const madeOn = (sheet: Laid | null): Made[] =>
  sheet?.features.map(({ id, kind, madeAt }) => ({ id, kind, madeAt })) ?? [];

/** What a length can be laid off from: its own datum, and all that is there before it is made. */
export function datumsOf({ dimension, datum }: EditedLength, features: readonly Made[]): string[] {
  const count = features.find(({ id }) => id === dimension.to)?.madeAt ?? -1;
  const before = features.filter(
    ({ id, madeAt, kind }) => id !== dimension.to && kind !== "part" && madeAt < count,
  );
  return [...new Set([datum, dimension.from, ...before.map(({ id }) => id)])];
}
