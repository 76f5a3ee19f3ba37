import "@/messages/speak";

import { readFileSync } from "node:fs";
import { parseArgs } from "node:util";
import { problemOf, type RecordFinding } from "@/core";
import { openToLook } from "@/service/keeping/open-to-look";
import { checkWholeRecord } from "@/service/keeping/record-check";
import { checkSeal } from "@/service/keeping/seal";
import { databaseFile } from "@/service/the-store";

/**
 * Checks the whole record and says what is not as it was written, a finding a line. Takes a database file, else looks
 * where the application does; `--seal FILE` holds it against an earlier seal too. Writes nothing. Ends 1 where anything
 * is altered, 2 where there is no whole database to check.
 */
function main(): number {
  const { positionals, values } = parseArgs({
    allowPositionals: true,
    options: { seal: { type: "string" } },
  });
  const looked = openToLook(positionals[0] ?? databaseFile());
  try {
    if (looked.lifted) console.log("Of an older schema: a copy was lifted, and that is checked.");
    let ends = 0;
    let events = 0;
    let altered = 0;
    const tell = (findings: readonly RecordFinding[]) => {
      altered += findings.filter(({ note }) => !note).length;
      for (const { end, name, seq, what: detail, note } of findings)
        console.log(
          `${note ? "note: " : ""}${[end, name].filter(Boolean).join(" ")}${seq === null ? "" : `, event ${seq}`}: ${detail}`,
        );
    };
    for (const stretch of checkWholeRecord(looked.store, looked.at)) {
      ends += stretch.ends;
      events += stretch.events;
      tell(stretch.findings);
      if (process.stderr.isTTY) process.stderr.write(`\r${ends} of ${stretch.of} ends`);
    }
    if (process.stderr.isTTY) process.stderr.write("\n");
    if (values.seal !== undefined) tell(checkSeal(looked.store, readFileSync(values.seal, "utf8")));
    console.log(
      `${ends} ends, ${events} events: ${altered === 0 ? "all as written" : `${altered} not as written`}`,
    );
    return altered === 0 ? 0 : 1;
  } finally {
    looked.close();
  }
}

try {
  process.exitCode = main();
} catch (error) {
  console.error(problemOf(error)?.message ?? error);
  process.exitCode = 2;
}
