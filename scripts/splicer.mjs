// `npm run -s splicer -- [--count N] [--seed TEXT] [--bad] [--port P]`: a simulated splicer; sets itself up on a fresh clone.
import { ensurePackages, runProgram } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runProgram("src/cli/splicer.ts", process.argv.slice(2));
