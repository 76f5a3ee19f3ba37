// `npm run -s verify -- FILE.tar [KEY]`: a proof exported by some Arlent; sets itself up on a fresh clone.
import { ensurePackages, runProgram } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runProgram("src/cli/verify.ts", process.argv.slice(2));
