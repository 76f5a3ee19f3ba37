import type { LayerKind } from "../cable/cable";
import type { Subject } from "../procedure/physical";

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
  /** Whether adhesive was filled in, and whether the fibre or the ferrule was primed or dipped. */
  readonly filled: boolean;
  readonly dipped: boolean;
  readonly scribed: boolean;
  /** Whether grit of a film is on the face; the finest film so far, micrometres. */
  readonly gritty: boolean;
  readonly grain: number;
  /** Whether the sleeve was shrunk, and whether it is still hot. */
  readonly shrunk: boolean;
  readonly hot: boolean;
  readonly joint: "none" | "open" | "closed";
  readonly crimped: boolean;
  /** Whether a holder is closed on the cable. */
  readonly held: boolean;
  /** Whether yarn or shield is laid back over the jacket: an obstacle. */
  readonly laid: boolean;
  /** In a closure: whether the cable is fixed to it, its armour bonded, and what stays whole stored. */
  readonly fixed: boolean;
  readonly bonded: boolean;
  readonly stored: boolean;
  /** Whether a loop of fibre lies where it may yet be pinched. */
  readonly looped: boolean;
  /** What was looked at and has not changed since. */
  readonly seen: ReadonlySet<Subject>;
  /** Ids of the parts on the cable, in the order they went on; and of those brought to their place. */
  readonly threaded: readonly string[];
  readonly placed: readonly string[];
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
  filled: false,
  dipped: false,
  scribed: false,
  gritty: false,
  grain: Number.POSITIVE_INFINITY,
  shrunk: false,
  hot: false,
  joint: "none",
  crimped: false,
  held: false,
  laid: false,
  fixed: false,
  bonded: false,
  stored: false,
  looped: false,
  seen: new Set(["end-face"]),
  threaded: [],
  placed: [],
  done: [],
};

/** Whether the cleaved face is open to whatever comes near it. */
export const isFaceOpen = ({ cleaved, inserted, welded }: BenchState): boolean =>
  cleaved && !inserted && !welded;
