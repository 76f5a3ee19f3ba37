// Writes the published JSON Schemas of the documents a user can bring into docs/schema: `npm run schema`.
import { ensurePackages, runProgram } from "./setup.mjs";

ensurePackages();
process.exitCode = runProgram("src/cli/schema.ts");
