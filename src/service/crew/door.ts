import { createHash } from "node:crypto";
import type { Crew } from "@/core";
import { processWide } from "@/store/database/process-wide";

/** Whom the door keeps out and lets in besides the crew key: it stands before the record is opened for a request. */
interface Door {
  /** Ids of devices that were revoked. */
  revoked: ReadonlySet<string>;
  /** Ids of the tokens that hold, by the hash of their secret. */
  tokens: ReadonlyMap<string, string>;
}

const door = processWide("door", (): Door => ({ revoked: new Set(), tokens: new Map() }));

/** Tells the door how the crew stands. */
export function tellDoor({ devices, tokens }: Crew): void {
  door.revoked = new Set([...devices.values()].flatMap(({ id, revoked }) => (revoked ? [id] : [])));
  door.tokens = new Map(
    [...tokens.values()].flatMap(({ id, hash, revoked }) => (revoked ? [] : [[hash, id] as const])),
  );
}

/** A token's secret is long and drawn by chance: its plain hash tells nothing of it. */
export const tokenHash = (secret: string): string => createHash("sha256").update(secret).digest("hex");

const BEARER = /^Bearer ([\x21-\x7e]{20,200})$/i;

/** The id of the token a program shows (RFC 6750); null where it shows none that holds. */
export function tokenShown(authorization: string | null): string | null {
  const [, secret] = BEARER.exec(authorization ?? "") ?? [];
  return (secret === undefined ? undefined : door.tokens.get(tokenHash(secret))) ?? null;
}

/** Whether a device was revoked by its crew. */
export const isRevoked = (device: string): boolean => door.revoked.has(device);
