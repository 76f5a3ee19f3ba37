import type { Cable } from "../cable/cable";
import { TOWARDS } from "../piece/address";
import { layFactor } from "../piece/lay";
import { isSide, type PlaceSide, partedAt, placeSides } from "../piece/places";
import type { PiecePlan, SideName } from "../piece/plan";
import { type Device, LEAD, leadLoss } from "../splice/device";
import { type FibreEnd, PIGTAIL } from "../splice/fibres";
import { endsJoined, type Splice } from "../splice/splice-plan";

/** A piece of a job as light goes through it. */
export interface LinkPiece {
  readonly id: string;
  readonly plan: Pick<PiecePlan, "name" | "core" | "stations">;
  readonly cable: Cable;
  /** Sheath from end to end, micrometres. */
  readonly sheath: number;
  /** What ends its fibres at each side: a connector, one that holds a splice inside, or neither. */
  readonly ends: Readonly<Record<SideName, "connector" | "connector-and-splice" | null>>;
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
  readonly devices: readonly Device[];
  /** What the splicer estimated of each splice that is in, dB, by its id. */
  readonly estimates: ReadonlyMap<string, number>;
}

/** Where a link begins: a side of a piece, and a fibre by its number. */
interface LinkStart {
  readonly piece: string;
  readonly side: SideName;
  readonly fibre: number;
}

/** One part of a link; `at` is the fibre before it, metres. */
export type LinkPart =
  | {
      readonly kind: "connector";
      readonly at: number;
      readonly piece: string;
      readonly side: PlaceSide;
      readonly fibre: number;
      readonly hasSplice: boolean;
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
  /** A tap or splitter light goes through, from one of its leads to another. */
  | {
      readonly kind: "device";
      readonly at: number;
      readonly closure: string;
      readonly device: string;
      readonly from: number;
      readonly to: number;
      /** By its share and its excess, dB. */
      readonly loss: number;
    }
  /** A labelled output of a device. */
  | { readonly kind: "port"; readonly at: number; readonly closure: string; readonly label: string }
  /** A fibre's end nobody has planned anything on. */
  | {
      readonly kind: "open";
      readonly at: number;
      /** The piece; null for a lead of a device. */
      readonly piece: string | null;
      readonly side: PlaceSide | null;
      readonly fibre: number;
    };

interface LinkJob {
  readonly pieces: readonly LinkPiece[];
  readonly closures: readonly LinkClosure[];
}

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
 * What a job's pieces, closures and splices make of one fibre: from the connector at one end to the other, through every
 * splice, whichever side of a piece it is asked from. A splice that is met twice ends the link there.
 * @example linkFrom({ pieces: [], closures: [] }, { piece: "p", side: "A", fibre: 1 }) // []
 */
export function linkFrom(job: LinkJob, { piece: id, side, fibre }: LinkStart): LinkPart[] {
  const piece = job.pieces.find((each) => each.id === id);
  if (!piece) return [];
  const spliced = new Set<string>();
  const onward = walked(
    job,
    { piece, fibre, towards: otherOf(side), from: side === "A" ? 0 : piece.sheath },
    spliced,
  );
  // A side that lies in a closure is no end of the link: it goes on behind its splice.
  const before = beyond(job, piece, side, { towards: null, fibre }, spliced);
  return placed([...before.reverse(), ...onward]);
}

/** The same parts, each with how much fibre lies before it. */
function placed(parts: readonly LinkPart[]): LinkPart[] {
  let at = 0;
  return parts.map((part) => {
    const here = { ...part, at };
    at += part.kind === "fibre" ? part.metres : 0;
    return here;
  });
}

/** The parts of a link from a place on a piece onwards: its fibre, then the parts behind the next place where it ends. */
function walked(job: LinkJob, going: Travelling, spliced: Set<string>): LinkPart[] {
  const { piece, towards, from, fibre } = going;
  const stop = nextStop(going);
  const metres = (Math.abs(stop.along - from) / METRE) * lengthening(piece.cable);
  const end = { towards: isSide(stop.place) ? null : otherOf(towards), fibre };
  return [
    { kind: "fibre", at: 0, piece: piece.id, metres, core: piece.plan.core },
    ...beyond(job, piece, stop.place, end, spliced),
  ];
}

/** The parts behind a fibre's end: its splice and all that follows, else its connector or open end. */
function beyond(
  job: LinkJob,
  piece: LinkPiece,
  place: PlaceSide,
  end: Pick<FibreEnd, "towards" | "fibre">,
  spliced: Set<string>,
): LinkPart[] {
  const joined = spliceAt(job, piece.id, place, end);
  if (!joined || spliced.has(joined.splice.id)) return [endPart(piece, place, end.fibre)];
  return behindSplice(job, joined, spliced);
}

interface Joined {
  readonly closure: LinkClosure;
  readonly splice: Splice;
  /** The end on its other side. */
  readonly other: FibreEnd;
}

/** A splice, and the parts behind it. */
function behindSplice(job: LinkJob, { closure, splice, other }: Joined, spliced: Set<string>): LinkPart[] {
  spliced.add(splice.id);
  const estimateDb = closure.estimates.get(splice.id) ?? null;
  const part: LinkPart = { kind: "splice", at: 0, closure: closure.id, splice: splice.id, estimateDb };
  if (other.cable === PIGTAIL) return [part, { kind: "pigtail", at: 0, closure: closure.id }];
  const device = closure.devices.find(({ id }) => id === other.cable);
  if (device) return [part, ...throughDevice(job, { closure, device, lead: other.fibre }, spliced)];
  const going = onwardFrom(job.pieces, closure, other);
  return going ? [part, ...walked(job, going, spliced)] : [part];
}

interface AtDevice {
  readonly closure: LinkClosure;
  readonly device: Device;
  /** The lead light comes in by, whichever way it goes. */
  readonly lead: number;
}

/**
 * Through a tap or splitter and on: from an output back to its input; from the input on along the feeder, or, of a splitter, to
 * its first output, for all of them take the same.
 */
function throughDevice(job: LinkJob, { closure, device, lead }: AtDevice, spliced: Set<string>): LinkPart[] {
  const to = lead === LEAD.input ? LEAD.through : LEAD.input;
  const part: LinkPart = {
    ...{ kind: "device", at: 0, closure: closure.id, device: device.id, from: lead, to },
    loss: leadLoss(device, lead, to) ?? 0,
  };
  const port = device.ports.find((each) => each.lead === to);
  if (port) return [part, { kind: "port", at: 0, closure: closure.id, label: port.label }];
  const end: FibreEnd = { cable: device.id, towards: null, fibre: to };
  const joined = spliceIn(closure, end);
  if (!joined || spliced.has(joined.splice.id))
    return [part, { kind: "open", at: 0, piece: null, side: null, fibre: to }];
  return [part, ...behindSplice(job, { closure, ...joined }, spliced)];
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
  { closures }: Pick<LinkJob, "closures">,
  piece: string,
  side: PlaceSide,
  end: Pick<FibreEnd, "towards" | "fibre">,
): Joined | null {
  for (const closure of closures) {
    const cable = closure.cables.find(({ joins }) => joins?.piece === piece && joins.side === side);
    const joined = cable && spliceIn(closure, { ...end, cable: cable.id });
    if (joined) return { closure, ...joined };
  }
  return null;
}

/** The splice of a closure an end is in, and the end it is joined to. */
function spliceIn({ splices }: Pick<LinkClosure, "splices">, end: FibreEnd): Omit<Joined, "closure"> | null {
  for (const splice of splices)
    for (const own of ["a", "b"] as const) {
      const i = endsJoined(splice, own).findIndex(
        (each) => each.cable === end.cable && each.fibre === end.fibre && each.towards === end.towards,
      );
      const other = endsJoined(splice, own === "a" ? "b" : "a")[i];
      if (i >= 0 && other) return { splice, other };
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

/** The connector planned at a place, or an open end. */
function endPart({ id: piece, ends }: LinkPiece, side: PlaceSide, fibre: number): LinkPart {
  const end = isSide(side) ? ends[side] : null;
  return end === null
    ? { kind: "open", at: 0, piece, side, fibre }
    : { kind: "connector", at: 0, piece, side, fibre, hasSplice: end === "connector-and-splice" };
}
