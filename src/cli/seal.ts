import "@/messages/speak";

import { parseArgs } from "node:util";
import { problemOf } from "@/core";
import { openToLook } from "@/service/keeping/open-to-look";
import { makeSeal } from "@/service/keeping/seal";
import { databaseFile } from "@/service/the-store";

/**
 * Prints a seal over the whole record, as JSON or with `--line` as its one line. Takes a database file, else looks where
 * the application does. Writes nothing in it. Ends 2 where there is no whole database.
 */
try {
  const { positionals, values } = parseArgs({
    allowPositionals: true,
    options: { line: { type: "boolean", default: false } },
  });
  const looked = openToLook(positionals[0] ?? databaseFile());
  const seal = makeSeal(looked.store);
  looked.close();
  console.log(values.line ? seal.short : JSON.stringify(seal));
} catch (error) {
  console.error(problemOf(error)?.message ?? error);
  process.exitCode = 2;
}
