// `npm run fuzz [-- REQUESTS [SEED]]`: asks every route what its own schema makes up, and says what was answered amiss.
// `npm run fuzz -- kills [KILLS]`: kills a writer again and again, and says what was lost.
// `npm run fuzz -- checks [CHECKS]`: checks a record again and again while it is written, and says what was found altered.
import { bundle } from "./bundle.mjs";
import { ensureBuild, ensurePackages, fail, runPackage, runProgram } from "./setup.mjs";

ensurePackages();
const [first, ...others] = process.argv.slice(2);
const BESIDE_A_WRITER = { kills: "e2e/kill-run.ts", checks: "e2e/checks-run.ts" };
const program = BESIDE_A_WRITER[first];
if (program) {
  bundle("harness/killed-writer.ts");
  process.exitCode = runProgram(program, others);
} else {
  if (!ensureBuild()) fail("The build failed: see above.");
  process.exitCode = runPackage("tsx/dist/cli.mjs", ["e2e/fuzz-run.ts", ...process.argv.slice(2)]);
}
