import { processWide } from "@/store/database/process-wide";
import type { Store } from "@/store/database/store";
import { lastEventAt } from "@/store/record/events";
import { lastToolEventAt } from "@/store/workshop/tools";

/** Further back than this a clock was not set by mistake but put right: it is followed. Milliseconds. */
const FOLLOWED_BEYOND = 7 * 86_400_000;

/** What a machine tells the time by, milliseconds: a clock people set, and one that only ever runs. */
export interface Clocks {
  readonly wall: number;
  readonly running: number;
}

/** The time on record: how far it goes ahead of the machine's clock, and what both clocks said last. */
interface RecordClock extends Clocks {
  readonly ahead: number;
}

/**
 * Begins where the record left off: never behind its last moment, unless that lies so far ahead that the clock of that
 * time was the wrong one.
 * @param last the last moment on record, milliseconds since the epoch.
 */
export function clockFrom(last: number, clocks: Clocks): RecordClock {
  const ahead = last - clocks.wall;
  return { ...clocks, ahead: ahead > 0 && ahead <= FOLLOWED_BEYOND ? ahead : 0 };
}

/**
 * Reads the time again. A clock set back is made up for by what the other one ran meanwhile, so that what comes later on
 * record is never earlier: order, holds, cures and blade counts go by it. A clock put forward takes back what was made up.
 */
export function clockAfter(before: RecordClock, clocks: Clocks): RecordClock {
  const jump = clocks.wall - before.wall - (clocks.running - before.running);
  const ahead = Math.max(0, before.ahead - jump);
  return { ...clocks, ahead: ahead <= FOLLOWED_BEYOND ? ahead : 0 };
}

const clocks = processWide("clocks", () => new WeakMap<Store, RecordClock>());

const lastMoment = (store: Store): number =>
  Math.max(0, ...[lastEventAt(store), lastToolEventAt(store)].map((at) => Date.parse(at ?? "") || 0));

const machine = (): Clocks => ({ wall: Date.now(), running: performance.now() });

/** Reads the time on record as it is now. */
function readNow(store: Store, read: () => Clocks = machine): RecordClock {
  const before = clocks.get(store);
  const now = before ? clockAfter(before, read()) : clockFrom(lastMoment(store), read());
  clocks.set(store, now);
  return now;
}

/** The moment that goes on record now. */
export function recordNow(store: Store, read?: () => Clocks): Date {
  const { wall, ahead } = readNow(store, read);
  return new Date(wall + ahead);
}

/** How far the times going on record are ahead of this machine's clock because it was set back, seconds; 0 for as it is. */
export const clockAhead = (store: Store, read?: () => Clocks): number =>
  Math.round(readNow(store, read).ahead / 1000);
