"use client";

import { useRouter } from "next/navigation";
import { useCallback } from "react";
import useUndo from "use-undo";
import { v4 as uuid } from "uuid";
import { z } from "zod";
import {
  type ClosureAnswer,
  type ClosureAtWork,
  type FibreEnd,
  fibreKey,
  type Joint,
  type Splice,
  type SplicePlan,
  slotsFor,
  splicesByEnd,
  type TraySet,
  zClosurePlan,
} from "@/core";
import { call } from "../http/http";
import { useKeeper } from "../piece/use-keeper";
import { usePrefs } from "../prefs/prefs-context";
import { isFree, type JointParts, withLabel, withoutDevice } from "./device-changes";

/** Every splice with a slot of its own, as far as the trays have them; those that have one keep it. */
function withSlots(splices: readonly Splice[], trays: TraySet | undefined): Splice[] {
  if (!trays) return [...splices];
  const slots = slotsFor(
    trays,
    splices.map(({ id, lengths, count, slot }) => ({
      id,
      a: lengths.a ?? trays.fibre,
      b: lengths.b ?? trays.fibre,
      ribbon: count > 1,
      slot,
    })),
  );
  return splices.map((splice) => ({ ...splice, slot: slots.get(splice.id) ?? null }));
}

/** A joint as a splice of its own, with no slot yet. */
const spliceOf = (joint: Joint): Splice => ({
  ...{ ...joint, id: uuid(), slot: null, lengths: { a: null, b: null }, note: "" },
});

/** A closure's splice plan being edited: each change is saved at once and can be undone, one at a time. */
export function useSplicePlan(closure: ClosureAnswer, { entry }: Pick<ClosureAtWork, "entry">) {
  const router = useRouter();
  const { prefs } = usePrefs();
  const [{ past, present: plan }, history] = useUndo(closure.plan.splicing);
  const send = useCallback(
    (splicing: SplicePlan, basis: number) =>
      call("post /closures/{id}", {
        params: { id: closure.id },
        body: { basis, plan: z.encode(zClosurePlan, { ...closure.plan, splicing }), by: prefs.person },
      }),
    [closure, prefs.person],
  );
  const { saved, keep } = useKeeper({
    revision: closure.revision,
    send,
    onKept: router.refresh,
    onNewer: () => history.reset(closure.plan.splicing),
  });
  const change = (next: SplicePlan) => {
    history.set(next);
    void keep(next);
  };
  const changeSplice = (id: string, make: (splice: Splice) => Splice) =>
    change({ ...plan, splices: plan.splices.map((splice) => (splice.id === id ? make(splice) : splice)) });
  return {
    plan,
    saved,
    again: () => keep(plan),
    mayUndo: history.canUndo,
    undo: () => {
      const before = past.at(-1);
      if (!before) return;
      history.undo();
      void keep(before);
    },
    /** Adds what is not spliced on either side yet. @returns how many splices came of it. */
    add: (joints: readonly Joint[]): number => {
      const taken = new Set(splicesByEnd(plan.splices).keys());
      const free = joints.filter(({ a, b }) => !taken.has(fibreKey(a)) && !taken.has(fibreKey(b)));
      if (free.length === 0) return 0;
      const added = free.map(spliceOf);
      change({ ...plan, splices: withSlots([...plan.splices, ...added], entry.trays) });
      return free.length;
    },
    /** Adds what was typed as it stands: a fibre that is taken already is said at its row. */
    addTyped: (joints: readonly Joint[]) =>
      change({ ...plan, splices: withSlots([...plan.splices, ...joints.map(spliceOf)], entry.trays) }),
    remove: (id: string) => change({ ...plan, splices: plan.splices.filter((splice) => splice.id !== id) }),
    putOn: (id: string, b: FibreEnd) => changeSplice(id, (splice) => ({ ...splice, b })),
    note: (id: string, note: string) => changeSplice(id, (splice) => ({ ...splice, note })),
    toSlot: (id: string, slot: string | null) => changeSplice(id, (splice) => ({ ...splice, slot })),
    giveSlots: () => change({ ...plan, splices: withSlots(plan.splices, entry.trays) }),
    /** Adds an open joint. @returns false where a fibre of it is spliced already. */
    addJoint: (joint: JointParts): boolean => {
      if (!isFree(plan, joint)) return false;
      change({
        ...plan,
        devices: [...plan.devices, ...joint.devices],
        splices: withSlots([...plan.splices, ...joint.splices], entry.trays),
      });
      return true;
    },
    label: (device: string, lead: number, label: string) => change(withLabel(plan, device, lead, label)),
    /** Takes a device out, with the splices of its leads. */
    removeDevice: (device: string) => change(withoutDevice(plan, device)),
    receiver: (receiver: SplicePlan["receiver"]) => change({ ...plan, receiver }),
    limit: (limitDb: number) => change({ ...plan, limitDb }),
    spare: (spare: SplicePlan["spares"][number]) => change({ ...plan, spares: [...plan.spares, spare] }),
    unspare: (at: number) => change({ ...plan, spares: plan.spares.filter((_, i) => i !== at) }),
  };
}

export type SplicePlanHeld = ReturnType<typeof useSplicePlan>;
