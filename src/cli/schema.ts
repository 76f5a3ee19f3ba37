import "@/messages/speak";

import { writeFileSync } from "node:fs";
import { jsonSchemas } from "@/core";

for (const [kind, schema] of Object.entries(jsonSchemas()))
  writeFileSync(`docs/schema/${kind}.json`, `${JSON.stringify(schema, null, 2)}\n`);
