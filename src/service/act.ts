import type { ProofKind, Role } from "@/core";
import type { Store } from "@/store/database/store";

/** How whoever asks is known to the server. */
export interface CrewIdentity {
  /** The device that asks; null where it was never let in nor signed in on. */
  readonly device: string | null;
  /** Whose session it is, where a name was proven on the device; null where none was. */
  readonly person: string | null;
  readonly how: ProofKind | null;
  /** Whether the PIN was set by somebody else: good for setting one's own, and nothing else. */
  readonly temporary: boolean;
  /** The token a program shows: its id, and who made it; null for a person. */
  readonly token: { readonly id: string; readonly by: string | null } | null;
  readonly roles: readonly Role[];
}

/** What every service that writes is given: the record, who asks, and when. */
export interface Act {
  readonly store: Store;
  /** The person working at the device that asks; null where nobody has said. */
  readonly actor: string | null;
  readonly now: Date;
  /** Null for commands, and for what the program does by itself. */
  readonly identity: CrewIdentity | null;
}

/** What nobody in particular does, now: commands, and what the program does by itself. */
export const actOn = (store: Store, now = new Date()): Act => ({ store, actor: null, now, identity: null });
