import type { Server } from "node:net";

/** A key's fingerprint as `ssh-keygen -l` prints it. */
export function fingerprintOf(key: Uint8Array): string;

/** The keys an SSH server has shown in what it sent so far, and whether all that comes is encrypted from here on. */
export function keysIn(bytes: Buffer): { readonly keys: readonly Buffer[]; readonly encrypted: boolean };

/** Passes connections on to a host for as long as its key is the one named. */
export function pinnedTo(
  host: string,
  port: number,
  fingerprint: string,
  report: (line: string) => void,
): Server;
