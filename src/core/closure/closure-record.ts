import { z } from "zod";
import { fibresText } from "../piece/parted";
import { type ToolStood, toolRecords, worstByTool, zToolRecord } from "../record/tool-checks";
import { colourTyped, fibreEndText, fibreShown, PIGTAIL, splicedCable } from "../splice/fibres";
import { splicedIn } from "../splice/open-joint";
import type { Splice } from "../splice/splice-plan";
import type { ClosureRecorded } from "./closure-event";
import { closureWork, type SpliceState } from "./closure-work";
import { CLOSURE_STAGES, type ClosureAtWork, type WorkItem } from "./work-items";

const zDone = z.strictObject({ at: z.string(), by: z.string().nullable() });

const zItemRecord = z.strictObject({
  stage: z.enum(CLOSURE_STAGES),
  text: z.string(),
  done: z.boolean(),
  /** The value read, its unit and its limits: millimetres, newton metres or dBm. Null where nothing is read. */
  reading: z.number().nullable(),
  unit: z.enum(["mm", "N·m", "dBm"]).nullable(),
  least: z.number().nullable(),
  most: z.number().nullable(),
  /** When and by whom it was done last; null where it is open, or follows from a cable's own record. */
  last: zDone.nullable(),
});

const zSpliceRecord = z.strictObject({
  number: z.int(),
  a: z.string(),
  b: z.string(),
  /** Colours by the plan, as they are typed; null of a pigtail. */
  colours: z.strictObject({ a: z.string().nullable(), b: z.string().nullable() }),
  fibres: z.int(),
  slot: z.string().nullable(),
  tries: z.array(
    z.strictObject({
      ...zDone.shape,
      estimateDb: z.number(),
      procedure: z.string().nullable(),
      simulated: z.boolean(),
      /** Names of the tools it was made with whose check failed, with no good check between. */
      toolsFailed: z.array(z.string()),
    }),
  ),
  standing: z.enum(["open", "in", "out", "accepted", "left"]),
  reason: z.string(),
  /** Fibre left on either side, millimetres, and how many further tries it reaches for; null without a tray. */
  left: z.strictObject({ a: z.number(), b: z.number() }).nullable(),
  triesLeft: z.int().nullable(),
});

/** All that a closure's record states, on one page. Lengths in millimetres. */
export const zClosureRecord = z.strictObject({
  id: z.string(),
  name: z.string(),
  job: z.string(),
  entry: z.string(),
  state: z.enum(["open", "closed"]),
  limitDb: z.number(),
  cables: z.array(
    z.strictObject({
      number: z.int(),
      name: z.string(),
      cable: z.string(),
      through: z.boolean(),
      prepared: z.boolean(),
      /** The end its own record is of; null where none is begun. */
      end: z.string().nullable(),
    }),
  ),
  items: z.array(zItemRecord),
  splices: z.array(zSpliceRecord),
  spares: z.array(z.strictObject({ cable: z.string(), fibres: z.string(), reason: z.string() })),
  reopened: z.array(z.strictObject({ ...zDone.shape, reason: z.string() })),
  /** Standing by the checks of the tools it was made with, the worst of each; none that was never checked. */
  tools: z.array(zToolRecord.omit({ bias: true })),
});
export type ClosureRecord = z.output<typeof zClosureRecord>;

interface RecordOf {
  readonly id: string;
  readonly name: string;
  readonly job: string;
  /** The end each cable's own record is of, by the cable's id in the closure. */
  readonly ends: ReadonlyMap<string, string | null>;
  /** A person's name by their id. */
  readonly nameOf: (person: string | null) => string | null;
  /** Standing of an event by the checks of the tools it was done with. */
  readonly checksOf: (recorded: ClosureRecorded) => readonly ToolStood[];
}

/**
 * The record of a closure: its cables, everything done or read in order of the work, each splice with its tries and what
 * they left, spares with their reasons, and every time it was opened again.
 * @example closureRecord({ id: "c", name: "Pad 4", job: "Ring", ends: new Map(), nameOf: () => null, checksOf: () => [] }, closureAt, []).state // "open"
 */
export function closureRecord(
  { id, name, job, ends, nameOf, checksOf }: RecordOf,
  at: ClosureAtWork,
  events: readonly ClosureRecorded[],
): ClosureRecord {
  const work = closureWork(at, events);
  const done = ({ at: when, by }: ClosureRecorded) => ({ at: when, by: nameOf(by) });
  return {
    id,
    name,
    job,
    entry: at.entry.name,
    state: work.closed ? "closed" : "open",
    limitDb: at.plan.limitDb,
    cables: at.cables.map(({ id: cable, number, name: piece, cable: of, through, prepared }) => ({
      number,
      name: piece,
      cable: of.name,
      through,
      prepared,
      end: ends.get(cable) ?? null,
    })),
    items: work.items.map((item) => {
      const last = events.findLast(({ event }) => "item" in event && event.item === item.id);
      return itemRecord(item, item.done && last ? done(last) : null);
    }),
    splices: work.splices.map((state, i) => ({
      ...spliceRecord(at, state, i + 1),
      tries: events.flatMap((recorded) => {
        const { event } = recorded;
        if (event.kind !== "splice" || event.splice !== state.splice.id) return [];
        const { estimateDb, procedure, splicer } = event;
        return [
          {
            ...done(recorded),
            estimateDb,
            procedure: procedure?.id ?? null,
            simulated: splicer?.simulated ?? false,
            toolsFailed: checksOf(recorded).flatMap(({ tool, standing }) =>
              standing === "failed" ? [tool.name] : [],
            ),
          },
        ];
      }),
    })),
    spares: at.plan.spares.map(({ cable, towards, fibres, reason }) => {
      const of = splicedCable(at.cables, cable);
      const side = towards ? ` ${towards}` : "";
      return { cable: of ? `${of.number}${side} ${of.name}` : cable, fibres: fibresText(fibres), reason };
    }),
    reopened: events.flatMap((recorded) =>
      recorded.event.kind === "reopen" ? [{ ...done(recorded), reason: recorded.event.reason }] : [],
    ),
    tools: toolRecords(worstByTool(events.flatMap(checksOf))).map(({ bias: _, ...tool }) => tool),
  };
}

type ItemRecord = ClosureRecord["items"][number];

const UNITS: Partial<Record<WorkItem["asks"], "N·m" | "dBm">> = { torque: "N·m", power: "dBm" };

function itemRecord(item: WorkItem, last: ItemRecord["last"]): ItemRecord {
  const { stage, text, done, asks, reading, limit, most } = item;
  const inMm = asks === "radius" || asks === "gap";
  const shown = (value: number | null) => (value === null || !inMm ? value : value / 1_000);
  const unit = inMm ? "mm" : (UNITS[asks] ?? null);
  return {
    stage,
    text: text.text,
    done,
    reading: shown(reading),
    unit,
    least: shown(limit),
    most: shown(most),
    last,
  };
}

function spliceRecord(at: ClosureAtWork, state: SpliceState, number: number) {
  const { splice, standing, reason, lengths, triesLeft } = state;
  return {
    number,
    a: fibreEndText(splicedIn(at), splice.a),
    b: fibreEndText(splicedIn(at), splice.b),
    colours: { a: colourOf(at, splice.a), b: colourOf(at, splice.b) },
    fibres: splice.count,
    slot: splice.slot,
    standing,
    reason,
    left: lengths && { a: lengths.a / 1_000, b: lengths.b / 1_000 },
    triesLeft,
  };
}

function colourOf({ cables }: ClosureAtWork, { cable, fibre }: Splice["a"]): string | null {
  const of = cable === PIGTAIL ? null : splicedCable(cables, cable);
  return of && colourTyped(fibreShown(of.cable, fibre));
}
