/** The copier's program, or null where the optional package brings none for this machine. */
export function litestream(): string | null;

/** Where a standing copy goes: a folder, or storage on the network. */
export type ReplicaTarget =
  | { readonly kind: "folder"; readonly folder: string }
  | {
      readonly kind: "sftp";
      readonly host: string;
      readonly user: string;
      readonly path: string;
      readonly hostKey: string;
      readonly secret?: string;
      readonly key?: string;
    }
  | {
      readonly kind: "s3";
      readonly bucket: string;
      readonly path: string;
      readonly endpoint?: string;
      readonly region: string;
    };

/** Reads what ARLENT_REPLICA says. Throws a line where it cannot be. */
export function replicaTarget(
  text: string,
  env?: Readonly<Record<string, string | undefined>>,
): ReplicaTarget;

/** Beside a database whose copy goes over the network, its photographs as one database. */
export function photographsOf(database: string): string;

/** What a copier is told, in JSON. */
export function copierSettings(target: ReplicaTarget, database: string, port?: number): string;

/** Writes what a copier is told where nobody else reads it. */
export function writeSettings(file: string, settings: string): void;

/** A shell command that runs its arguments as a program, until descriptor 3 is closed by whoever holds it. */
export const WATCHED: string;

/** The same target by a way that lets the SFTP server through whose key was named and no other, and what ends the way. */
export function pinned(
  target: ReplicaTarget,
): Promise<{ readonly target: ReplicaTarget; readonly close: () => void }>;
