import { z } from "zod";
import type { Cable } from "../cable/cable";
import type { ElementKind } from "../cable/element-group";
import { InputError } from "../problem/problem";
import type { Procedure } from "../procedure/procedure";
import {
  type Address,
  addressesBelow,
  addressText,
  elementAt,
  fibreNumber,
  fibresBelow,
  zAddress,
} from "./address";
import { OUTERMOST, opened } from "./opened";
import { type PiecePlan, SIDES, type SideName } from "./plan";

/** Where an end of a piece is made: a side of it, and what is ended there. */
export const zPlace = z.strictObject({
  side: z.enum(SIDES, { error: "A side is A or B" }),
  address: zAddress,
});
export type Place = z.output<typeof zPlace>;

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

/** One key a place: `A tube 3 / fibre 7`. */
export const placeKey = ({ side, address }: Place): string => `${side} ${addressText(address)}`.trim();

/** A place as it is said: `side A, tube 3 / fibre 7`. */
export const placeText = ({ side, address }: Place): string =>
  address.length === 0 ? `side ${side}` : `side ${side}, ${addressText(address)}`;

/**
 * Every address of a cable at which a procedure makes an end, in order: the cable itself where its outermost layer is what
 * the work starts at, else all elements whose own outermost layer is.
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
  return below.flatMap((one) => (one.at(-1)?.kind === kind ? [one] : elementsBelow(cable, one, kind)));
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
 * The ends planned at a side, in the order of their addresses: first what is made on the cable, each followed by what it
 * opens onto.
 * @throws InputError `no-such-element` where more ends are planned than the cable has places for.
 */
export function plannedEnds(plan: PiecePlan, side: SideName, cable: Cable, shelf: Shelved): PlannedEnd[] {
  const { procedure: id, choices, ends, onto } = plan.sides[side];
  const procedure = id === null ? undefined : shelf.procedure(id);
  if (!procedure) return [];
  const all = addressesFor(cable, procedure);
  if (ends > all.length) {
    const [first] = all;
    const what = first?.at(-1)?.kind ?? "end";
    throw new InputError(
      "no-such-element",
      `${procedure.name} is made on each ${what === "end" ? "cable" : what}: ${cable.name} takes ${all.length} at a side, not ${ends}.`,
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

/**
 * What is in hand at a place as a cable of its own: the piece's cable where its own outer layers are worked, what was opened
 * where earlier work bared it.
 * @throws InputError `no-such-element`.
 */
export function cableAt(
  { core, sides }: Pick<PiecePlan, "core" | "sides">,
  cable: Cable,
  { side, address }: Place,
  shelf: Shelved,
): Cable {
  const { procedure: id } = sides[side];
  const procedure = id === null ? undefined : shelf.procedure(id);
  elementAt(cable, address);
  if (!procedure?.opensOnto) return cable;
  const at = addressesFor(cable, procedure).find((one) => isWithin(address, one));
  if (!at || at.length === address.length) return cable;
  const { into } = procedure.opensOnto;
  return opened(cable, address, core, into === undefined ? null : (shelf.cable(into) ?? null));
}

/**
 * What lies open at a side once its first work is done, as a cable of its own.
 * @throws InputError `does-not-fit` where that work opens onto nothing.
 */
export function ontoCable(plan: PiecePlan, side: SideName, cable: Cable, shelf: Shelved): Cable {
  const { procedure: id } = plan.sides[side];
  const procedure = id === null ? undefined : shelf.procedure(id);
  const [first] = procedure ? addressesFor(cable, procedure) : [];
  const [below] = first && procedure ? openedBy(cable, first, procedure) : [];
  if (!below)
    throw new InputError("does-not-fit", `${procedure?.name ?? "Nothing"} opens onto nothing to be ended.`, [
      "sides",
      side,
      "onto",
    ]);
  return cableAt(plan, cable, { side, address: below }, shelf);
}

const isWithin = (address: Address, outer: Address): boolean =>
  outer.every(({ kind, position }, i) => address[i]?.kind === kind && address[i].position === position);

/** The fibres of what lies at an address, by their numbers over the whole cable. */
export const fibresAt = (cable: Cable, address: Address): number[] =>
  fibresBelow(cable, address).map((one) => fibreNumber(cable, one));

/** Of the ends planned at the other side, those on the same fibres; where one opens onto another, the innermost. */
export function farEnds(
  plan: PiecePlan,
  { side, address }: Place,
  cable: Cable,
  shelf: Shelved,
): PlannedEnd[] {
  const here = new Set(fibresAt(cable, address));
  const far = plannedEnds(plan, side === "A" ? "B" : "A", cable, shelf);
  const met = far.filter((one) => fibresAt(cable, one.address).some((fibre) => here.has(fibre)));
  const inner = met.filter(({ openedAt }) => openedAt !== null);
  return inner.length > 0 ? inner : met;
}
