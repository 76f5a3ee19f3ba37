// Every check of the project, on a fresh clone too. The last line says how many passed and failed.
import { readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { beginPackages, ensureBuild, ensureChromium, root, runPackage, runPackageBeside } from "./setup.mjs";

// Much is made and thrown away at once in all that runs here: with more room for it, a tenth of the work is saved.
process.env.NODE_OPTIONS = `${process.env.NODE_OPTIONS ?? ""} --max-semi-space-size=64`.trim();

const { packages, driver } = beginPackages();
// The browser is installed beside them.
const chromium = ensureChromium();
await packages;

let passed = 0;
let failed = 0;

function count(name, good) {
  console.log(`${good ? "pass" : "FAIL"}  ${name}`);
  if (good) passed += 1;
  else failed += 1;
}

/** A suite whose runner writes a report; one that cannot be read counts as one failure. */
function suite(name, report, runSuite, read) {
  const file = join(root, ".arlent", report);
  rmSync(file, { force: true });
  const code = runSuite(file);
  try {
    const { good, bad } = read(JSON.parse(readFileSync(file, "utf8")));
    passed += good;
    failed += bad;
    console.log(`${bad === 0 ? "pass" : "FAIL"}  ${name}: ${good} passed, ${bad} failed`);
    if (code !== 0 && bad === 0) count(`${name} ended well`, false);
    if (good + bad === 0) count(`${name} ran a test`, false);
  } catch {
    count(`${name} wrote its report`, false);
  }
}

const cruise = (config) => [
  "dependency-cruiser/bin/dependency-cruise.mjs",
  ["src", "--config", config, "--output-type", "err"],
];
const CHECKS = [
  ["arrows between rooms", ...cruise(".dependency-cruiser.cjs")],
  ["folders without circles", ...cruise(".dependency-cruiser.folders.cjs")],
  ["formatting and lint", "@biomejs/biome/bin/biome", ["ci", "--error-on-warnings", "."]],
  ["types of routes", "next/dist/bin/next", ["typegen"]],
];
// Each keeps one processor busy, most of it reading: they go side by side.
for (const [name, ran] of CHECKS.map(([name, file, args]) => [name, runPackageBeside(file, args)])) {
  const { code, output } = await ran;
  process.stdout.write(output);
  count(name, code === 0);
}
count("types", runPackage("typescript-7/bin/tsc", ["--noEmit"]) === 0);
// The build needs no database: it is made while the driver still compiles.
const built = ensureBuild();
count("build", built);
await driver;
suite(
  "unit tests and vectors",
  "unit.json",
  (file) =>
    runPackage("vitest/vitest.mjs", [
      "run",
      "--reporter=default",
      "--reporter=json",
      `--outputFile.json=${file}`,
    ]),
  ({ numPassedTests, numFailedTests, numFailedTestSuites, numTotalTests }) => ({
    good: numPassedTests,
    bad: Math.max(numFailedTests, numTotalTests === numPassedTests && numFailedTestSuites > 0 ? 1 : 0),
  }),
);
if (built)
  suite(
    "browser tests",
    "browser.json",
    (file) =>
      runPackage("@playwright/test/cli.js", ["test", "--reporter=list,json"], {
        env: { CHROMIUM: chromium, PLAYWRIGHT_JSON_OUTPUT_NAME: file },
      }),
    ({ stats }) => ({ good: stats.expected, bad: stats.unexpected + stats.flaky }),
  );
else count("browser tests could run", false);

console.log(`tests: ${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
