// Serves the built application: what `npm start` and `npm run demo` share. Needs nothing but Node.
import { spawn } from "node:child_process";
import { existsSync } from "node:fs";
import { createServer } from "node:net";
import { join, resolve } from "node:path";
import { pathToFileURL } from "node:url";
import { keepCopying, photographsOf, pinned, replicaWanted } from "./replica.mjs";
import { fail, root } from "./setup.mjs";

const LOOPBACK = /^(localhost|127(\.\d{1,3}){3}|::1)$/;
const NAME = /^(?=.{1,253}$)([a-z0-9]([a-z0-9-]*[a-z0-9])?)(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)*$/i;
const ADDRESS = /^[0-9a-f:.]+$/i;

/** What the environment asks for; one line and an end where it cannot be. */
export function settings(database) {
  const { PORT = "4310", ARLENT_LISTEN: host = "127.0.0.1", ARLENT_HOSTS = "" } = process.env;
  const port = Number(PORT);
  if (!/^\d+$/.test(PORT) || port < 1 || port > 65_535)
    fail(`PORT is a number from 1 to 65535, not “${PORT}”.`);
  if (!NAME.test(host) && !ADDRESS.test(host))
    fail(`ARLENT_LISTEN is an address of this machine, as 127.0.0.1 or 0.0.0.0, not “${host}”.`);
  for (const name of ARLENT_HOSTS.split(",").map((one) => one.trim()))
    if (name !== "" && !hostNamed(name))
      fail(`ARLENT_HOSTS is a list of names with commas, as hall.local or hall.local:8080, not “${name}”.`);
  return {
    port,
    host,
    local: LOOPBACK.test(host),
    database: resolve(process.env.ARLENT_DB || join(root, database)),
  };
}

function hostNamed(text) {
  const [, name, port] = /^(.*?)(?::(\d{1,5}))?$/.exec(text) ?? [];
  return (NAME.test(name ?? "") || /^\[[0-9a-f:]+\]$/i.test(name ?? "")) && Number(port ?? 1) <= 65_535;
}

const taken = (port, host) =>
  new Promise((answer) => {
    const probe = createServer()
      .once("error", ({ code }) => answer(code))
      .once("listening", () => probe.close(() => answer(null)));
    probe.listen(port, host);
  });

/** A port of this machine that nothing listens on: none another server started just now would come to as well. */
const anyPort = () =>
  new Promise((answer) => {
    const probe = createServer().listen(0, "127.0.0.1", () => {
      const { port } = probe.address();
      probe.close(() => answer(port));
    });
  });

/** The wished port where it is free, else the next that is. */
export async function freePort({ port: wished, host }) {
  for (let port = wished; port <= 65_535; port++) {
    const why = await taken(port, host);
    if (why === null) return port;
    if (why !== "EADDRINUSE" && why !== "EACCES")
      fail(`Nothing can listen on ${host}: ${why}. ARLENT_LISTEN is an address of this machine.`);
  }
  return fail(`No port from ${wished} up is free.`);
}

/** Where the hash of a crew's key lies: beside its database. */
export const crewFile = (database) => `${database}.crew.json`;

/**
 * The crew's key file: asked for wherever one was set. One line and an end where others than this machine can come in and
 * there is none: through an address of its own, or through a server in front that passes on a name.
 */
function crewFor({ local, host, database }) {
  const file = crewFile(database);
  if (existsSync(file)) return { ARLENT_CREW: file };
  if (local && hostsNamed().length === 0) return {};
  return fail(
    `${local ? `Answering as ${hostsNamed().join(", ")}` : `Listening on ${host}`} lets everybody on the network in: set a crew key first, with npm run -s crew-key (and the same ARLENT_DB).`,
  );
}

/** The names it answers to beside this machine's own. */
const hostsNamed = () =>
  (process.env.ARLENT_HOSTS ?? "")
    .split(",")
    .map((name) => name.trim())
    .filter(Boolean);

/** Serves a database until it is asked to stop; says where, once it answers. */
export async function serve({ database, host, port, local }, says) {
  const crew = crewFor({ local, host, database });
  // What is made here is for whoever serves it alone: database, logs, photographs, copies.
  process.umask(0o077);
  const replica = replicaWanted(database);
  const copierPort = replica ? await anyPort() : 0;
  const server = spawn(
    process.execPath,
    [
      "--import",
      pathToFileURL(join(root, "scripts/before-serving.mjs")).href,
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
      env: {
        ...process.env,
        ARLENT_CREW: "",
        ...crew,
        ARLENT_DB: database,
        ARLENT_COMPRESS: process.env.ARLENT_COMPRESS || (local && !process.env.ARLENT_HOSTS ? "no" : "yes"),
        ARLENT_REPLICA_PASSWORD: "",
        ARLENT_COPIER: copierPort ? `http://127.0.0.1:${copierPort}/metrics` : "",
        ARLENT_PACK: replica && replica.kind !== "folder" ? photographsOf(database) : "",
        ARLENT_URL: `http://${host}:${port}`,
        NODE_ENV: "production",
        NEXT_TELEMETRY_DISABLED: "1",
      },
    },
  );
  for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => server.kill(signal));
  let stopCopying = async () => {};
  server.on("exit", async (code) => {
    await stopCopying();
    process.exit(code ?? 0);
  });
  const near =
    host === "0.0.0.0" ? "127.0.0.1" : host === "::" ? "[::1]" : host.includes(":") ? `[${host}]` : host;
  // A server that loads things late reports as soon as anything is answered.
  const late = process.env.ARLENT_LOAD === "late";
  const first = late ? "/api/v1/timers" : "/setup";
  for (let tries = 0; tries < 1_000; tries++) {
    try {
      const answer = await fetch(`http://${near}:${port}${first}`, { redirect: "manual" });
      if (late || answer.status < 500) break;
    } catch {}
    await new Promise((later) => setTimeout(later, 30));
  }
  if (replica) {
    const { target, close } = await pinned(replica);
    const stop = keepCopying(database, target, copierPort);
    stopCopying = () => stop().finally(close);
  }
  console.log(`${says}: http://${near}:${port}/   (stop with Ctrl+C)`);
}
