import "@/messages/speak";

import { join } from "node:path";
import { parseArgs } from "node:util";
import { problemOf } from "@/core";
import { backupInto, backupName } from "@/service/keeping/backup";
import { openToLook } from "@/service/keeping/open-to-look";
import { databaseFile } from "@/service/the-store";

/**
 * Writes a backup of the record and its photographs into one file: the one named, or one named after the moment. The
 * server may run meanwhile. Ends 2 where it cannot be written.
 */
try {
  const {
    positionals: [named, ...others],
    values: { to = null },
  } = parseArgs({ allowPositionals: true, options: { to: { type: "string" } } });
  if (others.length > 0)
    throw new Error("npm run -s backup takes one file name, or none; and --to with an age recipient.");
  const looked = openToLook(databaseFile());
  const at = new Date();
  const file = named ?? join(process.cwd(), backupName(at, to !== null));
  await backupInto(looked.store, file, at, to);
  looked.close();
  console.log(file);
} catch (error) {
  console.error(problemOf(error)?.message ?? error);
  process.exitCode = 2;
}
