// Writes the published JSON Schemas of the documents a user can bring into docs/schema: `npm run schema`.
import { ensurePackages, runPackage } from "./setup.mjs";

ensurePackages();
process.exitCode = runPackage("tsx/dist/cli.mjs", ["src/cli/schema.ts"]);
