import { randomUUID } from "node:crypto";
import type { z } from "zod";
import { InputError, type zOpenLot } from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { wholeLibrary } from "@/store/shelf/shelf";
import { addLotOpened, findToolCheck, type LotOpened, lotsOpened } from "@/store/workshop/tool-checks";
import type { Act } from "../act";
import { mustBeKnown } from "../crew/signer";

/**
 * Stores that a lot of a style's connectors was opened: every end begun from then on has it.
 * @throws InputError `not-found` for a style that is not on the shelf; `id-taken`.
 */
export function openLot(
  act: Act,
  { id = randomUUID(), style, lot }: z.output<typeof zOpenLot>,
): { id: string } {
  const { store, actor, now } = act;
  mustBeKnown(act);
  if (!wholeLibrary(store).procedures.some((procedure) => procedure.id === style))
    throw new InputError("not-found", say("no-style-called", { style }), ["style"]);
  if (findToolCheck(store, id))
    throw new InputError("id-taken", say("another-check-already-has-this-id"), ["id"]);
  addLotOpened(store, id, { at: now.toISOString(), by: actor, style, lot });
  return { id };
}

/** The lot in use of each style, in the order they were opened. */
export function lotsInUse(store: Store): LotOpened[] {
  const byStyle = new Map(lotsOpened(store).map((opened) => [opened.style, opened]));
  return [...byStyle.values()];
}
