// `npm run -s import -- FILE.tar`: the ends of a proof into this record; sets itself up on a fresh clone.
import { ensurePackages, runProgram } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runProgram("src/cli/import.ts", process.argv.slice(2));
