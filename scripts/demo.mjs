// Serves Arlent with the Quillmere demo data: `npm run demo`, or `npm run demo -- --fresh` to start over.
import { spawn } from "node:child_process";
import { existsSync, mkdirSync, rmSync } from "node:fs";
import { createServer } from "node:net";
import { join } from "node:path";
import { ensureBuild, ensurePackages, fail, root, runPackage } from "./setup.mjs";

const [major] = process.versions.node.split(".").map(Number);
if (major < 20) fail(`Node 20 or later is needed; this is ${process.version}.`);
const strange = process.argv.slice(2).find((one) => one !== "--fresh");
if (strange) fail(`The only flag is --fresh, not ${strange}.`);

const host = process.env.ARLENT_LISTEN ?? "127.0.0.1";
const wanted = Number(process.env.PORT ?? 4310);
const database = process.env.ARLENT_DB ?? join(root, "data/demo.db");

const isFree = (port) =>
  new Promise((answer) => {
    const probe = createServer()
      .once("error", () => answer(false))
      .once("listening", () => probe.close(() => answer(true)));
    probe.listen(port, host);
  });

ensurePackages();
if (!ensureBuild()) fail("The build failed: see above.");
mkdirSync(join(root, "data"), { recursive: true });
if (process.argv.includes("--fresh"))
  for (const end of ["", "-wal", "-shm"]) rmSync(database + end, { force: true });
if (!existsSync(database) && runPackage("tsx/dist/cli.mjs", ["demo/seed.ts", database]) !== 0) {
  rmSync(database, { force: true });
  fail("The demo data could not be written: see above.");
}

let port = wanted;
while (!(await isFree(port))) port += 1;
const server = spawn(
  process.execPath,
  [
    join(root, "node_modules/next/dist/bin/next"),
    "start",
    "-H",
    host,
    "-p",
    String(port),
    "--keepAliveTimeout",
    "75000",
  ],
  {
    cwd: root,
    stdio: ["ignore", "ignore", "inherit"],
    env: { ...process.env, ARLENT_DB: database, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
  },
);
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
server.on("exit", (code) => process.exit(code ?? 0));

for (let tries = 0; tries < 200; tries++) {
  try {
    const answer = await fetch(`http://127.0.0.1:${port}/setup`);
    if (answer.ok) break;
  } catch {}
  await new Promise((later) => setTimeout(later, 100));
}
console.log(`Arlent with the Quillmere demo data: http://127.0.0.1:${port}/   (stop with Ctrl+C)`);
