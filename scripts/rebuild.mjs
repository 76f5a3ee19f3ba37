// `npm run -s rebuild`: writes all that follows from the record's events anew; sets itself up on a fresh clone.
import { ensurePackages, runPackage } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runPackage("tsx/dist/cli.mjs", ["src/cli/rebuild.ts", ...process.argv.slice(2)]);
