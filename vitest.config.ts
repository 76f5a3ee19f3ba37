import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

export default defineConfig({
  resolve: { alias: { "@": fileURLToPath(new URL("./src", import.meta.url)) } },
  test: {
    include: ["src/**/*.test.ts", "library/**/*.test.ts", "demo/**/*.test.ts", "scripts/**/*.test.ts"],
    environment: "node",
    globalSetup: ["scripts/programs.mjs"],
    setupFiles: ["src/messages/core-texts.ts"],
    // No test leaves anything behind in a module: each worker reads the code once.
    isolate: false,
    // Many wait for a program they started: no processor is kept free.
    maxWorkers: "100%",
    testTimeout: 30_000,
  },
});
