import { randomUUID } from "node:crypto";
import type { z } from "zod";
import { type BladeLine, bladeStanding, InputError, type Tool, type zToolEvent } from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { wholeLibrary } from "@/store/shelf/shelf";
import { addToolEvent, bladeCount } from "@/store/workshop/tools";
import type { Act } from "../act";

/** Every tool with a blade, as its use on the ends and what was done to it leave it. */
export const blades = (store: Store): BladeLine[] =>
  wholeLibrary(store).tools.flatMap(({ blade, ...tool }) =>
    blade ? [bladeLine(store, { ...tool, blade })] : [],
  );

const bladeLine = (
  store: Store,
  { id, name, blade }: Pick<Tool, "id" | "name"> & { readonly blade: NonNullable<Tool["blade"]> },
): BladeLine => ({ tool: id, name, ...blade, standing: bladeStanding(blade, bladeCount(store, id)) });

/** The place of a tool's blade by the record, from 1; null for a tool without one. */
export function placeOfBlade(store: Store, tool: string): number | null {
  const blade = wholeLibrary(store).tools.find(({ id }) => id === tool)?.blade;
  return blade ? Math.min(blade.positions, bladeCount(store, tool).turns + 1) : null;
}

/** Notes that a blade was wiped, turned or changed. @throws InputError for a tool without one. */
export function seeToBlade(
  { store, now }: Act,
  tool: string,
  { id = randomUUID(), action }: z.output<typeof zToolEvent>,
): BladeLine {
  const match = wholeLibrary(store).tools.find((eachTool) => eachTool.id === tool);
  if (!match?.blade)
    throw new InputError("not-found", say("no-tool-with-a-blade-called", { tool }), ["tool"]);
  addToolEvent(store, { id, tool, action, at: now.toISOString() });
  return bladeLine(store, { ...match, blade: match.blade });
}
