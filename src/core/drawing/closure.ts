import type { ClosureWork } from "../closure/closure-work";
import type { ClosureAtWork, ClosureStage } from "../closure/work-items";
import { storedTubes } from "../entry/through";
import { mustHoldAt } from "../problem/held";
import { fibreTotal } from "../splice/fibres";
import { endsJoined, type SplicePlan } from "../splice/splice-plan";
import { slotAt } from "../tray/tray-set";

/** Room left between the parts of the drawing, micrometres: no figures of an entry. */
const GAP = 22_000;
const CABLE_OUTSIDE = 70_000;
const PLATE = 12_000;
const CLAMP = 34_000;
const TUBES_OUT = 34_000;
const ROW = 13_000;

/** True while anything of a part is still to be done. */
type PartStanding = "done" | "open";

interface DrawnPort {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly diameter: number;
  /** The cable in it, by its id; null for an empty one. */
  readonly cable: string | null;
  readonly plug: boolean;
}

interface DrawnCable {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly y: number;
  readonly diameter: number;
  readonly through: boolean;
  /** The first stage with anything open for it; null where all is done. */
  readonly stage: ClosureStage | null;
}

interface DrawnStorage {
  readonly x: number;
  readonly y: number;
  readonly radius: number;
  readonly straight: number;
  readonly turns: number;
  /** Fibres that stay whole, of all cables that go through. */
  readonly whole: number;
  readonly standing: PartStanding;
}

interface DrawnTrays {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  readonly trays: readonly { readonly tray: number; readonly count: number; readonly done: number }[];
}

/** A closure as it lies open, from its face to its trays: what is in it to one scale, micrometres; y runs down. */
export interface WholeClosure {
  readonly width: number;
  readonly height: number;
  readonly face: {
    readonly shape: "round" | "flat";
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
    readonly ports: readonly DrawnPort[];
  };
  /** The plate the cables are clamped on. */
  readonly plate: { readonly left: number; readonly right: number };
  readonly clampedTo: number;
  readonly openedTo: number;
  readonly cables: readonly DrawnCable[];
  readonly storage: DrawnStorage | null;
  readonly trays: DrawnTrays | null;
  readonly closed: boolean;
}

/**
 * A closure as one drawing: its face with what stands in each port, every cable as it is clamped and opened, the storage
 * with its turns, the trays with what is spliced.
 * @example wholeClosure(closureAt, closureWork(closureAt, [])).cables.length // 2
 */
export function wholeClosure(at: ClosureAtWork, work: ClosureWork): WholeClosure {
  const { entry } = at;
  const rows = at.cables.map((cable) => mustHoldAt(cable.cable.layers, 0).diameter + ROW);
  const rowsHeight = rows.reduce((sum, row) => sum + row, 0);
  const loop = storageLoop(at, work);
  const { trays } = entry;
  const height =
    Math.max(rowsHeight, entry.face.height, loop ? 2 * loop.radius : 0, trays?.height ?? 0) + 2 * GAP;
  const plateLeft = GAP + entry.face.width + GAP + CABLE_OUTSIDE;
  const plate = { left: plateLeft, right: plateLeft + PLATE };
  const clampedTo = plate.right + CLAMP;
  const openedTo = clampedTo + TUBES_OUT;
  const storage = loop && {
    ...loop,
    x: openedTo + GAP + loop.radius + loop.straight / 2,
    y: height / 2,
  };
  const storageEnd = storage ? storage.x + storage.radius + storage.straight / 2 : openedTo;
  const left = storageEnd + 2 * GAP;
  let top = (height - rowsHeight) / 2;
  const cables = at.cables.map((cable, i): DrawnCable => {
    const row = rows[i] ?? 0;
    top += row;
    return {
      ...{ id: cable.id, number: cable.number, name: cable.name, through: cable.through },
      y: top - row / 2 + ROW / 4,
      diameter: row - ROW,
      stage: stageOf(work, cable.id),
    };
  });
  return {
    width: (trays ? left + trays.width : storageEnd) + 2 * GAP,
    height,
    face: {
      ...entry.face,
      x: GAP + entry.face.width / 2,
      y: height / 2,
      ports: portsOf(at),
    },
    ...{ plate, clampedTo, openedTo, cables, storage },
    trays: trays
      ? {
          ...{ left, width: trays.width, height: trays.height },
          top: (height - trays.height) / 2,
          trays: traysUsed(at, work),
        }
      : null,
    closed: work.closed,
  };
}

const OF_CABLE = ["cable", "place", "stored", "cut"];

/** The first stage in which a cable has anything open. */
function stageOf({ items }: ClosureWork, cable: string): ClosureStage | null {
  const ids = OF_CABLE.map((start) => `${start} ${cable}`);
  return items.find(({ id, done }) => !done && ids.includes(id))?.stage ?? null;
}

const portsOf = ({ entry, cables }: ClosureAtWork): DrawnPort[] =>
  entry.ports.map(({ id, x, y, max, plug }) => ({
    ...{ id, x, y: -y, diameter: max, plug },
    cable: cables.find(({ ports }) => ports.includes(id))?.id ?? null,
  }));

/** The turns of the storage as its tubes lie in them; null where no cable goes through. */
function storageLoop(
  { entry, cables, plan }: ClosureAtWork,
  { items }: ClosureWork,
): Omit<DrawnStorage, "x" | "y"> | null {
  const through = cables.filter((cable) => cable.through);
  const [first] = through;
  if (!first) return null;
  const lies = first.tube === null ? null : storedTubes(entry, first.tube).lies;
  const { turns, perimeter } = lies ?? { turns: entry.storage.turns.min, perimeter: entry.storage.perimeter };
  const [radius, straight] = [perimeter / (2 * Math.PI), 0];
  const whole = through.reduce(
    (sum, { id, cable, parted }) => sum + fibreTotal(cable) - (parted?.length ?? splicedOf(plan, id)),
    0,
  );
  const done = items.every(({ id, done }) => done || !id.startsWith("stored "));
  return { radius, straight, turns, whole, standing: done ? "done" : "open" };
}

/** How many fibres of a cable the plan splices, whichever of their cut ends. */
const splicedOf = ({ splices }: SplicePlan, cable: string): number =>
  new Set(
    splices
      .flatMap((splice) => [...endsJoined(splice, "a"), ...endsJoined(splice, "b")])
      .flatMap((end) => (end.cable === cable ? [end.fibre] : [])),
  ).size;

/** The trays that have splices, each with how many are done; the first alone where none has. */
function traysUsed({ entry }: ClosureAtWork, { splices }: ClosureWork): DrawnTrays["trays"] {
  const { trays } = entry;
  if (!trays) return [];
  const counts = new Map([[1, { count: 0, done: 0 }]]);
  for (const { splice, standing } of splices) {
    const tray = splice.slot === null ? undefined : slotAt(trays, splice.slot)?.tray;
    if (tray === undefined) continue;
    const { count, done } = counts.get(tray) ?? { count: 0, done: 0 };
    const isOpen = standing === "open" || standing === "out";
    counts.set(tray, { count: count + 1, done: done + (isOpen ? 0 : 1) });
  }
  return [...counts].sort(([a], [b]) => a - b).map(([tray, count]) => ({ tray, ...count }));
}
