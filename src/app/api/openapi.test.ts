import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { Validator } from "@seriousme/openapi-schema-validator";
import { describe, expect, it } from "vitest";
import { operations, STATUS_OF } from "@/core";
import { openApi } from "./openapi";
import { ROUTES } from "./routes";

const ROOT = "src/app/api/v1";

/** Every address and method there is a file for. */
const served = readdirSync(ROOT, { recursive: true, encoding: "utf8" })
  .filter((file) => file.endsWith("route.ts"))
  .flatMap((file) => {
    const path = `/${file.replace(/\/?route\.ts$/, "").replaceAll(/\[(\w+)\]/g, "{$1}")}`;
    const text = readFileSync(join(ROOT, file), "utf8");
    return [...text.matchAll(/export (?:const|(?:async )?function) (GET|POST|PUT|PATCH|DELETE)\b/g)].map(
      ([, method = ""]) => `${method.toLowerCase()} ${path}`,
    );
  });

/** The computations are told one by one. */
const documented = new Set(
  ROUTES.map(
    ({ method, path }) => `${method} ${path.replace(/^\/compute\/[\w-]+$/, "/compute/{operation}")}`,
  ),
);

describe("the page of the interface for programs", () => {
  it("is valid OpenAPI 3.1 by a standard validator", async () => {
    const { valid, errors } = await new Validator().validate(structuredClone(openApi()));
    expect(errors ?? []).toEqual([]);
    expect(valid).toBe(true);
  });
  it("tells every route there is, and none there is not", () => {
    expect([...documented].sort()).toEqual(served.sort());
    expect(
      Object.keys(operations).every((name) => ROUTES.some(({ path }) => path === `/compute/${name}`)),
    ).toBe(true);
  });
  it("names each thing done once, and every code a refusal can have", () => {
    const document = JSON.stringify(openApi());
    const ids = [...document.matchAll(/"operationId":"(\w+)"/g)].map(([, id]) => id);
    expect(new Set(ids).size).toBe(ROUTES.length);
    for (const code of Object.keys(STATUS_OF)) expect(document).toContain(`"${code}"`);
  });
  it("says lengths as they travel: a reading's value is a number of millimetres, who asks a UUID or nobody", () => {
    const paths = openApi().paths as Record<
      string,
      { post: { requestBody: { content: Record<string, { schema: object }> } } }
    >;
    const schema = paths["/api/v1/ends/{id}/events"]?.post.requestBody.content["application/json"]?.schema;
    expect(schema).toMatchObject({ required: expect.arrayContaining(["client", "after", "events"]) });
    expect(JSON.stringify(schema)).toContain('"value":{"type":"number"');
  });
});
