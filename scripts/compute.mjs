// `npm run -s compute -- <operation> [--lines]`: JSON in, JSON out; sets itself up on a fresh clone.
import { ensurePackages, runProgram } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runProgram("src/cli/compute.ts", process.argv.slice(2));
