// `npm run -s crew -- names-free`: where every keeper forgot their PIN; sets itself up on a fresh clone.
import { ensurePackages, runProgram } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runProgram("src/cli/crew.ts", process.argv.slice(2));
