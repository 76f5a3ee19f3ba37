import { isRecord } from "../problem/is-record";

/**
 * A procedure, or a sheet compiled of one, as version 1 of its schema wrote it, in today's words: what an answer says to
 * try was called `redo`. What is written in today's words already comes back the same. Whether it is one, the schema says.
 */
export function liftedProcedure(written: unknown): unknown {
  if (Array.isArray(written)) return written.map(liftedProcedure);
  if (!isRecord(written)) return written;
  const isAnswer = "sees" in written;
  return Object.fromEntries(
    Object.entries(written).map(([key, value]) => [
      isAnswer && key === "redo" ? "retries" : key,
      liftedProcedure(value),
    ]),
  );
}
