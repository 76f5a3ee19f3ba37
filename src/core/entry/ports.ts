import { z } from "zod";
import { zMmNotNegative } from "../length/length";
import { coded, type ErrorCode } from "../problem/codes";

/** What a port, or the cable that goes in it, is for. */
export const PORT_ROLES = ["through", "branch", "drop"] as const;

/** The most ports and cables one question has. */
export const PORT_LIMIT = 32;

const zDiameter = zMmNotNegative.refine((value) => value <= 500_000, {
  error: "A diameter is at most 500 mm",
  params: coded("limit"),
});
const zId = z.string("An id is text").min(1, "An id is not empty").max(120, "An id has at most 120 letters");
const zRole = z.enum(PORT_ROLES, { error: `A role is one of ${PORT_ROLES.join(", ")}` });

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

export const zPortCable = z.strictObject({
  id: zId,
  diameter: zDiameter,
  role: zRole,
  /** Its sheath is opened, not cut: it comes in and goes out. */
  through: z.boolean().optional(),
});
export type PortCable = z.output<typeof zPortCable>;

export const zPortsInput = z
  .strictObject({
    ports: z.array(zPort).max(PORT_LIMIT, `At most ${PORT_LIMIT} ports`),
    cables: z.array(zPortCable).max(PORT_LIMIT, `At most ${PORT_LIMIT} cables`),
  })
  .superRefine(({ ports, cables }, context) => {
    const issue = (path: (string | number)[], message: string, code: ErrorCode) =>
      context.addIssue({ code: "custom", path, message, params: coded(code) });
    for (const [name, list] of [
      ["ports", ports],
      ["cables", cables],
    ] as const)
      list.forEach(({ id }, i) => {
        if (list.findIndex((one) => one.id === id) < i)
          issue([name, i, "id"], `There are two called “${id}”`, "duplicate");
      });
    ports.forEach(({ min, max, bushedMin, pair, double }, i) => {
      if (min > max)
        issue(["ports", i, "min"], "A port's least diameter is over its greatest", "crossed-limits");
      if (bushedMin > min)
        issue(
          ["ports", i, "bushedMin"],
          "With a bushing a port takes thinner cables, not thicker ones",
          "crossed-limits",
        );
      if (pair === undefined) return;
      if (double)
        issue(["ports", i, "double"], "A port is one of a pair or takes both itself, not both", "bad-input");
      const of = ports.filter((one) => one.pair === pair).length;
      if (of !== 2) issue(["ports", i, "pair"], `A pair is two ports; “${pair}” has ${of}`, "bad-input");
    });
  });

export type PortsInput = z.output<typeof zPortsInput>;

/** One way a cable can go in: one port, or both of a pair. */
export interface Way {
  /** Places of its ports in the list, in their order. */
  readonly ports: readonly number[];
  readonly otherRole: boolean;
  readonly bushed: boolean;
  /** Sum of the greatest diameters of its ports, micrometres: big ports stay free. */
  readonly size: number;
}

/** Every way a cable can go in, by the places of the ports. */
export function waysOf(cable: PortCable, ports: readonly Port[]): Way[] {
  const fits = ({ bushedMin, max }: Port) => bushedMin <= cable.diameter && cable.diameter <= max;
  const way = (places: readonly number[]): Way[] => {
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
    const other = pair === undefined ? -1 : ports.findIndex((one, i) => i > place && one.pair === pair);
    return other < 0 ? [] : way([place, other]);
  });
}
