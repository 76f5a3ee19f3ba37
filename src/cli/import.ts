import "@/messages/speak";

import { existsSync } from "node:fs";
import { problemOf } from "@/core";
import { readProof } from "@/service/proof/read-proof";
import { takeIn } from "@/service/proof/take-in";
import { databaseFile, openStore } from "@/service/the-store";

/**
 * Takes the ends of a proof into a record, word for word, all or none. The server is stopped meanwhile. Ends 2 where nothing
 * was taken in.
 */
try {
  const [file, database = databaseFile()] = process.argv.slice(2);
  if (file === undefined) throw new Error("npm run -s import -- FILE.tar [DATABASE]");
  if (!existsSync(database)) throw new Error(`No database file ${database}.`);
  const store = openStore(database);
  const { ends, there } = takeIn(store, await readProof(file), new Date());
  store.$client.close();
  console.log(`${ends} ends taken in${there > 0 ? `, ${there} were here already` : ""}`);
} catch (error) {
  console.error(problemOf(error)?.message ?? (error instanceof Error ? error.message : error));
  process.exitCode = 2;
}
