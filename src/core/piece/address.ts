import { z } from "zod";
import type { Cable } from "../cable/cable";
import { ELEMENT_KINDS, type ElementGroup, type ElementKind } from "../cable/element-group";
import { elementsOf } from "../cable/elements";
import { capital } from "../names/capital";
import { InputError } from "../problem/problem";
import { said, say } from "../words/core";
import { type Marked, marked } from "./identity";

/** The two cut ends of a fibre or ribbon that is parted: towards either side of its cable. */
export const TOWARDS = ["A", "B"] as const;
type Towards = (typeof TOWARDS)[number];

/** One of many: the third tube. */
const zStep = z.strictObject({
  kind: z.enum(ELEMENT_KINDS, said("kind-must-be-one-of-2", { elementKinds: ELEMENT_KINDS.join(", ") })),
  position: z
    .int(said("position-must-be-a-whole-number"))
    .min(1, said("position-must-be-1-or-more"))
    .max(6_912),
  /** Which of the two cut ends, of a fibre or ribbon that is parted at an opening; absent elsewhere. */
  towards: z.enum(TOWARDS, said("a-cut-end-lies-towards-a-or-b")).optional(),
});

/** Whether an element is parted in an opening, and so has two cut ends there. */
const isCut = (kind: ElementKind): boolean => kind === "fibre" || kind === "ribbon";

/** Where an element lies, from the outside in: tube 3 / fibre 7. Empty for the cable itself. */
export const zAddress = z
  .array(zStep)
  .max(3, said("an-address-must-have-at-most-three"))
  .refine((steps) => steps.every(({ kind, towards }) => towards === undefined || isCut(kind)), {
    ...said("only-a-fibre-or-ribbon-has-a-cut-end"),
  })
  .readonly();
export type Address = z.output<typeof zAddress>;

/**
 * An address as it is written: `tube 3 / fibre 7`, of a cut end `tube 3 / fibre 7 towards A`.
 * @example addressText([{ kind: "tube", position: 3 }, { kind: "fibre", position: 7, towards: "A" }])
 * // "tube 3 / fibre 7 towards A"
 */
export const addressText = (address: Address): string =>
  address
    .map(({ kind, position, towards }) => `${kind} ${position}${towards ? ` towards ${towards}` : ""}`)
    .join(" / ");

/**
 * Which cut end of a parted fibre an address is of; null of anything else.
 * @example towardsOf([{ kind: "fibre", position: 7, towards: "B" }]) // "B"
 */
export const towardsOf = (address: Address): Towards | null => address.at(-1)?.towards ?? null;

/**
 * Reads an address as it is written, whatever its letters and blanks.
 * @throws InputError `no-such-element` naming what cannot be read.
 * @example parseAddress("tube 3 / fibre 7") // [{ kind: "tube", position: 3 }, { kind: "fibre", position: 7 }]
 */
export function parseAddress(text: string): Address {
  if (text.trim() === "") return [];
  return text.split("/").map((part) => {
    const [, word = "", number = "", side] =
      /^\s*([a-z]+)\s*(\d{1,4})(?:\s+towards\s+([ab]))?\s*$/i.exec(part) ?? [];
    const towards = TOWARDS.find((each) => each === side?.toUpperCase());
    const kind = ELEMENT_KINDS.find((elementKind) => elementKind === word.toLowerCase());
    if (!kind || Number(number) < 1 || (towards && !isCut(kind)))
      throw new InputError(
        "no-such-element",
        say("is-not-an-element-enter-it-like", { part: part.trim().slice(0, 40) }),
        ["address"],
      );
    return { kind, position: Number(number), ...(towards && { towards }) };
  });
}

/** What lies at an address: so many of a kind below it, or nothing below a fibre. */
interface ElementAt {
  readonly kind: ElementKind | "cable";
  readonly holds: ElementGroup | null;
  /** What distinguishes it from those beside it; null for the cable itself. */
  readonly mark: Marked | null;
}

/** @throws InputError `no-such-element` for what the cable does not have, saying what it has. */
export function elementAt(cable: Cable, address: Address): ElementAt {
  let element: ElementAt = { kind: "cable", holds: elementsOf(cable), mark: null };
  for (const { kind, position } of address) {
    const { holds } = element;
    const within = element.kind === "cable" ? cable.name : `a ${element.kind} of ${cable.name}`;
    if (holds?.kind !== kind)
      throw new InputError(
        "no-such-element",
        holds
          ? say("holds-s-not-s", { within: capital(within), kind: holds.kind, kind2: kind })
          : say("holds-nothing-further", { within: capital(within) }),
        ["address"],
      );
    if (position > holds.count)
      throw new InputError(
        "no-such-element",
        say("has-s-1-to-not", { within: capital(within), kind, count: holds.count, position }),
        ["address"],
      );
    element = { kind, holds: holds.of ?? null, mark: marked(position) };
  }
  return element;
}

/** The addresses right below one, in their order. */
export function addressesBelow(cable: Cable, address: Address): Address[] {
  const { holds } = elementAt(cable, address);
  return holds
    ? Array.from({ length: holds.count }, (_, i) => [...address, { kind: holds.kind, position: i + 1 }])
    : [];
}

/**
 * Every fibre (or conductor) of what lies at an address, in order.
 * @example fibresBelow(loose, [{ kind: "tube", position: 1 }]).length // 6
 */
export function fibresBelow(cable: Cable, address: Address): Address[] {
  const below = addressesBelow(cable, address);
  return below.length === 0 ? [address] : below.flatMap((element) => fibresBelow(cable, element));
}

/** A fibre's number over the whole cable, from 1. */
export function fibreNumber(cable: Cable, address: Address): number {
  let number = 1;
  let group: ElementGroup | undefined = elementsOf(cable);
  for (const { position } of address) {
    number += (position - 1) * fibresIn(group?.of);
    group = group?.of;
  }
  return number;
}

const fibresIn = (group: ElementGroup | undefined): number =>
  group === undefined ? 1 : group.count * fibresIn(group.of);
