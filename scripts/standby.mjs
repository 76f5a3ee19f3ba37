// `npm run -s standby`; sets itself up on a fresh clone.
import { ensurePackages, runPackage } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runPackage("tsx/dist/cli.mjs", ["src/cli/standby.ts", ...process.argv.slice(2)]);
