import { type Device, deviceName, LEAD, leadCount } from "./device";
import type { FibreEnd, SplicedCable } from "./fibres";
import type { Splice, SplicePlan } from "./splice-plan";

/**
 * A closure's cables with the devices that lie in it, each as a cable of so many leads: what can be spliced there.
 * @example splicedIn({ cables: [pad4, pad5], plan: splicing }).length // 2
 */
export const splicedIn = ({
  cables,
  plan,
}: {
  readonly cables: readonly SplicedCable[];
  readonly plan: Pick<SplicePlan, "devices">;
}): SplicedCable[] => [
  ...cables,
  ...plan.devices.map((device, i): SplicedCable => {
    const fibreCount = leadCount(device);
    const name = deviceName(device);
    return {
      ...{
        id: device.id,
        number: cables.length + i + 1,
        name,
        core: "",
        through: false,
        parted: null,
        device,
      },
      cable: { name, fibreCount, construction: "simplex-cord", legs: [], cores: [], layers: [] },
    };
  }),
];

interface OpenJoint {
  /** The fibre that is cut, and from which side its light comes. */
  readonly cable: string;
  readonly fibre: number;
  readonly lightFrom: "A" | "B";
  readonly tapPct: number;
  readonly excessDb: number;
  readonly splitExcessDb: number;
  /** Labels of the outputs. One label: the tap's own drop. More: outputs of a splitter. */
  readonly labels: readonly string[];
  /** An id for each device and splice: up to six are used. */
  readonly nextId: () => string;
}

/**
 * An open joint: the fibre's end towards the source goes to a tap's input, its other end to the tap's through lead, the tap's drop
 * to a splitter where several are fed; each output ends on a port of its own label.
 * @example openJoint({ cable: "c", fibre: 7, lightFrom: "A", tapPct: 10, excessDb: 0.2, splitExcessDb: 0.4, labels: ["Cottage 1"], nextId: () => "d" }).devices.length // 1
 */
export function openJoint(joint: OpenJoint): Pick<SplicePlan, "devices" | "splices"> {
  const { cable, fibre, lightFrom, tapPct, excessDb, splitExcessDb, labels, nextId } = joint;
  const isSplit = labels.length > 1;
  const tap: Device = {
    ...{ kind: "tap", id: nextId(), tapPct, excessDb },
    ports: isSplit ? [] : labels.map((label) => ({ lead: LEAD.drop, label })),
  };
  const splitters: Device[] = isSplit
    ? [
        {
          ...{ kind: "splitter", id: nextId(), outputs: labels.length, excessDb: splitExcessDb },
          ports: labels.map((label, i) => ({ lead: i + 2, label })),
        },
      ]
    : [];
  const end = (towards: "A" | "B"): FibreEnd => ({ cable, towards, fibre });
  const lead = (device: Device, number: number): FibreEnd => ({
    ...{ cable: device.id, towards: null, fibre: number },
  });
  const splice = (a: FibreEnd, b: FibreEnd): Splice => ({
    ...{ id: nextId(), a, b, count: 1, slot: null, lengths: { a: null, b: null }, note: "" },
  });
  const onward = lightFrom === "A" ? "B" : "A";
  return {
    devices: [tap, ...splitters],
    splices: [
      splice(end(lightFrom), lead(tap, LEAD.input)),
      splice(lead(tap, LEAD.through), end(onward)),
      ...splitters.map((splitter) => splice(lead(tap, LEAD.drop), lead(splitter, LEAD.input))),
    ],
  };
}
