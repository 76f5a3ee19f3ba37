// `npm run -s rebuild`: writes all that follows from the record's events again; sets itself up on a fresh clone.
import { ensurePackages, runProgram } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runProgram("src/cli/rebuild.ts", process.argv.slice(2));
