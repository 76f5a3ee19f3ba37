// `npm run -s fault-light -- [--count N] [--seed TEXT] [--bad] [--port P]`: a simulated fault light; sets itself up on a fresh clone.
import { ensurePackages, runProgram } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runProgram("src/cli/fault-light.ts", process.argv.slice(2));
