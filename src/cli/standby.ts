import { spawnSync } from "node:child_process";
import { copyFileSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { problemOf } from "@/core";
import { openToLook } from "@/service/look";
import { checkWholeRecord } from "@/service/record-check";
import { COPIED_PHOTOS, COPIED_RECORD } from "@/service/replica";
import { litestream } from "../../scripts/replica.mjs";

/**
 * Makes a database of a standing copy, where none is, and checks it. Ends 2 where none was made, 1 where the check finds
 * anything: the database is there all the same, and what was found is told.
 */
try {
  const [copy, database, ...others] = process.argv.slice(2);
  if (!copy || !database || others.length > 0)
    throw new Error("npm run -s standby -- COPY DATABASE: the folder of the copy, and the database to make.");
  const program = litestream();
  if (!program) throw new Error("Litestream is not here: npm install @flydotio/litestream.");
  const target = resolve(database);
  const taken = ["", "-wal", "-shm"].map((end) => target + end).find((path) => existsSync(path));
  if (taken) throw new Error(`${taken} is there already: nothing is written over.`);
  mkdirSync(dirname(target), { recursive: true });
  const part = `${target}.standby`;
  for (const end of ["", "-wal", "-shm"]) rmSync(part + end, { force: true });
  const { status, stderr } = spawnSync(
    program,
    ["restore", "-o", part, `file://${resolve(copy, COPIED_RECORD)}`],
    { encoding: "utf8" },
  );
  if (status !== 0 || !existsSync(part))
    throw new Error(`The copy could not be read: ${stderr.trim() || "it holds no record"}.`);
  const photos = join(dirname(target), "photos");
  const copied = resolve(copy, COPIED_PHOTOS);
  mkdirSync(photos, { recursive: true });
  for (const name of existsSync(copied) ? readdirSync(copied) : [])
    if (/^[0-9a-f]{64}\.jpg$/.test(name) && !existsSync(join(photos, name)))
      copyFileSync(join(copied, name), join(photos, name));
  renameSync(part, target);
  const looked = openToLook(target);
  const found = [...checkWholeRecord(looked.store)].flatMap(({ findings }) =>
    findings.filter(({ note }) => !note),
  );
  looked.close();
  for (const { name, what } of found) console.error(`${name}: ${what}`);
  console.log(
    `${target} is made of the copy; ${found.length === 0 ? "it is whole" : `${found.length} found, see above`}.`,
  );
  process.exitCode = found.length === 0 ? 0 : 1;
} catch (error) {
  console.error(problemOf(error)?.message ?? (error instanceof Error ? error.message : error));
  process.exitCode = 2;
}
