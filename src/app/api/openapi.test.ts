import { readdirSync } from "node:fs";
import { Validator } from "@seriousme/openapi-schema-validator";
import { describe, expect, it } from "vitest";
import { API, operations, STATUS_OF } from "@/core";
import { openApi } from "./openapi";
import { ROUTES } from "./routes";

describe("the page of the interface for programs", () => {
  it("is valid OpenAPI 3.1 by a standard validator", async () => {
    const { valid, errors } = await new Validator().validate(structuredClone(openApi()));
    expect(errors ?? []).toEqual([]);
    expect(valid).toBe(true);
  });
  it("tells every route of the table and every computation, each once", () => {
    const listed = ROUTES.map(({ method, path }) => `${method} ${path}`);
    expect(new Set(listed).size).toBe(listed.length);
    expect(listed).toEqual(expect.arrayContaining(Object.keys(API)));
    expect(listed.length).toBe(Object.keys(API).length + Object.keys(operations).length);
  });
  it("is all there is: one file answers the table, one the computations", () => {
    const files = readdirSync("src/app/api", { recursive: true, encoding: "utf8" });
    expect(files.filter((file) => file.endsWith("route.ts")).sort()).toEqual([
      "[...path]/route.ts",
      "v1/compute/[operation]/route.ts",
    ]);
  });
  it("names each thing done once, and every code a refusal can have", () => {
    const document = JSON.stringify(openApi());
    const ids = [...document.matchAll(/"operationId":"(\w+)"/g)].map(([, id]) => id);
    expect(new Set(ids).size).toBe(ROUTES.length);
    for (const code of Object.keys(STATUS_OF)) expect(document).toContain(`"${code}"`);
  });
  it("says where the server is, how a device is let in, and that the door alone is open", () => {
    const { servers, security, components, paths } = openApi() as {
      servers: object[];
      security: object[];
      components: { securitySchemes: object };
      paths: Record<string, Record<string, { security?: object[]; responses: object; tags: string[] }>>;
    };
    expect(servers).toEqual([expect.objectContaining({ url: "/" })]);
    expect(security).toEqual([{ session: [] }, { token: [] }, {}]);
    expect(components.securitySchemes).toMatchObject({ session: { in: "cookie", name: "arlent-crew" } });
    const all = Object.entries(paths).flatMap(([path, of]) =>
      Object.values(of).map((operation) => ({ path, ...operation })),
    );
    const open = all.filter((operation) => operation.security?.length === 0);
    expect(open.map(({ path }) => path)).toEqual(["/api/v1/enter"]);
    for (const { path, responses, tags } of all) {
      expect(Object.keys(responses), path).toContain("4XX");
      expect(tags, path).toHaveLength(1);
    }
  });
  it("says of every list what it holds", () => {
    const bare: string[] = [];
    const visit = (value: unknown, path: string): void => {
      if (typeof value !== "object" || value === null) return;
      if ("type" in value && value.type === "array" && !("items" in value && value.items)) bare.push(path);
      for (const [key, inner] of Object.entries(value)) visit(inner, `${path}/${key}`);
    };
    visit(openApi(), "");
    expect(bare).toEqual([]);
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
