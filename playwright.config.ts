import { defineConfig } from "@playwright/test";
import { ensureChromium } from "./scripts/setup.mjs";

// Many servers are started here, each for a few pages: what those do not ask for is not loaded.
process.env.ARLENT_LOAD ??= "late";
process.env.ARLENT_COMPRESS ??= "no";

export default defineConfig({
  testDir: "e2e",
  globalSetup: "./harness/global-setup.ts",
  workers: 2,
  // Generous: they end what hangs, and a slow machine is not a fault.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  retries: 0,
  forbidOnly: true,
  outputDir: "test-results",
  use: {
    launchOptions: {
      executablePath: ensureChromium(),
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        // The driver has a stack noted with each request: where a line stands is compiled in and kept, not read anew a page.
        "--js-flags=--no-enable-lazy-source-positions",
      ],
    },
    locale: "en-GB",
    timezoneId: "Europe/London",
  },
  projects: [
    { name: "desk", use: { viewport: { width: 1280, height: 800 } } },
    {
      name: "phone",
      // What a hand does there and what is seen; commands, interfaces for programs and desk work have no second size.
      testMatch: ["bench.spec.ts", "sheet.spec.ts", "views.spec.ts"],
      grepInvert: /@desk/,
      use: { viewport: { width: 390, height: 844 }, hasTouch: true },
    },
  ],
});
