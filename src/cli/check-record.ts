import { existsSync } from "node:fs";
import { checkWholeRecord } from "@/service/record-check";
import { openStore, theStore } from "@/service/the-store";

/**
 * Checks every end's chain of entries and says what is not as it was written. Takes a database file, else looks where
 * the application does. Ends 1 where anything is altered, 2 where there is no such file.
 */
const [file] = process.argv.slice(2);
if (file !== undefined && !existsSync(file)) {
  console.error(`No database file ${file}.`);
  process.exit(2);
}
let ends = 0;
let entries = 0;
let altered = 0;
for (const stretch of checkWholeRecord(file === undefined ? theStore() : openStore(file))) {
  ends += stretch.ends;
  entries += stretch.entries;
  altered += stretch.altered.length;
  for (const { end, name, seq, what } of stretch.altered)
    console.log(`${end} ${name}${seq === null ? "" : `, entry ${seq}`}: ${what}`);
  if (process.stderr.isTTY) process.stderr.write(`\r${ends} of ${stretch.of} ends`);
}
if (process.stderr.isTTY) process.stderr.write("\n");
console.log(
  `${ends} ends, ${entries} entries: ${altered === 0 ? "all as written" : `${altered} not as written`}`,
);
process.exitCode = altered === 0 ? 0 : 1;
