import { v5 as uuidFrom } from "uuid";
import { z } from "zod";
import {
  attempt,
  type ClosureEvent,
  check,
  closureWork,
  colourTyped,
  fibreShown,
  mustBeAllowed,
  mustHoldAt,
  openJoint,
  PIGTAIL,
  readFibres,
  readSplices,
  slotsFor,
  splicedCable,
  zAddClosureEvents,
  zClosureEvent,
  zClosurePlan,
  zSaveClosure,
} from "@/core";
import type { Act } from "@/service/act";
import { closureAtWork } from "@/service/job/closure-at-work";
import { addClosureEvents, getClosureEvents } from "@/service/job/closure-events";
import { getClosure, saveClosure } from "@/service/job/closures";

/** What is spliced in a closure of the demo, and how far its work has come. */
export const zDemoSplicing = z.object({
  /** As it is typed on the page. */
  list: z.string(),
  /** Cables by their numbers, fibres as they are typed. */
  spares: z.array(
    z.object({
      cable: z.int(),
      towards: z.enum(["A", "B"]).nullable(),
      fibres: z.string(),
      reason: z.string(),
    }),
  ),
  /** An open joint in it, by the number of its cable. */
  joint: z
    .object({
      cable: z.int(),
      fibre: z.int(),
      lightFrom: z.enum(["A", "B"]),
      tapPct: z.number(),
      excessDb: z.number(),
      splitExcessDb: z.number(),
      labels: z.array(z.string()),
    })
    .optional(),
  /** Powers read at its outputs, dBm, in their order. */
  powers: z.array(z.number()).default([]),
  /** Stages that are done. */
  stages: z.array(z.string()),
  /** What the splicer estimated at each try, splice by splice. */
  estimates: z.array(z.array(z.number())),
  by: z.int(),
});
type DemoSplicing = z.output<typeof zDemoSplicing>;

/** Plans a closure's splices and does what is done of its work. */
export function seedClosureWork(act: Act, id: string, splicing: DemoSplicing, namespace: string): void {
  planSplices(act, id, splicing, namespace);
  const closure = getClosure(act.store, id);
  const at = closureAtWork(act.store, closure);
  const { items } = closureWork(at, []);
  const stages = items.flatMap(({ id: item, stage, asks, limit }): ClosureEvent[] => {
    const isDone =
      splicing.stages.includes(stage) && (stage !== "before-closing" || item.startsWith("label "));
    if (!isDone || asks === "nothing" || asks === "torque" || asks === "power") return [];
    return asks === "done"
      ? [{ kind: "done", item }]
      : [check(zClosureEvent, { kind: "radius", item, radius: (limit ?? 0) / 1_000 + 4 })];
  });
  const splices = splicing.estimates.flatMap((tries, i): ClosureEvent[] => {
    const splice = mustHoldAt(at.plan.splices, i);
    const colourOf = (side: "a" | "b") => {
      const cable = splicedCable(at.cables, splice[side].cable);
      return cable && splice[side].cable !== PIGTAIL
        ? colourTyped(fibreShown(cable.cable, splice[side].fibre))
        : null;
    };
    return tries.map((estimateDb) => ({
      kind: "splice",
      splice: splice.id,
      colours: { a: colourOf("a"), b: colourOf("b") },
      estimateDb,
    }));
  });
  const outputs = items.filter(({ asks }) => asks === "power");
  const powers = splicing.powers.map(
    (dBm, i): ClosureEvent => ({
      ...{ kind: "power", item: mustHoldAt(outputs, i).id, dBm, wavelength: 1490, simulated: false },
    }),
  );
  const isLate = ({ kind, ...event }: ClosureEvent) =>
    kind === "done" && "item" in event && event.item.startsWith("label ");
  const [late, early] = [stages.filter(isLate), stages.filter((event) => !isLate(event))];
  const start = act.now.getTime();
  for (const [i, event] of [...early, ...splices, ...late, ...powers].entries()) {
    // A cable that is still at the bench is in no clamp yet.
    const history = getClosureEvents(act.store, closure.id);
    if (attempt(() => mustBeAllowed(at, history, event)).problem) continue;
    addClosureEvents(
      { ...act, now: new Date(start + i * 4 * 60_000) },
      id,
      check(zAddClosureEvents, {
        client: "demo",
        events: [
          { id: uuidFrom(`closure event ${id} ${i}`, namespace), event: z.encode(zClosureEvent, event) },
        ],
      }),
    );
  }
}

function planSplices(act: Act, id: string, { list, spares, joint }: DemoSplicing, namespace: string): void {
  const closure = getClosure(act.store, id);
  const { entry, cables } = closureAtWork(act.store, closure);
  const opened = joint && openedJoint(id, mustHoldAt(cables, joint.cable - 1).id, joint, namespace);
  const listed = readSplices(list, cables).map((pair, i) => ({
    ...pair,
    id: uuidFrom(`splice ${id} ${i}`, namespace),
    slot: null,
    lengths: { a: null, b: null },
    note: "",
  }));
  const splices = [...listed, ...(opened?.splices ?? [])];
  const { trays } = entry;
  const slots = trays
    ? slotsFor(
        trays,
        splices.map((splice) => ({
          id: splice.id,
          a: trays.fibre,
          b: trays.fibre,
          ribbon: false,
          slot: null,
        })),
      )
    : new Map<string, string | null>();
  const splicing = {
    ...closure.plan.splicing,
    devices: opened?.devices ?? [],
    splices: splices.map((splice) => ({ ...splice, slot: slots.get(splice.id) ?? null })),
    spares: spares.map(({ cable, towards, fibres, reason }) => ({
      cable: mustHoldAt(cables, cable - 1).id,
      towards,
      fibres: readFibres(fibres, 6_912) ?? [],
      reason,
    })),
  };
  saveClosure(
    act,
    id,
    check(zSaveClosure, {
      basis: closure.revision,
      plan: z.encode(zClosurePlan, { ...closure.plan, splicing }),
    }),
  );
}

function openedJoint(
  closure: string,
  cable: string,
  joint: NonNullable<DemoSplicing["joint"]>,
  namespace: string,
) {
  let count = 0;
  const nextId = () => uuidFrom(`joint ${closure} ${count++}`, namespace);
  return openJoint({ ...joint, cable, nextId });
}
