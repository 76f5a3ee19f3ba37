import { v4 as uuid } from "uuid";
import {
  asRole,
  type Cable,
  type ClosureCable,
  InputError,
  type Length,
  mustHoldAt,
  type PlacedCable,
  PORT_ROLES,
  type Port,
  type PortRole,
  type PortsTaken,
  placeCables,
  zStationId,
} from "@/core";
import { t } from "@/messages/entry";
import { exactMm } from "../words/length-text";
import { readThrough, writeThrough } from "./through";

/** A cable newly added, with an id of its own. */
export const broughtIn = (cable: Omit<ClosureCable, "id">): ClosureCable => ({
  id: zStationId.parse(uuid()),
  ...cable,
});

/** The same with its document, and what it is called among the others. */
export interface NamedCable extends ClosureCable {
  readonly name: string;
  readonly of: Cable;
}

const isRole = (text: string | undefined): text is PortRole => PORT_ROLES.some((role) => role === text);

/** The cables an address names: `loose-tube-36~through~t~1+2~2.0.0.0.middle` each; what cannot be read is left out. */
export const readCables = (texts: readonly string[]): ClosureCable[] =>
  texts.slice(0, 32).flatMap((text) => {
    const [cable = "", role, through, ports = "", opening = ""] = text.slice(0, 200).split("~");
    if (cable === "" || !isRole(role)) return [];
    return [
      broughtIn({
        cable,
        ...asRole(through === "t" ? "through" : role),
        fixed: ports === "" ? null : ports.split("+"),
        opening: readThrough(opening),
        joins: null,
      }),
    ];
  });

export const writeCables = (cables: readonly ClosureCable[]): string[] =>
  cables.map(({ cable, role, through, fixed, opening }) =>
    [
      cable,
      role,
      through ? "t" : "",
      fixed?.join("+") ?? "",
      ...(opening ? [writeThrough(opening)] : []),
    ].join("~"),
  );

/** Cables with their documents, in their order; like ones are numbered. One that is not on the shelf is left out. */
export function namedCables(cables: readonly ClosureCable[], shelf: readonly Cable[]): NamedCable[] {
  const placed = cables.flatMap((cable) => {
    const of = shelf.find(({ id }) => id === cable.cable);
    return of ? [{ ...cable, of }] : [];
  });
  return placed.map((item) => {
    const alike = placed.filter(({ cable }) => cable === item.cable);
    const number = alike.indexOf(item) + 1;
    return {
      ...item,
      name: alike.length > 1 ? `${item.of.name} (${number})` : item.of.name,
    };
  });
}

/** What a port closes round: the outermost layer. */
export const sheathOf = ({ of }: Pick<NamedCable, "of">): Length => mustHoldAt(of.layers, 0).diameter;

/**
 * Where the cables go.
 * @throws InputError `does-not-fit`, in words with the cables' names, where they cannot all go in.
 */
export function placedIn(
  ports: readonly Port[],
  cables: readonly NamedCable[],
): PortsTaken & { possible: true } {
  const placements = cables.map((cable): PlacedCable => {
    const { id, name, role, through, fixed } = cable;
    return { id, name, role, through, fixed, diameter: sheathOf(cable) };
  });
  const placed = placeCables(ports, placements);
  if (placed.possible) return placed;
  const stuck = cables.filter(({ id }) => !placed.possible && placed.cannot.includes(id));
  throw new InputError("does-not-fit", stuckText(stuck, ports), ["cables"]);
}

function stuckText(stuck: readonly NamedCable[], ports: readonly Port[]): string {
  const [only] = stuck;
  if (only && stuck.length === 1) {
    const diameter = sheathOf(only);
    const takes = ports.filter(({ bushedMin, max }) => bushedMin <= diameter && diameter <= max);
    if (takes.length === 0)
      return t("is-mm-thick-no-port-here", { name: only.name, formatMm: exactMm(diameter) });
    return only.through
      ? t("goes-through-no-double-port-and", { name: only.name, formatMm: exactMm(diameter) })
      : t("finds-no-port-left-for-its", { name: only.name, formatMm: exactMm(diameter) });
  }
  return t("these-cannot-all-go-in-too", { value: stuck.map(({ name }) => name).join(", ") });
}
