import "@/messages/speak";

import { problemOf } from "@/core";
import { restore } from "@/service/keeping/restore";
import { databaseFile } from "@/service/the-store";

/**
 * Puts a backup back where no record is: at the file named second, or where the application looks. Checks it on the way.
 * Ends 2 where nothing was restored.
 */
try {
  const [backup, database = databaseFile(), ...others] = process.argv.slice(2);
  if (!backup || others.length > 0)
    throw new Error(
      "npm run -s restore -- BACKUP [DATABASE]: a backup, and where it goes if not in the usual place.",
    );
  const { manifest, movedAside } = await restore(backup, database);
  for (const file of movedAside) console.error(`Of an earlier database, moved aside: ${file}`);
  console.log(
    `Restored to ${database}: ${manifest.ends} ends and ${manifest.photographs} photographs as of ${manifest.at}, checked whole.`,
  );
} catch (error) {
  console.error(problemOf(error)?.message ?? (error instanceof Error ? error.message : error));
  process.exitCode = 2;
}
