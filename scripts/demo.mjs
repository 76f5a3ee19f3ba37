// Serves Arlent with the Quillmere demo data: `npm run demo`, or `npm run demo -- --fresh` to start over.
import { existsSync, mkdirSync, rmSync } from "node:fs";
import { dirname } from "node:path";
import { isDemo } from "./demo-file.mjs";
import { freePort, serve, settings } from "./serve.mjs";
import { ensureBuild, ensurePackages, fail, needsNode, runProgram } from "./setup.mjs";

needsNode();
const strange = process.argv.slice(2).find((one) => one !== "--fresh");
if (strange) fail(`The only flag is --fresh, not ${strange}.`);
const wished = settings("data/demo.db");
const { database } = wished;
if (existsSync(database) && !isDemo(database))
  fail(
    `${database} has no mark of the demo: nothing was written in it, and nothing taken out. If it is work, serve it with npm start; if an older demo made it, move it away and run this again; or set ARLENT_DB to another file.`,
  );
ensurePackages();
if (!ensureBuild()) fail("The build failed: see above.");
mkdirSync(dirname(database), { recursive: true });
if (process.argv.includes("--fresh"))
  for (const end of ["", "-wal", "-shm", ".seals", ".site-key", ".secret"])
    rmSync(database + end, { force: true });
if (!existsSync(database) && runProgram("demo/seed.ts", [database]) !== 0) {
  rmSync(database, { force: true });
  fail("The demo data could not be written: see above.");
}
await serve({ ...wished, port: await freePort(wished) }, "Arlent with the Quillmere demo data");
