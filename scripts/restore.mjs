// `npm run -s restore`; sets itself up on a fresh clone.
import { ensurePackages, runProgram } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runProgram("src/cli/restore.ts", process.argv.slice(2));
