import { z } from "zod";
import { STATUS_OF } from "@/core";
import { SESSION_COOKIE } from "@/service/crew/crew";
import { PROGRAM } from "@/service/program";
import { ROUTES, type Route } from "./routes";

type Json = Readonly<Record<string, unknown>>;

/** As it travels: of a codec, its outer side. What a schema only says in words is left out. */
const schemaOf = (schema: z.ZodType): Json => {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, {
    io: "input",
    unrepresentable: "any",
    // A list of so many entries has no others; some readers take `false` for a list of nothing said.
    override: ({ jsonSchema }) => {
      if (jsonSchema.prefixItems && !jsonSchema.items) jsonSchema.items = { not: {} };
    },
  });
  return rest;
};

const contentOf = (body: NonNullable<Route["body"]>): Json =>
  "media" in body
    ? Object.fromEntries(body.media.map((media) => [media, {}]))
    : { "application/json": { schema: schemaOf(body) } };

const inPath = (path: string): Json[] =>
  [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
    name,
    in: "path",
    required: true,
    schema: name === "kind" ? { enum: ["procedures", "cables", "entries"] } : { type: "string" },
  }));

const zObjectSchema = z.object({
  properties: z.record(z.string(), z.record(z.string(), z.unknown())).default({}),
  required: z.array(z.string()).default([]),
});

function inQuery(query: z.ZodObject | undefined): Json[] {
  if (!query) return [];
  const { properties, required } = zObjectSchema.parse(schemaOf(query));
  return Object.entries(properties).map(([name, schema]) => ({
    name,
    in: "query",
    required: required.includes(name),
    schema,
  }));
}

/** True for a path that is answered without a session. */
const isOpen = (path: string): boolean => path === "/enter";

const REFUSED = { $ref: "#/components/responses/Refused" };

/** The tag of a path: its first segment. */
const groupOf = (path: string): string => path.split("/")[1] ?? "";

/** The description of a route, with the roles it needs where names are proven. */
function withRoles(does: string, roles: Route["roles"], acts: Route["acts"]): string {
  const needed = roles ?? (acts ? ["technician"] : []);
  return needed.length > 0 ? `${does} Where names are proven: ${needed.join(" or ")}.` : does;
}

const operationOf = ({ method, path, does, query, body, answer, status, roles, acts }: Route): Json => ({
  operationId: `${method}${path.replaceAll(/\W+(\w?)/g, (_, next: string) => next.toUpperCase())}`,
  summary: does.replace(/\.$/, ""),
  description: withRoles(does, roles, acts),
  tags: [groupOf(path)],
  ...(isOpen(path) ? { security: [] } : {}),
  parameters: [...inPath(path), ...inQuery(query)],
  ...(body ? { requestBody: { required: true, content: contentOf(body) } } : {}),
  responses: {
    [String(status ?? 200)]: { description: "Done.", content: contentOf(answer) },
    "4XX": REFUSED,
    default: REFUSED,
  },
});

/**
 * The interface for programs as an OpenAPI 3.1 document, made of the very schemas that check it. Lengths are millimetres.
 * Every refusal has a code of a closed list, each with its one status.
 */
export function openApi(): Json {
  const paths: Record<string, Record<string, Json>> = {};
  for (const route of ROUTES) {
    const at = `/api/v1${route.path}`;
    paths[at] = { ...paths[at], [route.method]: operationOf(route) };
  }
  return {
    openapi: "3.1.0",
    servers: [{ url: "/", description: "The server this page comes from." }],
    // A server whose crew set no key asks for none.
    security: [{ session: [] }, { token: [] }, {}],
    tags: [...new Set(ROUTES.map(({ path }) => groupOf(path)))].map((name) => ({
      name,
      description: `Addresses under /api/v1/${name}.`,
    })),
    info: {
      title: "Arlent",
      version: PROGRAM.replace(/^\D+/, ""),
      contact: { name: "The crew that runs this server", url: "https://example.invalid/" },
      license: { name: "MIT", identifier: "MIT" },
      description:
        "Lengths are millimetres with at most three decimals. A refusal answers {error: {code, message, path}}; its code is one of a closed list, each with one status. Where the sentence is one of the messages, key names it and params are the values in it.",
    },
    paths,
    components: {
      securitySchemes: {
        session: {
          type: "apiKey",
          in: "cookie",
          name: SESSION_COOKIE,
          description: "Given by POST /api/v1/enter for the crew's key.",
        },
        token: {
          type: "http",
          scheme: "bearer",
          description: "Made under Setup, Crew, for a program; shown once. It has roles, and signs nothing.",
        },
      },
      schemas: {
        Problem: {
          type: "object",
          required: ["code", "message", "path"],
          properties: {
            code: { enum: Object.keys(STATUS_OF) },
            message: { type: "string" },
            key: { type: "string" },
            params: { type: "object", additionalProperties: { type: ["string", "number"] } },
            path: { type: "array", items: { type: ["string", "integer"] } },
            also: { type: "array", items: { type: "object" } },
          },
        },
      },
      responses: {
        Refused: {
          description: Object.entries(STATUS_OF)
            .map(([code, status]) => `${status} ${code}`)
            .join(", "),
          content: {
            "application/json": {
              schema: {
                type: "object",
                required: ["error"],
                properties: { error: { $ref: "#/components/schemas/Problem" } },
              },
            },
          },
        },
      },
    },
  };
}
