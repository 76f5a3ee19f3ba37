// `npm run -s compute -- <operation> [--lines]`: JSON in, JSON out; sets itself up on a fresh clone.
import { ensurePackages, runPackage } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runPackage("tsx/dist/cli.mjs", ["src/cli/compute.ts", ...process.argv.slice(2)]);
