import type { LayerKind } from "../cable/cable";

/** Facts of an end as it stands between two steps. Facts of the glass stand side by side. */
export interface BenchState {
  /** How far back from the cable end each layer has been taken off, micrometres. */
  readonly bared: ReadonlyMap<LayerKind, number>;
  /** Whether the glass was wiped since it was last bared. */
  readonly wiped: boolean;
  /** Whether the end is cleaved: it is untouched until it is in. */
  readonly cleaved: boolean;
  /** Whether the fibre is in its joint, ferrule or contact. */
  readonly inserted: boolean;
  readonly welded: boolean;
  readonly adhesive: "none" | "wet" | "cured";
  readonly scribed: boolean;
  /** Whether the face was looked at since it was last polished. */
  readonly faceLooked: boolean;
  /** Ids of the steps done. */
  readonly done: readonly string[];
}

/** An end as it comes: nothing taken off, nothing in. */
export const AS_SUPPLIED: BenchState = {
  bared: new Map(),
  wiped: false,
  cleaved: false,
  inserted: false,
  welded: false,
  adhesive: "none",
  scribed: false,
  faceLooked: true,
  done: [],
};

/** Whether the cleaved face is open to whatever comes near it. */
export const isFaceOpen = ({ cleaved, inserted, welded }: BenchState): boolean =>
  cleaved && !inserted && !welded;
