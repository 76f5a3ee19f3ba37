// Serves Arlent on a database of its own, empty at first: `npm start`.
import { existsSync, mkdirSync } from "node:fs";
import { dirname } from "node:path";
import { isDemo } from "./demo-file.mjs";
import { freePort, serve, settings } from "./serve.mjs";
import { ensureBuild, ensurePackages, fail, needsNode } from "./setup.mjs";

needsNode();
const [strange] = process.argv.slice(2);
if (strange) fail(`npm start takes no flags, and ${strange} is one.`);
const wished = settings("data/arlent.db");
if (existsSync(wished.database) && isDemo(wished.database))
  fail(
    `${wished.database} holds the demo's made-up data: real work does not go into it. Set ARLENT_DB to another file.`,
  );
ensurePackages();
if (!ensureBuild()) fail("The build failed: see above.");
mkdirSync(dirname(wished.database), { recursive: true });
await serve({ ...wished, port: await freePort(wished) }, `Arlent on ${wished.database}`);
