// `npm run -s meter -- [--count N] [--seed TEXT] [--bad] [--port P]`: a simulated source and meter; sets itself up on a fresh clone.
import { ensurePackages, runProgram } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runProgram("src/cli/meter.ts", process.argv.slice(2));
