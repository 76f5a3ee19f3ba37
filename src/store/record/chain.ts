import { asc, eq, sql } from "drizzle-orm";
import type { EndId, EventRow } from "@/core";
import { linkHash, sha256 } from "../database/hash";
import { prepared } from "../database/prepared";
import type { Store } from "../database/store";
import { type ends, events } from "../schema";
import { digestOf } from "./register";

type EndColumns = typeof ends.$inferSelect;

/** An event's row as it lies in the file, with its links. */
export interface ChainedRow extends EventRow {
  readonly n: number;
  readonly before: string;
  readonly hash: string;
}

/** The version from which an event's body is its whole envelope, canonical JSON. */
const ENVELOPED = 2;

/** An event under a hash that takes in the one before it, word for word, by the rule of the version it was written by. */
export const eventHash = ({ v, before, endId, id, seq, at, client, body }: Omit<ChainedRow, "n" | "hash">) =>
  v >= ENVELOPED
    ? linkHash(before, body)
    : sha256(JSON.stringify([before, endId, id, seq, at, client, body]));

/** What an end was started as, under one hash: the first link of its chain. */
export const foundingHash = (end: EndColumns): string =>
  end.founding === null ? foundingHash1(end) : linkHash("", end.founding);

const foundingHash1 = (end: EndColumns): string => sha256(JSON.stringify(foundingParts1(end)));

/** What version 1 hashed of an end as it was started: its columns themselves, in this order. */
export const foundingParts1 = (end: EndColumns): readonly unknown[] => [
  end.id,
  end.createdAt,
  end.procedureHash,
  end.cableHash,
  end.toolsHash,
  end.style,
  end.styleName,
  end.cableName,
  JSON.stringify(end.picked),
  JSON.stringify(end.rule),
  end.batchId,
  end.batchPlace,
];

/**
 * What the register keeps of an end. Version 1 hashed neither the sheet nor, where it was signed by then, what it was
 * judged to be: the register does.
 */
export const endDigest = (end: EndColumns, signedByVersion1 = false): string =>
  end.founding !== null
    ? foundingHash(end)
    : digestOf({
        founding: foundingHash(end),
        sheet: end.sheetHash,
        program: end.program,
        purpose: end.purpose,
        ...(signedByVersion1 ? { result: end.result, verdicts: end.verdicts, signer: end.signer } : {}),
      });

const rowsOf = prepared((store) =>
  store
    .select()
    .from(events)
    .where(eq(events.endId, sql.placeholder("endId")))
    .orderBy(asc(events.seq))
    .prepare(),
);

/** The rows of one end's events as they lie in the file, in order. */
export const eventRows = (store: Store, endId: EndId): ChainedRow[] => rowsOf(store).all({ endId });
