import "@/messages/speak";

import { spawn } from "node:child_process";
import { once } from "node:events";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { openToLook } from "@/service/keeping/open-to-look";
import { checkWholeRecord } from "@/service/keeping/record-check";

/**
 * `npm run fuzz -- checks [CHECKS]`: a record is checked again and again while another program stores, seals and rebuilds
 * in it. Nobody alters anything, so nothing may be found altered. Ends 1 where something is.
 */
const [checks = 1_000] = process.argv.slice(2).map(Number);
/** Each record is checked so many times, then another is begun: a long one takes long to check. */
const ON_ONE = 50;

/** What a check of a record finds altered as it lies now, an open transaction of the writer aside. */
function foundAltered(database: string): string[] {
  const looked = openToLook(database);
  try {
    return [...checkWholeRecord(looked.store, looked.at)].flatMap(({ findings }) =>
      findings.flatMap(({ note, name, what: detail }) => (note ? [] : [`${name}: ${detail}`])),
    );
  } finally {
    looked.close();
  }
}

let altered = 0;
for (let check = 0; check < checks; ) {
  const database = join(mkdtempSync(join(tmpdir(), "arlent-checks-")), "a.db");
  const writer = spawn(process.execPath, [".arlent/run/killed-writer.mjs", database], {
    stdio: ["ignore", "pipe", "inherit"],
  });
  await once(writer.stdout, "data");
  writer.stdout.resume();
  for (let i = 0; i < ON_ONE && check < checks; i++, check++) {
    const findings = foundAltered(database);
    altered += findings.length;
    for (const line of findings.slice(0, 3)) console.log(line);
    // The writer's lines are read meanwhile: a full pipe would stop it.
    await new Promise((next) => setImmediate(next));
  }
  const isWriting = writer.exitCode === null;
  writer.kill("SIGKILL");
  if (!isWriting) throw new Error("The writer ended by itself: nothing was checked beside it.");
  console.log(`${check} checks beside a writer, ${altered} found altered`);
}
process.exitCode = altered === 0 ? 0 : 1;
