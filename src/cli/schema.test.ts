import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { jsonSchemas } from "@/core";

describe.each(Object.entries(jsonSchemas()))("the published schema of a %s", (kind, schema) => {
  it("is the one that checks it: run `npm run schema` after changing either", () => {
    expect(JSON.parse(readFileSync(`docs/schema/${kind}.json`, "utf8"))).toEqual(
      JSON.parse(JSON.stringify(schema)),
    );
  });
});
