// Prints how fast Arlent is on this machine, each figure beside a bare one from the same run: `npm run perf`, or parts of it by name.
import { ensureBuild, ensureChromium, ensurePackages, fail, runPackage } from "./setup.mjs";

ensurePackages();
if (!ensureBuild()) fail("The build failed: see above.");
process.exitCode = runPackage("tsx/dist/cli.mjs", ["perf/perf.ts", ...process.argv.slice(2)], {
  env: { CHROMIUM: ensureChromium() },
});
