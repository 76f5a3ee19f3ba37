// `npm run -s check-record`: whether every event of the record is as it was written; sets itself up on a fresh clone.
import { ensurePackages, runProgram } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runProgram("src/cli/check-record.ts", process.argv.slice(2));
