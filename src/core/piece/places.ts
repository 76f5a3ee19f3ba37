import { z } from "zod";
import type { Cable } from "../cable/cable";
import type { ElementKind } from "../cable/element-group";
import { midSpanOf } from "../cable/mid-span";
import type { PieceId } from "../names/ids";
import { InputError } from "../problem/problem";
import type { Procedure } from "../procedure/procedure";
import { said, say } from "../words/core";
import {
  type Address,
  addressesBelow,
  addressText,
  elementAt,
  fibreNumber,
  fibresBelow,
  TOWARDS,
  towardsOf,
  zAddress,
} from "./address";
import { OUTERMOST, opened } from "./opened";
import { stationName } from "./openings";
import { type PiecePlan, SIDES, type SideName } from "./plan";
import { type Parted, type Station, type StationId, zStationId } from "./station";

/** A side of a piece, or a station on it. */
export const zPlaceSide = z.union([z.enum(SIDES), zStationId], said("side-must-be-a-or-b-or"));
export type PlaceSide = z.output<typeof zPlaceSide>;

/** Where an end of a piece is made: a side of it or a station on it, and what is ended there. */
export const zPlace = z.strictObject({ side: zPlaceSide, address: zAddress });
export type Place = z.output<typeof zPlace>;

/** A place as an address bar or a question says it: whether the piece has it is shown where it is looked up. */
export interface PlaceAsked {
  readonly piece: PieceId;
  readonly side: string;
  readonly at: string;
}

/**
 * @example ["A", "middle"].map(isSide) // [true, false]
 */
export const isSide = (at: PlaceSide): at is SideName => SIDES.some((side) => side === at);

/**
 * Everywhere a piece is worked: side A, its stations from there, side B.
 * @example placeSides({ stations: [] }) // ["A", "B"]
 */
export const placeSides = ({ stations }: Pick<PiecePlan, "stations">): PlaceSide[] => [
  "A",
  ...[...stations].sort((a, b) => a.along - b.along).map(({ id }) => id),
  "B",
];

/** @throws InputError `no-such-element` for a station the plan does not have. */
function stationAt({ stations }: Pick<PiecePlan, "stations">, at: StationId): Station {
  const station = stations.find(({ id }) => id === at);
  if (!station) throw new InputError("no-such-element", say("this-piece-is-not-opened-there-any"), ["side"]);
  return station;
}

/** An end as it is planned. */
export interface PlannedEnd extends Place {
  readonly procedure: string;
  readonly choices: Readonly<Record<string, string>>;
  /** Where the work that opens onto it is done; null where the cable itself is at hand. */
  readonly openedAt: Address | null;
}

/** What of the shelf a plan's places are found by. */
export interface Shelved {
  readonly cable: (id: string) => Cable | undefined;
  readonly procedure: (id: string) => Procedure | undefined;
}

/**
 * Fibres that are parted at a station, in the order of their numbers; at a side none are.
 * @example partedAt({ stations: [] }, "A") // []
 */
export const partedAt = ({ stations }: Pick<PiecePlan, "stations">, at: PlaceSide): Parted[] =>
  (stations.find(({ id }) => id === at)?.parted ?? []).toSorted((a, b) => a.fibre - b.fibre);

/**
 * One key a place: `A tube 3 / fibre 7`.
 * @example placeKey({ side: "A", address: [{ kind: "tube", position: 3 }] }) // "A tube 3"
 */
export const placeKey = ({ side, address }: Place): string => `${side} ${addressText(address)}`.trim();

/**
 * A side or station as it is said: `side A`, `pad 4`.
 * @example sideText("A", { stations: [] }) // "side A"
 */
export function sideText(side: PlaceSide, { stations }: Pick<PiecePlan, "stations">): string {
  if (isSide(side)) return `side ${side}`;
  const station = stations.find(({ id }) => id === side);
  return station ? stationName(station) : "an opening that is not planned any more";
}

/**
 * A place as it is said: `side A, tube 3 / fibre 7`.
 * @example placeText({ side: "A", address: [{ kind: "tube", position: 3 }] }, { stations: [] }) // "side A, tube 3"
 */
export const placeText = ({ side, address }: Place, plan: Pick<PiecePlan, "stations">): string =>
  [sideText(side, plan), addressText(address)].filter(Boolean).join(", ");

/**
 * Every address of a cable at which a procedure makes an end, in order: the cable itself where its outermost layer is what
 * the work starts at, else all elements whose own outermost layer is.
 * @example addressesFor(loose, { startsAt: "coating" }).length // 36
 */
export function addressesFor(cable: Cable, { startsAt }: Pick<Procedure, "startsAt">): Address[] {
  if (cable.fibreCount === 1 || cable.layers[0]?.kind === startsAt) return [[]];
  let level: Address[] = [[]];
  while (level[0]) {
    const { kind } = elementAt(cable, level[0]);
    if (kind !== "cable" && OUTERMOST[kind].includes(startsAt)) return level;
    level = level.flatMap((address) => addressesBelow(cable, address));
  }
  return [[]];
}

/** Addresses of one kind of element below another, in order. */
function elementsBelow(cable: Cable, address: Address, kind: ElementKind): Address[] {
  const below = addressesBelow(cable, address);
  return below.flatMap((element) =>
    element.at(-1)?.kind === kind ? [element] : elementsBelow(cable, element, kind),
  );
}

/** What work at an address opens onto, in order: of the kinds its procedure names, the first there is. */
function openedBy(
  cable: Cable,
  address: Address,
  { opensOnto }: Pick<Procedure, "opensOnto">,
): readonly Address[] {
  if (!opensOnto) return [];
  const { element } = opensOnto;
  const kinds = typeof element === "string" ? [element] : element;
  return kinds.map((kind) => elementsBelow(cable, address, kind)).find((all) => all.length > 0) ?? [];
}

/**
 * How many elements each end made on a cable opens onto, in the order of their addresses.
 * @example opensOf(loose, procedures.find(({ id }) => id === "breakout-kit-6")) // [6, 6, 6, 6, 6, 6]
 */
export const opensOf = (cable: Cable, procedure: Pick<Procedure, "startsAt" | "opensOnto">): number[] =>
  addressesFor(cable, procedure).map((address) => openedBy(cable, address, procedure).length);

/**
 * The ends planned at a side, in the order of their addresses: first what is made on the cable, each followed by what it
 * opens onto; at a station, the opening, and what is put on each fibre that is parted in it.
 * @throws InputError `no-such-element` where more ends are planned than the cable has places for.
 * @example plannedEnds(plan, "A", loose, shelf).length // 0
 */
export function plannedEnds(plan: PiecePlan, side: PlaceSide, cable: Cable, shelf: Shelved): PlannedEnd[] {
  if (!isSide(side))
    return plan.stations.filter(({ id }) => id === side).flatMap((station) => endsAt(station, cable, shelf));
  const { procedure: id, choices, ends, onto } = plan.sides[side];
  const procedure = id === null ? undefined : shelf.procedure(id);
  if (!procedure) return [];
  const all = addressesFor(cable, procedure);
  if (ends > all.length) {
    const [first] = all;
    const elementKind = first?.at(-1)?.kind ?? "end";
    throw new InputError(
      "no-such-element",
      say("is-made-on-each-takes-at-a", {
        procedure: procedure.name,
        kind: elementKind,
        cable: cable.name,
        all: all.length,
        ends,
      }),
      ["sides", side, "ends"],
    );
  }
  return all.slice(0, ends).flatMap((address): PlannedEnd[] => [
    { side, address, procedure: procedure.id, choices, openedAt: null },
    ...(onto
      ? openedBy(cable, address, procedure).map((below) => ({
          side,
          address: below,
          procedure: onto.procedure,
          choices: onto.choices,
          openedAt: address,
        }))
      : []),
  ]);
}

function endsAt(
  { id: side, procedure, choices, onto, parted }: Station,
  cable: Cable,
  shelf: Shelved,
): PlannedEnd[] {
  const opening = { side, address: [], procedure, choices, openedAt: null };
  if (!onto) return [opening];
  const fibres = new Set(parted.map(({ fibre }) => fibre));
  const cut = cutElements(cable, shelf.procedure(onto.procedure)).filter((address) =>
    fibresAt(cable, address).every((fibre) => fibres.has(fibre)),
  );
  return [
    opening,
    ...cut
      .flatMap((address) => cutEndsAt(address, onto.cutEnds))
      .map((address) => ({
        ...{ side, address, procedure: onto.procedure, choices: onto.choices, openedAt: [] },
      })),
  ];
}

/**
 * What can be cut of an opened cable and worked by a procedure, in order: ribbons where it starts at a ribbon, else fibres.
 * @example cutElements(loose, { startsAt: "coating" }).length // 36
 */
export function cutElements(cable: Cable, procedure: Pick<Procedure, "startsAt"> | undefined): Address[] {
  const ribbons = procedure?.startsAt === "ribbon" ? elementsBelow(cable, [], "ribbon") : [];
  return ribbons.length > 0 ? ribbons : fibresBelow(cable, []);
}

/** The cut ends of a parted fibre or ribbon that are worked, each as an address of its own. */
function cutEndsAt(element: Address, worked: NonNullable<Station["onto"]>["cutEnds"]): Address[] {
  const last = element.at(-1);
  if (!last || worked === null) return [element];
  const ends = worked === "both" ? TOWARDS : [worked];
  return ends.map((towards) => [...element.slice(0, -1), { ...last, towards }]);
}

/**
 * What is in hand at a place as a cable of its own: the piece's cable where its own outer layers are worked, in mid-run
 * where it is opened at a station, what was opened where earlier work bared it.
 * @throws InputError `no-such-element`.
 * @example cableAt(plan, loose, { side: "A", address: [] }, shelf).id // "loose-tube-36"
 */
export function cableAt(
  plan: Pick<PiecePlan, "core" | "sides" | "stations">,
  cable: Cable,
  { side, address }: Place,
  shelf: Shelved,
): Cable {
  const { core, sides } = plan;
  if (!isSide(side)) {
    stationAt(plan, side);
    return address.length === 0 ? midSpanOf(cable) : opened(cable, address, core);
  }
  if (towardsOf(address))
    throw new InputError("no-such-element", say("a-fibre-has-two-cut-ends-only-where"), ["address"]);
  const { procedure: id } = sides[side];
  const procedure = id === null ? undefined : shelf.procedure(id);
  elementAt(cable, address);
  if (!procedure?.opensOnto) return cable;
  const at = addressesFor(cable, procedure).find((place) => isWithin(address, place));
  if (!at || at.length === address.length) return cable;
  const { into } = procedure.opensOnto;
  return opened(cable, address, core, into === undefined ? null : (shelf.cable(into) ?? null));
}

/**
 * What lies open at a side once its first work is done, as a cable of its own.
 * @throws InputError `does-not-fit` where that work opens onto nothing.
 * @example attempt(() => ontoCable(plan, "A", loose, shelf)).problem?.code // "does-not-fit"
 */
export function ontoCable(plan: PiecePlan, side: SideName, cable: Cable, shelf: Shelved): Cable {
  const { procedure: id } = plan.sides[side];
  const procedure = id === null ? undefined : shelf.procedure(id);
  const [first] = procedure ? addressesFor(cable, procedure) : [];
  const [below] = first && procedure ? openedBy(cable, first, procedure) : [];
  if (!below)
    throw new InputError(
      "does-not-fit",
      procedure
        ? say("opens-onto-nothing-to-be-ended", { procedure: procedure.name })
        : say("nothing-opens-onto-an-end"),
      ["sides", side, "onto"],
    );
  return cableAt(plan, cable, { side, address: below }, shelf);
}

const isWithin = (address: Address, outer: Address): boolean =>
  outer.every(({ kind, position }, i) => address[i]?.kind === kind && address[i].position === position);

/**
 * The fibres of what lies at an address, by their numbers over the whole cable.
 * @example fibresAt(loose, [{ kind: "tube", position: 1 }]) // [1, 2, 3, 4, 5, 6]
 */
export const fibresAt = (cable: Cable, address: Address): number[] =>
  fibresBelow(cable, address).map((fibre) => fibreNumber(cable, fibre));

/**
 * Of the ends planned at a side or station, those on some fibres that face the side one comes from; where one opens onto
 * another, the innermost.
 */
function endsOn(
  fibres: ReadonlySet<number>,
  from: SideName,
  at: PlaceSide,
  { plan, cable, shelf }: Planned,
): PlannedEnd[] {
  const met = plannedEnds(plan, at, cable, shelf).filter(
    ({ address }) =>
      fibresAt(cable, address).some((fibre) => fibres.has(fibre)) &&
      (isSide(at) || (towardsOf(address) ?? from) === from),
  );
  const inner = met.filter(({ openedAt }) => openedAt !== null);
  return inner.length > 0 ? inner : met;
}

/** A plan with what its places are found by. */
interface Planned {
  readonly plan: PiecePlan;
  readonly cable: Cable;
  readonly shelf: Shelved;
}

/**
 * The other ends of the fibres at a place: those at the other side, or where a fibre is parted on the way the cut end that
 * faces it; of a station, those towards both sides, or towards the one side of a cut end.
 * @example farEnds(plan, { side: "A", address: [] }, loose, shelf).length // 0
 */
export function farEnds(
  plan: PiecePlan,
  { side, address }: Place,
  cable: Cable,
  shelf: Shelved,
): PlannedEnd[] {
  const onward: readonly SideName[] = isSide(side) ? [otherSide(side)] : [towardsOf(address) ?? SIDES].flat();
  return onward.flatMap((far) => {
    const whole = new Set(fibresAt(cable, address));
    const all = far === "B" ? placeSides(plan) : placeSides(plan).reverse();
    const ahead = all.slice(all.indexOf(side) + 1);
    return ahead.flatMap((at): PlannedEnd[] => {
      const here = new Set(
        isSide(at)
          ? whole
          : stationAt(plan, at).parted.flatMap(({ fibre }) => (whole.has(fibre) ? [fibre] : [])),
      );
      for (const fibre of here) whole.delete(fibre);
      return here.size > 0 ? endsOn(here, otherSide(far), at, { plan, cable, shelf }) : [];
    });
  });
}

const otherSide = (side: SideName): SideName => (side === "A" ? "B" : "A");
