// `npm run -s seal`: one figure over the whole record, to be kept elsewhere; sets itself up on a fresh clone.
import { ensurePackages, runProgram } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runProgram("src/cli/seal.ts", process.argv.slice(2));
