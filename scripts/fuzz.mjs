// `npm run fuzz [-- REQUESTS [SEED]]`: asks every route what its own schema makes up, and says what was answered amiss.
import { ensureBuild, ensurePackages, fail, runPackage } from "./setup.mjs";

ensurePackages();
if (!ensureBuild()) fail("The build failed: see above.");
process.exitCode = runPackage("tsx/dist/cli.mjs", ["e2e/fuzz-run.ts", ...process.argv.slice(2)]);
