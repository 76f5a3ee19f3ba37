// Set-up shared by the commands: needs nothing but Node. Each part is skipped when it is already done.
import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { bundle, programFile } from "./bundle.mjs";

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
const stamps = join(root, ".arlent");

/** Runs a command in the project; output goes where `stdio` says, piped output is shown on failure. @returns its exit code. */
export function run(command, args, { env = {}, stdio = "inherit" } = {}) {
  const { status, error, stdout } = spawnSync(command, args, {
    cwd: root,
    stdio,
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1", ...env },
  });
  if (error) console.error(error.message);
  if (stdout && status !== 0) process.stderr.write(stdout);
  return status ?? 1;
}

/** Runs a package's command-line program by its file, without a shell in between. */
export const runPackage = (file, args, options) =>
  run(process.execPath, [join(root, "node_modules", file), ...args], options);

/** The same beside whatever else is done. @returns its exit code, and all it said. */
export const runPackageBeside = (file, args) =>
  new Promise((done) => {
    const child = spawn(process.execPath, [join(root, "node_modules", file), ...args], {
      cwd: root,
      stdio: ["ignore", "pipe", "pipe"],
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" },
    });
    let output = "";
    for (const stream of [child.stdout, child.stderr])
      stream.setEncoding("utf8").on("data", (text) => {
        output += text;
      });
    child.once("error", ({ message }) => done({ code: 1, output: `${output}${message}\n` }));
    child.once("close", (code) => done({ code: code ?? 1, output }));
  });

/** Runs a program of the project's own TypeScript. @returns its exit code. */
export const runProgram = (entry, args = [], options = {}) =>
  run(process.execPath, [bundle(entry), ...args], options);

const hashOf = (paths) => {
  const hash = createHash("sha256").update(process.version);
  const add = (path) => {
    if (!existsSync(path)) return;
    if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) add(join(path, name));
    else hash.update(path).update(readFileSync(path));
  };
  for (const path of paths) add(join(root, path));
  return hash.digest("hex");
};

const isStamped = (name, hash) =>
  existsSync(join(stamps, name)) && readFileSync(join(stamps, name), "utf8") === hash;

function stamp(name, hash) {
  mkdirSync(stamps, { recursive: true });
  writeFileSync(join(stamps, name), hash);
}

/**
 * What a compiler is given besides what this machine tells it: one warning, asked for by default, takes GCC longer on SQLite
 * than all else, and is not shown.
 */
const compiling = (how = "") =>
  Object.fromEntries(
    ["CFLAGS", "CXXFLAGS"].map((name) => [
      name,
      `${process.env[name] ?? ""} -Wno-misleading-indentation ${how}`.trim(),
    ]),
  );

/** Installs the packages of the lockfile, unless they are. `quiet` keeps standard output clean. */
export function ensurePackages({ quiet = false } = {}) {
  const hash = packagesHash();
  if (arePackages(hash)) return;
  console.error("Installing packages (the database driver compiles: a few minutes, once) …");
  mustBeInstalled(
    run("npm", ["install", "--no-save", "--no-audit", "--no-fund"], {
      stdio: quiet ? ["ignore", "ignore", "inherit"] : "inherit",
      env: compiling(),
    }) === 0,
  );
  stamp("packages", hash);
}

const packagesHash = () => hashOf(["package.json", "package-lock.json"]);

const arePackages = (hash) =>
  existsSync(join(root, "node_modules/.package-lock.json")) && isStamped("packages", hash);

function mustBeInstalled(well) {
  if (!well)
    fail("The packages could not be installed: see above. A C++ compiler, make and python3 are needed.");
}

/** Runs npm in a folder beside whatever else is done. @returns whether it ended well. */
const npm = (args, { cwd = root, env = {}, stderr = "inherit" } = {}) =>
  new Promise((done) => {
    const child = spawn("npm", args, {
      cwd,
      stdio: ["ignore", "ignore", stderr],
      env: { ...process.env, ...env },
    });
    child.once("error", ({ message }) => fail(message));
    child.once("exit", (code) => done(code === 0));
  });

const DRIVER = "better-sqlite3";
const BINARY = join("node_modules", DRIVER, "build/Release/better_sqlite3.node");

/**
 * Compiles the database driver of the lockfile in a folder of its own, while the packages are still on their way: they keep
 * one processor busy at most. @returns the folder where that went well, null where it did not.
 */
async function compileDriver(env) {
  const folder = join(stamps, "driver");
  const { dependencies, allowScripts } = JSON.parse(readFileSync(join(root, "package.json"), "utf8"));
  const lock = JSON.parse(readFileSync(join(root, "package-lock.json"), "utf8"));
  const alone = {
    name: "driver",
    private: true,
    dependencies: { [DRIVER]: dependencies[DRIVER] },
    allowScripts,
  };
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  writeFileSync(join(folder, "package.json"), JSON.stringify(alone));
  writeFileSync(
    join(folder, "package-lock.json"),
    JSON.stringify({ ...lock, packages: { ...lock.packages, "": alone } }),
  );
  const args = ["install", "--no-save", "--no-audit", "--no-fund"];
  const made = await npm(args, { cwd: folder, env, stderr: "ignore" });
  return made && existsSync(join(folder, BINARY)) ? folder : null;
}

/**
 * The same where much is done before the database is needed: the packages are there once `packages` is, the driver once
 * `driver` is.
 */
export function beginPackages() {
  const hash = packagesHash();
  if (arePackages(hash)) return { packages: Promise.resolve(), driver: Promise.resolve() };
  console.error("Installing packages; the database driver compiles meanwhile …");
  // Half the time of a compiler that takes out all there is, for a tenth more of each statement's: docs/running.md says how
  // the full one comes back. Nothing else here needs a compiler, or does without.
  const env = compiling("-O1");
  const ahead = compileDriver(env);
  const packages = npm(["install", "--no-save", "--no-audit", "--no-fund", "--ignore-scripts"]).then(
    mustBeInstalled,
  );
  const driver = packages.then(async () => {
    const folder = await ahead;
    if (folder) {
      mkdirSync(dirname(join(root, BINARY)), { recursive: true });
      cpSync(join(folder, BINARY), join(root, BINARY));
      rmSync(folder, { recursive: true, force: true });
    } else mustBeInstalled(await npm(["rebuild", DRIVER], { env }));
    stamp("packages", hash);
  });
  return { packages, driver };
}

/** Builds the application, unless this very source is built. @returns whether it is built. */
export function ensureBuild() {
  const hash = hashOf([
    "src",
    "library",
    "package.json",
    "package-lock.json",
    "next.config.mjs",
    "postcss.config.mjs",
    "tsconfig.json",
    "scripts/bundle.mjs",
  ]);
  const outputs = [join(root, ".next/BUILD_ID"), ...THREADS.map(programFile)];
  if (outputs.every((file) => existsSync(file)) && isStamped("build", hash)) return true;
  console.error("Building …");
  for (const thread of THREADS) bundle(thread);
  // The first is mostly the only one: what would make another quicker takes a fifth of its time.
  const env = existsSync(join(root, ".next/BUILD_ID")) ? {} : { ARLENT_FIRST_BUILD: "1" };
  if (runPackage("next/dist/bin/next", ["build"], { stdio: ["ignore", "pipe", "inherit"], env }) !== 0)
    return false;
  stamp("build", hash);
  return true;
}

/** What the server runs in threads of their own: setting paper, and computations that can take seconds. */
export const THREADS = [
  "src/worker/paper.ts",
  "src/worker/compute-thread.ts",
  "src/worker/insight-thread.ts",
];

/** Draws the same pages without a window's parts, in three quarters of the time. */
const SHELL = "/usr/bin/chromium-headless-shell";
const BROWSERS = [SHELL, "/usr/bin/chromium", "/usr/bin/chromium-browser"];

const browser = () => BROWSERS.find((path) => existsSync(path));

/**
 * The path of a Chromium: CHROMIUM, or the system's, installed from Debian's packages where there is none and that may be
 * done; where machines test, the quicker one is installed beside another.
 */
export function ensureChromium() {
  const { CHROMIUM, CI } = process.env;
  if (CHROMIUM && existsSync(CHROMIUM)) return CHROMIUM;
  const wanted = CI ? !existsSync(SHELL) : !browser();
  if (wanted && process.getuid?.() === 0 && existsSync("/usr/bin/apt-get")) {
    console.error("Installing Chromium from Debian's packages …");
    const quiet = { stdio: ["ignore", "ignore", "inherit"], env: { DEBIAN_FRONTEND: "noninteractive" } };
    run("apt-get", ["update", "-qq"], quiet);
    run("apt-get", ["install", "-y", "-qq", "--no-install-recommends", "chromium-headless-shell"], quiet);
  }
  const path = browser();
  if (!path)
    fail(
      "No Chromium found: install Debian's package chromium-headless-shell, or set CHROMIUM to the path of one.",
    );
  return path;
}

export function needsNode() {
  const [major] = process.versions.node.split(".").map(Number);
  if (major < 20) fail(`Node 20 or later is needed; this is ${process.version}.`);
}

export function fail(message) {
  console.error(message);
  process.exit(1);
}
