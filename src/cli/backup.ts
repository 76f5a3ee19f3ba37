import "@/messages/speak";

import { join } from "node:path";
import { problemOf } from "@/core";
import { backupInto, backupName } from "@/service/keeping/backup";
import { openToLook } from "@/service/keeping/open-to-look";
import { databaseFile } from "@/service/the-store";

/**
 * Writes a backup of the record and its photographs into one file: the one named, or one named after the moment. The
 * server may run meanwhile. Ends 2 where it cannot be written.
 */
try {
  const [named, ...others] = process.argv.slice(2);
  if (others.length > 0) throw new Error("npm run -s backup takes one file name, or none.");
  const looked = openToLook(databaseFile());
  const at = new Date();
  const file = named ?? join(process.cwd(), backupName(at));
  await backupInto(looked.store, file, at);
  looked.close();
  console.log(file);
} catch (error) {
  console.error(problemOf(error)?.message ?? error);
  process.exitCode = 2;
}
