import type { Cable } from "../cable/cable";
import { TOWARDS } from "../piece/address";
import { layFactor } from "../piece/lay";
import { isSide, type PlaceSide, partedAt, placeSides } from "../piece/places";
import type { PiecePlan, SideName } from "../piece/plan";
import type { FibreEnd } from "../splice/fibres";
import { endsJoined, type Splice } from "../splice/splice-plan";

/** A piece of a job as light goes through it. */
export interface LinkPiece {
  readonly id: string;
  readonly plan: Pick<PiecePlan, "name" | "core" | "sides" | "stations">;
  readonly cable: Cable;
  /** Sheath from end to end, micrometres. */
  readonly sheath: number;
}

/** A closure of a job: which places of pieces come into it, and what is spliced to what. */
export interface LinkClosure {
  readonly id: string;
  readonly name: string;
  readonly cables: readonly {
    readonly id: string;
    readonly joins: { readonly piece: string; readonly side: PlaceSide } | null;
  }[];
  readonly splices: readonly Splice[];
  /** What the splicer estimated of each splice that is in, dB, by its id. */
  readonly estimates: ReadonlyMap<string, number>;
}

/** Where a link begins: a side of a piece, and a fibre by its number. */
interface LinkStart {
  readonly piece: string;
  readonly side: SideName;
  readonly fibre: number;
}

/** What light meets on its way; `at` is how much fibre lies before it, metres. */
export type LinkPart =
  | {
      readonly kind: "connector";
      readonly at: number;
      readonly piece: string;
      readonly side: PlaceSide;
      readonly fibre: number;
    }
  | { readonly kind: "pigtail"; readonly at: number; readonly closure: string }
  | {
      readonly kind: "fibre";
      readonly at: number;
      readonly piece: string;
      readonly metres: number;
      readonly core: string;
    }
  | {
      readonly kind: "splice";
      readonly at: number;
      readonly closure: string;
      readonly splice: string;
      readonly estimateDb: number | null;
    }
  /** A fibre's end nobody has planned anything on. */
  | {
      readonly kind: "open";
      readonly at: number;
      readonly piece: string;
      readonly side: PlaceSide;
      readonly fibre: number;
    };

interface Travelling {
  readonly piece: LinkPiece;
  readonly fibre: number;
  /** Towards which side light goes, and from where on the piece, micrometres from side A. */
  readonly towards: SideName;
  readonly from: number;
}

const METRE = 1_000_000;

/** How much longer a fibre is than its sheath. */
const lengthening = ({ lay }: Cable): number => (lay ? layFactor(lay) : 1);

/**
 * What a job's pieces, closures and splices make of one fibre: from its connector at one side to its other end, through every
 * splice. A piece that is entered twice ends the link there.
 * @example linkFrom({ pieces: [], closures: [] }, { piece: "p", side: "A", fibre: 1 }) // []
 */
export function linkFrom(
  job: { readonly pieces: readonly LinkPiece[]; readonly closures: readonly LinkClosure[] },
  { piece: id, side, fibre }: LinkStart,
): LinkPart[] {
  const first = job.pieces.find((piece) => piece.id === id);
  if (!first) return [];
  const parts: LinkPart[] = [endPart(job, first, side, fibre, 0)];
  const spliced = new Set<string>();
  let at = 0;
  let going: Travelling | null = {
    ...{ piece: first, fibre, towards: side === "A" ? "B" : "A" },
    from: side === "A" ? 0 : first.sheath,
  };
  while (going) {
    const { piece, towards, from }: Travelling = going;
    const stop = nextStop(going);
    const metres = (Math.abs(stop.along - from) / METRE) * lengthening(piece.cable);
    parts.push({ kind: "fibre", at, piece: piece.id, metres, core: piece.plan.core });
    at += metres;
    const cutEnd = isSide(stop.place) ? null : otherOf(towards);
    const joined = spliceAt(job, piece.id, stop.place, { towards: cutEnd, fibre: going.fibre });
    if (!joined || spliced.has(joined.splice.id)) {
      parts.push(
        isSide(stop.place)
          ? endPart(job, piece, stop.place, going.fibre, at)
          : { kind: "open", at, piece: piece.id, side: stop.place, fibre: going.fibre },
      );
      return parts;
    }
    const { closure, splice, other } = joined;
    spliced.add(splice.id);
    const estimateDb = closure.estimates.get(splice.id) ?? null;
    parts.push({ kind: "splice", at, closure: closure.id, splice: splice.id, estimateDb });
    if (other.cable === "pigtail") {
      parts.push({ kind: "pigtail", at, closure: closure.id });
      return parts;
    }
    going = onwardFrom(job.pieces, closure, other);
  }
  return parts;
}

const otherOf = (side: SideName): SideName => (side === "A" ? "B" : "A");

/** The next place on a piece where a fibre ends: where it is parted on the way, or the far side. */
function nextStop({ piece, fibre, towards, from }: Travelling): { place: PlaceSide; along: number } {
  const { plan, sheath } = piece;
  const alongOf = (place: PlaceSide): number =>
    place === "A" ? 0 : place === "B" ? sheath : (plan.stations.find(({ id }) => id === place)?.along ?? 0);
  const order = towards === "B" ? placeSides(plan) : placeSides(plan).reverse();
  const place =
    order.find((each) => {
      const isAhead = towards === "B" ? alongOf(each) > from : alongOf(each) < from;
      return isAhead && !isSide(each) && partedAt(plan, each).some((parted) => parted.fibre === fibre);
    }) ?? towards;
  return { place, along: alongOf(place) };
}

/** The splice a fibre's end is in at a place of a piece, and the end it is joined to. */
function spliceAt(
  { closures }: { readonly closures: readonly LinkClosure[] },
  piece: string,
  side: PlaceSide,
  end: Pick<FibreEnd, "towards" | "fibre">,
): { closure: LinkClosure; splice: Splice; other: FibreEnd } | null {
  for (const closure of closures) {
    const cable = closure.cables.find(({ joins }) => joins?.piece === piece && joins.side === side);
    if (!cable) continue;
    for (const splice of closure.splices)
      for (const own of ["a", "b"] as const) {
        const i = endsJoined(splice, own).findIndex(
          (each) => each.cable === cable.id && each.fibre === end.fibre && each.towards === end.towards,
        );
        const other = endsJoined(splice, own === "a" ? "b" : "a")[i];
        if (i >= 0 && other) return { closure, splice, other };
      }
  }
  return null;
}

/** Light on its way again behind a splice; null where its cable is of no piece of the job. */
function onwardFrom(
  pieces: readonly LinkPiece[],
  { cables }: LinkClosure,
  { cable, towards, fibre }: FibreEnd,
): Travelling | null {
  const joins = cables.find(({ id }) => id === cable)?.joins;
  const piece = pieces.find(({ id }) => id === joins?.piece);
  if (!joins || !piece) return null;
  const { side } = joins;
  if (isSide(side)) return { piece, fibre, towards: otherOf(side), from: side === "A" ? 0 : piece.sheath };
  const along = piece.plan.stations.find(({ id }) => id === side)?.along ?? 0;
  const onward = TOWARDS.find((each) => each === towards);
  return onward ? { piece, fibre, towards: onward, from: along } : null;
}

/** What a fibre ends in at a side: the connector planned there, or nothing yet. A closure's own entry ends no fibre. */
function endPart(
  { closures }: { readonly closures: readonly LinkClosure[] },
  { id: piece, plan }: LinkPiece,
  side: SideName,
  fibre: number,
  at: number,
): LinkPart {
  const { procedure, onto } = plan.sides[side];
  const isClosed = closures.some(({ cables }) =>
    cables.some(({ joins }) => joins?.piece === piece && joins.side === side),
  );
  const isEnded = (onto?.procedure ?? procedure) !== null && !isClosed;
  return { kind: isEnded ? "connector" : "open", at, piece, side, fibre };
}
