import "@/messages/speak";

import { existsSync } from "node:fs";
import { rebuild } from "@/service/keeping/rebuild";
import { databaseFile, openStore } from "@/service/the-store";

/**
 * Writes all that follows from the events again: lists, verdicts, attempts, use. Takes a database file, else looks where
 * the application does. Ends 1 where an end could not be, 2 without a file.
 */
const [file = databaseFile()] = process.argv.slice(2);
if (!existsSync(file)) {
  console.error(`No database file ${file}.`);
  process.exit(2);
}
let ends = 0;
let failed = 0;
for (const stretch of rebuild(openStore(file))) {
  ends += stretch.ends;
  failed += stretch.failed.length;
  for (const { end, why } of stretch.failed) console.log(`${end}: ${why}`);
  if (process.stderr.isTTY) process.stderr.write(`\r${ends} of ${stretch.of} ends`);
}
if (process.stderr.isTTY) process.stderr.write("\n");
console.log(`${ends} ends rebuilt${failed > 0 ? `, ${failed} could not be` : ""}`);
process.exitCode = failed > 0 ? 1 : 0;
