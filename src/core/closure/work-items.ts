import type { Cable } from "../cable/cable";
import type { Entry } from "../entry/entry";
import { type StoredTubes, storedTubes } from "../entry/through";
import { type Device, deviceName, leadName } from "../splice/device";
import type { SplicedCable } from "../splice/fibres";
import type { SplicePlan } from "../splice/splice-plan";
import { say } from "../words/core";
import type { Saying } from "../words/wording";

/** The stages of a closure's work, in order. */
export const CLOSURE_STAGES = [
  "before",
  "cables",
  "in-place",
  "fibres",
  "splices",
  "before-closing",
  "closing",
] as const;
export type ClosureStage = (typeof CLOSURE_STAGES)[number];

/** A cable of a closure at work: whether its own sheet is signed off. */
export interface WorkedCable extends SplicedCable {
  readonly cable: Cable;
  readonly prepared: boolean;
  /** Ports it stands in; none where its closure has no room for it. */
  readonly ports: readonly string[];
  /** Of one that goes through: tube in its opening, along the tube, micrometres; null of any other. */
  readonly tube: number | null;
}

/** All that a closure's work follows from, beside its events. */
export interface ClosureAtWork {
  readonly entry: Entry;
  readonly cables: readonly WorkedCable[];
  readonly plan: SplicePlan;
  /** True where a port that takes a plug has no cable in it. */
  readonly plugs: boolean;
  /** Expected power and limits at the outputs of its devices; null where nobody has planned them. */
  readonly light: OutputLight | null;
}

/** Power at an output, dBm: as the feeder's plan has it, and the least and most its receiver takes. */
export interface OutputLight {
  readonly expectedDbm: number | null;
  readonly leastDbm: number;
  readonly mostDbm: number | null;
  /** The joint of a feeder that is made here; null where none is. */
  readonly joint: PlannedJoint | null;
}

/** A joint as its feeder plans it. */
interface PlannedJoint {
  readonly feeder: string;
  readonly tapPct: number;
  readonly excessDb: number;
  readonly splitExcessDb: number;
  readonly drops: number;
  readonly feeds: readonly string[];
}

/** One thing of a stage that is to be done, looked at or read. */
export interface WorkItem {
  readonly id: string;
  readonly stage: ClosureStage;
  readonly text: Saying;
  /** Input of the item: a tick (`done`), a radius, a gap, a torque or a power; `nothing` where it follows from the cable's own sheet. */
  readonly asks: "done" | "radius" | "gap" | "torque" | "power" | "nothing";
  readonly done: boolean;
  /** The value read and its limit: a radius or a gap in micrometres, a torque in N·m, a power in dBm. Null where there is none. */
  readonly reading: number | null;
  readonly limit: number | null;
  /** The upper limit, where `limit` is the lower one of two. */
  readonly most: number | null;
  /** Shown with it until it is done. */
  readonly caution: Saying | null;
  /** The figures to work to, shown below its text; null where there are none. */
  readonly how: Saying | null;
}

type DueItem = Omit<WorkItem, "reading">;

type More = Partial<Pick<DueItem, "asks" | "limit" | "most" | "caution" | "how" | "done">>;

const item = (stage: ClosureStage, id: string, text: Saying, more: More = {}): DueItem => ({
  stage,
  id,
  text,
  asks: "done",
  done: false,
  limit: null,
  most: null,
  caution: null,
  how: null,
  ...more,
});

/** All there is to do at a closure beside its splices, stage by stage. */
export const dueItems = (at: ClosureAtWork): DueItem[] => [
  ...before(at),
  ...ofCables(at),
  ...ofFibres(at),
  ...beforeClosing(at),
  ...closing(at),
];

const goesThrough = ({ cables }: ClosureAtWork): readonly WorkedCable[] =>
  cables.filter(({ through }) => through);

function before(at: ClosureAtWork): DueItem[] {
  const items = [item("before", "permission", say("permission-is-given-and-circuits-noted"))];
  if (goesThrough(at).length > 0) {
    const caution = say("never-look-into-a-fibre-that-may-be-live");
    items.push(item("before", "dark", say("fibres-to-be-cut-carry-no-light"), { caution }));
  }
  if (at.entry.relief) {
    const caution = say("let-pressure-out-before-a-clamp-is-opened");
    items.push(item("before", "relief", say("pressure-is-let-out-and-the-cap-kept"), { caution }));
  }
  return items;
}

function ofCables({ cables }: ClosureAtWork): DueItem[] {
  const prepared = cables.map(({ id, number, name, prepared }) =>
    item("cables", `cable ${id}`, say("cable-is-prepared", { number, name }), {
      asks: "nothing",
      done: prepared,
    }),
  );
  const placed = cables.map(({ id, number, name }) =>
    item("in-place", `place ${id}`, say("cable-is-clamped-and-bonded", { number, name })),
  );
  return [...prepared, ...placed];
}

function ofFibres(at: ClosureAtWork): DueItem[] {
  const caution = say("a-cut-fibre-is-a-splinter");
  const radius: More = { asks: "radius", limit: at.entry.radius };
  const cuts = goesThrough(at).flatMap(({ id, number, name, tube }) => [
    item("fibres", `stored ${id}`, say("whole-fibres-are-stored-radius", { number, name }), {
      ...radius,
      how: tube === null ? null : storedText(storedTubes(at.entry, tube)),
    }),
    item("fibres", `cut ${id}`, say("colours-are-named-then-cut", { number, name }), { caution }),
  ]);
  return [...cuts, item("fibres", "led", say("fibres-are-led-to-their-trays"))];
}

const tenths = (micrometres: number): number => Math.round(micrometres / 100) / 10;

/** The sentence on whole tubes in the storage: their turns, else what they are over or short. */
function storedText({ tube, lies, over, under }: StoredTubes): Saying {
  if (lies)
    return say("tubes-lie-in-turns", {
      tube: tenths(tube),
      turns: lies.turns,
      perimeter: tenths(lies.perimeter),
      radius: tenths(lies.radius),
    });
  return under > 0
    ? say("tubes-are-under", { tube: tenths(tube), off: tenths(under) })
    : say("tubes-are-over", { tube: tenths(tube), off: tenths(over) });
}

function beforeClosing({ plan, plugs, light }: ClosureAtWork): DueItem[] {
  const items: DueItem[] = [];
  for (const device of plan.devices) items.push(...ofOutputs(device, light));
  if (plan.splices.length > 0) items.push(item("before-closing", "covered", say("trays-are-covered")));
  items.push(item("before-closing", "bends", say("no-fibre-is-crossed-or-pinched")));
  if (plugs) items.push(item("before-closing", "plugs", say("a-plug-is-in-every-empty-port")));
  items.push(item("before-closing", "photo", say("the-inside-is-photographed")));
  return items;
}

/** Each output of a device is labelled, then the power at it read. Without a window its power stays to be planned. */
function ofOutputs(device: Device, light: OutputLight | null): DueItem[] {
  const caution = say("never-look-into-a-fibre-that-may-be-live");
  return device.ports.flatMap(({ lead, label }) => {
    const [of, output] = [deviceName(device), leadName(device, lead)];
    const asks: More = light
      ? {
          ...{ asks: "power", limit: light.leastDbm, most: light.mostDbm },
          how:
            light.expectedDbm === null
              ? null
              : say("power-expected", { dBm: Math.round(light.expectedDbm * 100) / 100 }),
        }
      : { asks: "nothing", how: say("no-receiver-is-planned") };
    return [
      item(
        "before-closing",
        `label ${device.id} ${lead}`,
        say("output-is-labelled", { device: of, output, label }),
      ),
      item(
        "before-closing",
        `power ${device.id} ${lead}`,
        say("power-at-output", { device: of, output, label }),
        {
          ...asks,
          caution,
        },
      ),
    ];
  });
}

function closing({ entry }: ClosureAtWork): DueItem[] {
  const tightened = (at: "seal" | "cover") =>
    entry.fasteners.flatMap(({ title, newtonMetres, stage }, i) => {
      const torque: More = { asks: "torque", limit: newtonMetres };
      const text = say("fastener-at-torque", { title, newtonMetres });
      return stage === at ? item("closing", `fasten ${i}`, text, torque) : [];
    });
  const seal = tightened("seal");
  const gap = sealGap(entry);
  // A seal that is pressed before the cover is read then; one that the cover closes, once that is tight.
  const items = [
    ...seal,
    ...(seal.length > 0 ? gap : []),
    item("closing", "cover", say("the-cover-is-on-and-closed")),
    ...tightened("cover"),
    ...(seal.length > 0 ? [] : gap),
  ];
  if (entry.relief) {
    items.push(item("closing", "pressure", say("pressure-is-held-as-the-sheet-says")));
    items.push(item("closing", "cap", say("the-valve-cap-is-back-on")));
  }
  return items;
}

/** The seal's gap where it is widest and where it is narrowest; none where the entry has no figure for it. */
function sealGap({ lengths }: Entry): DueItem[] {
  const figure = lengths["seal-gap"];
  if (!figure) return [];
  const limit = Math.max(0, figure.nominal - (figure.minus ?? figure.nominal));
  const most = figure.plus === null ? null : figure.nominal + figure.plus;
  const read: More = { asks: "gap", limit, most };
  return [
    item("closing", "gap-widest", say("the-seals-gap-where-it-is-widest"), read),
    item("closing", "gap-narrowest", say("the-seals-gap-where-it-is-narrowest"), read),
  ];
}
