// Every program that tests start, put together once before the first of them.
import { readdirSync } from "node:fs";
import { bundle } from "./bundle.mjs";
import { THREADS } from "./setup.mjs";

export default function programs() {
  for (const name of readdirSync("src/cli"))
    if (name.endsWith(".ts") && !name.endsWith(".test.ts")) bundle(`src/cli/${name}`);
  bundle("src/store/fixtures/open-once.ts");
  for (const thread of THREADS) bundle(thread);
}
