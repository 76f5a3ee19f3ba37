import { existsSync, readFileSync, rmSync } from "node:fs";
import type { Store } from "@/store/database/store";
import { actOn } from "../act";
import { enter } from "../crew/log";
import { restoreNote } from "./restore";

/** Enters in the crew's log that this record was put back from a backup, once. */
export function logRestore(store: Store): void {
  const note = restoreNote(store.$client.name);
  if (!existsSync(note)) return;
  const ref = readFileSync(note, "utf8").slice(0, 200);
  enter(actOn(store), { kind: "acted", route: "restore", ref, how: null, token: null });
  rmSync(note, { force: true });
}
