import { z } from "zod";
import { zMmNotNegative } from "../length/length";
import { coded, type ErrorCode } from "../problem/codes";
import type { Complaint } from "../problem/problem";
import { said, t } from "../words/core";

/** What a port, or the cable that goes in it, is for. */
export const PORT_ROLES = ["through", "branch", "drop"] as const;
export type PortRole = (typeof PORT_ROLES)[number];

/** The most ports and cables one question has. */
export const PORT_LIMIT = 32;

const zDiameter = zMmNotNegative.refine((value) => value <= 500_000, {
  ...said("diameter-must-be-at-most-500-mm"),
  params: coded("limit"),
});
const zId = z
  .string(said("an-id-is-text"))
  .min(1, said("id-must-not-be-empty"))
  .max(120, said("id-must-have-at-most-120-characters"));
const zRole = z.enum(PORT_ROLES, said("role-must-be-one-of", { portRoles: PORT_ROLES.join(", ") }));

export const zPort = z.strictObject({
  id: zId,
  /** Diameters it closes round as it is, both inclusive. */
  min: zDiameter,
  max: zDiameter,
  /** The least diameter it closes round with a bushing. */
  bushedMin: zDiameter,
  role: zRole,
  /** Two ports of one pair take a cable whose sheath is opened and not cut. */
  pair: zId.optional(),
  /** One port takes such a cable by itself. */
  double: z.boolean().optional(),
});
export type Port = z.output<typeof zPort>;

const zPortCable = z.strictObject({
  id: zId,
  diameter: zDiameter,
  role: zRole,
  /** Its sheath is opened, not cut: it comes in and goes out. */
  through: z.boolean().optional(),
});
export type PortCable = z.output<typeof zPortCable>;

export const zPortsInput = z
  .strictObject({
    ports: z.array(zPort).max(PORT_LIMIT, said("at-most-ports", { portLimit: PORT_LIMIT })),
    cables: z.array(zPortCable).max(PORT_LIMIT, said("at-most-cables", { portLimit: PORT_LIMIT })),
  })
  .superRefine(({ ports, cables }, context) => {
    for (const [name, complaints] of [
      ["ports", closurePorts(ports)],
      ["cables", twice(cables)],
    ] as const)
      for (const { path, message, code } of complaints)
        context.addIssue({ code: "custom", path: [name, ...path], message, params: coded(code) });
  });

/** Ids that stand twice in a list. */
const twice = (list: readonly { readonly id: string }[]): Complaint[] =>
  list.flatMap(({ id }, i) =>
    list.findIndex((item) => item.id === id) < i
      ? [{ code: "duplicate", message: t("two-have-the-id", { id }), path: [i, "id"] }]
      : [],
  );

/** What cannot be of the ports of one closure: one id twice, crossed limits, pairs that are none. */
export function closurePorts(ports: readonly Port[]): Complaint[] {
  const within = ports.flatMap(({ min, max, bushedMin, pair, double }, i) => {
    const complaints: Complaint[] = [];
    const say = (code: ErrorCode, field: string, message: string) =>
      complaints.push({ code, message, path: [i, field] });
    if (min > max) say("crossed-limits", "min", t("a-ports-least-diameter-must-not-exceed"));
    if (bushedMin > min) say("crossed-limits", "bushedMin", t("with-a-bushing-the-least-diameter-must"));
    if (pair === undefined) return complaints;
    if (double) say("bad-input", "double", t("a-port-must-be-one-of-a"));
    const of = ports.filter((port) => port.pair === pair).length;
    if (of !== 2) say("bad-input", "pair", t("a-pair-must-have-two-ports-has", { pair, of }));
    return complaints;
  });
  return [...twice(ports), ...within];
}

export type PortsInput = z.output<typeof zPortsInput>;

/** One way a cable can go in: one port, or both of a pair. */
export interface PortChoice {
  /** Places of its ports in the list, in their order. */
  readonly ports: readonly number[];
  readonly otherRole: boolean;
  readonly bushed: boolean;
  /** Sum of the greatest diameters of its ports, micrometres: big ports stay free. */
  readonly size: number;
}

/** Every way a cable can go in, by the places of the ports. */
export function waysOf(cable: PortCable, ports: readonly Port[]): PortChoice[] {
  const fits = ({ bushedMin, max }: Port) => bushedMin <= cable.diameter && cable.diameter <= max;
  const way = (places: readonly number[]): PortChoice[] => {
    const of = places.flatMap((place) => ports[place] ?? []);
    return of.every(fits)
      ? [
          {
            ports: places,
            otherRole: of.some(({ role }) => role !== cable.role),
            bushed: of.some(({ min }) => cable.diameter < min),
            size: of.reduce((sum, { max }) => sum + max, 0),
          },
        ]
      : [];
  };
  if (!cable.through) return ports.flatMap((_, place) => way([place]));
  return ports.flatMap(({ pair, double }, place) => {
    if (double) return way([place]);
    const other = pair === undefined ? -1 : ports.findIndex((port, i) => i > place && port.pair === pair);
    return other < 0 ? [] : way([place, other]);
  });
}
