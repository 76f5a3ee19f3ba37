// Takes the pictures in docs/screenshots again, from the demo data: `npm run pictures`.
import { ensureBuild, ensureChromium, ensurePackages, fail, runPackage } from "./setup.mjs";

ensurePackages();
if (!ensureBuild()) fail("The build failed: see above.");
process.exitCode = runPackage("tsx/dist/cli.mjs", ["demo/pictures.ts"], {
  env: { CHROMIUM: ensureChromium() },
});
