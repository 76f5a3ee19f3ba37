import "@/messages/speak";

import { existsSync } from "node:fs";
import { problemOf } from "@/core";
import { actOn } from "@/service/act";
import { freeNames } from "@/service/crew/rules";
import { databaseFile, openStore } from "@/service/the-store";

/**
 * `names-free` lets names be free again and takes every PIN away, where every keeper forgot theirs: whoever can write the database file decides.
 * The record says that it was done on the server itself. Ends 2 without a file, for anything else it is asked, and beside
 * a running server.
 */
try {
  const [action, file = databaseFile()] = process.argv.slice(2);
  if (action !== "names-free") throw new Error("npm run -s crew -- names-free [DATABASE]");
  if (!existsSync(file)) throw new Error(`No database file ${file}.`);
  const store = openStore(file);
  freeNames(actOn(store));
  store.$client.close();
  console.log(
    "Names are free again, and every PIN is taken away. Set new ones under Setup, Crew, then ask for proof of names again.",
  );
} catch (error) {
  console.error(problemOf(error)?.message ?? (error instanceof Error ? error.message : error));
  process.exitCode = 2;
}
