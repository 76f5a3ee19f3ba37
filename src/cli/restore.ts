import "@/messages/speak";

import { readFileSync } from "node:fs";
import { parseArgs } from "node:util";
import { problemOf } from "@/core";
import { restore } from "@/service/keeping/restore";
import { databaseFile } from "@/service/the-store";

/** The identity of a file as age's own tools write it: comments, then one line. */
const identityIn = (text: string): string =>
  text
    .split("\n")
    .map((line) => line.trim())
    .find((line) => line.startsWith("AGE-SECRET-KEY-")) ?? "";

/**
 * Puts a backup back where no record is: at the file named second, or where the application looks. Checks it on the way.
 * Ends 2 where nothing was restored.
 */
try {
  const {
    positionals: [backup, database = databaseFile(), ...others],
    values: { identity },
  } = parseArgs({ allowPositionals: true, options: { identity: { type: "string" } } });
  if (!backup || others.length > 0)
    throw new Error(
      "npm run -s restore -- BACKUP [DATABASE] [--identity FILE]: a backup, where it goes if not in the usual place, and what an encrypted one is read by.",
    );
  const key = identity === undefined ? null : identityIn(readFileSync(identity, "utf8"));
  const { manifest, movedAside } = await restore(backup, database, new Date(), key);
  for (const file of movedAside) console.error(`Of an earlier database, moved aside: ${file}`);
  console.log(
    `Restored to ${database}: ${manifest.ends} ends and ${manifest.photographs} photographs as of ${manifest.at}, checked whole.`,
  );
} catch (error) {
  console.error(problemOf(error)?.message ?? (error instanceof Error ? error.message : error));
  process.exitCode = 2;
}
