import { formatMm } from "../length/format";
import { InputError } from "../problem/problem";
import { say } from "../words/core";
import type { Saying } from "../words/wording";
import { bestPorts, type PortsAnswer } from "./best-ports";
import { type Port, type PortCable, type PortChoice, waysOf } from "./ports";

/** A cable that goes into an entry, and the ports somebody put it in; null leaves them to be found. */
export interface PlacedCable extends PortCable {
  /** What it is called where its id is none a person gave. */
  readonly name?: string;
  readonly fixed: readonly string[] | null;
}

/** Where every cable of an entry goes, or which cannot all go in. */
export type PortsTaken =
  | {
      readonly possible: true;
      /** In the order of the cables. */
      readonly at: readonly { readonly ports: readonly string[]; readonly way: PortChoice }[];
      readonly otherRole: number;
      readonly bushed: number;
      /** How many ways there are for those left to be found. */
      readonly valid: number;
    }
  | { readonly possible: false; readonly cannot: readonly string[] };

/**
 * Why a cable does not go into some ports, in words; null where it does.
 * @param ports of the entry, and the ids of those it is put in.
 * @example portTrouble({ id: "a", role: "branch", through: false, diameter: um(90_000) }, dome.ports, [dome.ports[0].id])?.key
 * // "core/port-closes-round"
 */
export function portTrouble(cable: PortCable, ports: readonly Port[], at: readonly string[]): Saying | null {
  const into = ports.filter(({ id }) => at.includes(id));
  for (const port of into)
    if (cable.diameter < port.bushedMin || cable.diameter > port.max)
      return say("port-closes-round", {
        id: port.id,
        from: formatMm(port.bushedMin),
        to: formatMm(port.max),
        diameter: formatMm(cable.diameter),
      });
  if (waysOf(cable, ports).some((way) => way.ports.map((place) => ports[place]?.id).join() === at.join()))
    return null;
  return cable.through
    ? say("a-through-cable-needs-a-pair-or-a-double-port")
    : say("a-cable-that-ends-here-needs-one-port");
}

/**
 * Every port a cable is put in by one of them: both of a pair where it goes through.
 * @example portsBy({ id: "a", role: "branch", through: false, diameter: um(10_000) }, dome.ports, dome.ports[0].id).length
 * // 1
 */
export function portsBy(cable: PortCable, ports: readonly Port[], id: string): readonly string[] {
  const port = ports.find((port) => port.id === id);
  return cable.through && port?.pair !== undefined
    ? ports.filter(({ pair }) => pair === port.pair).map((port) => port.id)
    : [id];
}

/**
 * Puts cables into the ports of an entry: those somebody put where they put them, the rest the best way there is.
 * @throws InputError `does-not-fit` for a cable put where it does not go, or where another is already.
 * @example placeCables(dome.ports, []).possible // true
 */
export function placeCables(ports: readonly Port[], cables: readonly PlacedCable[]): PortsTaken {
  const taken = new Map<string, string>();
  for (const cable of cables) {
    if (!cable.fixed) continue;
    const trouble = portTrouble(cable, ports, cable.fixed);
    if (trouble !== null) throw new InputError("does-not-fit", trouble, ["cables", cable.id]);
    for (const id of cable.fixed) {
      const other = taken.get(id);
      if (other !== undefined)
        throw new InputError("does-not-fit", say("port-is-taken-by", { id, other }), ["cables", cable.id]);
      taken.set(id, cable.name ?? cable.id);
    }
  }
  const open = cables.filter(({ fixed }) => !fixed);
  // A pair of which one port is taken is no pair any more: the other takes what ends here.
  const free = ports.flatMap((port): Port[] => {
    if (taken.has(port.id)) return [];
    const broken =
      port.pair !== undefined && ports.some(({ id, pair }) => pair === port.pair && taken.has(id));
    return [broken ? { ...port, pair: undefined } : port];
  });
  const portsAnswer: PortsAnswer = bestPorts({ ports: free, cables: open });
  if (!portsAnswer.possible) return portsAnswer;
  const given = new Map(portsAnswer.assignment.map(({ cable, ports: at }) => [cable, at]));
  const at = cables.map((cable) => {
    const ids = cable.fixed ?? given.get(cable.id) ?? [];
    const way = waysOf(cable, ports).find(
      (way) => way.ports.map((place) => ports[place]?.id).join() === ids.join(),
    );
    if (!way) throw new Error(`${cable.id} was given ports it does not go in`);
    return { ports: ids, way };
  });
  return {
    possible: true,
    at,
    otherRole: at.filter(({ way }) => way.otherRole).length,
    bushed: at.filter(({ way }) => way.bushed).length,
    valid: portsAnswer.valid,
  };
}
