import type { Store } from "@/store/database/store";

/** What every service that writes is given: the record, who asks, and when. */
export interface Act {
  readonly store: Store;
  /** The person working at the device that asks; null where nobody has said. */
  readonly actor: string | null;
  readonly now: Date;
}

/** What nobody in particular does, now: commands, and what the program does by itself. */
export const actOn = (store: Store, now = new Date()): Act => ({ store, actor: null, now });
