// `npm run -s seal`: one figure over the whole record, to be kept elsewhere; sets itself up on a fresh clone.
import { ensurePackages, runPackage } from "./setup.mjs";

ensurePackages({ quiet: true });
process.exitCode = runPackage("tsx/dist/cli.mjs", ["src/cli/seal.ts", ...process.argv.slice(2)]);
