import { randomUUID } from "node:crypto";
import { z } from "zod";
import { ROUTES, type Route } from "@/app/api/routes";
import { STATUS_OF } from "@/core";
import { endAtMeasure, expect, test, WEDGE } from "./server";

const zRefusal = z.strictObject({
  error: z.strictObject({
    code: z.enum(Object.keys(STATUS_OF) as [keyof typeof STATUS_OF]),
    message: z.string().min(1),
    path: z.array(z.union([z.string(), z.number()])),
    also: z.array(z.unknown()).optional(),
  }),
});

/** Whether an answer is one its route says: done and by its schema, or refused by the closed list. */
function mustBeTold(route: Route, status: number, text: string, type: string): void {
  const where = `${route.method} ${route.path}: ${status} ${text.slice(0, 200)}`;
  expect(status, where).toBeLessThan(500);
  if (status >= 400) {
    const refusal = zRefusal.safeParse(JSON.parse(text));
    expect(refusal.success, where).toBe(true);
    if (refusal.success) expect(STATUS_OF[refusal.data.error.code], where).toBe(status);
    return;
  }
  expect(status, where).toBe(route.status ?? 200);
  if ("media" in route.answer) {
    expect(
      route.answer.media.some((media) => type.startsWith(media)),
      `${where} ${type}`,
    ).toBe(true);
    return;
  }
  const read = route.answer.safeParse(JSON.parse(text));
  expect(read.success ? "" : `${where} ${read.error.message.slice(0, 300)}`).toBe("");
}

test("every route answers as its page says, asked for what is there", async ({ request }) => {
  const end = await endAtMeasure(request);
  const batch = (await (await request.post("/api/v1/batches", { data: { ...WEDGE, count: 2 } })).json()).id;
  const person = (
    await (await request.post("/api/v1/people", { data: { name: `Ada ${randomUUID().slice(0, 8)}` } })).json()
  ).people.at(-1).id;
  const fill = (path: string) =>
    path
      .replace("{id}", path.startsWith("/batches") ? batch : path.startsWith("/shelf") ? "simplex-3.0" : end)
      .replace("{kind}", "cables")
      .replace("{sha256}", "0".repeat(64));
  let done = 0;
  for (const route of ROUTES.filter(({ method }) => method === "get")) {
    const query = route.path === "/aims" ? `?person=${person}` : "";
    const answer = await request.get(`/api/v1${fill(route.path)}${query}`);
    mustBeTold(route, answer.status(), await answer.text(), answer.headers()["content-type"] ?? "");
    if (answer.status() < 400) done += 1;
  }
  // All but the photograph, of which there is none.
  expect(done).toBe(ROUTES.filter(({ method }) => method === "get").length - 1);
});

/** What is no answer to anything: sent to every route, each refuses it by a code of the list and changes nothing. */
const STRANGE: readonly unknown[] = [
  null,
  [],
  "text",
  7,
  {},
  { by: "nobody" },
  { id: "constructor", kind: "__proto__" },
  { name: "\ud800", key: "x".repeat(300) },
  { document: { id: "../../x" }, basis: -1 },
  { client: "x", after: -1, events: [{ id: randomUUID(), event: { kind: "toString" } }] },
  { client: "x", ends: [], count: 1e9 },
  { features: [{ name: "constructor" }], dimensions: "none" },
  { readings: [Number.MAX_VALUE], limits: { min: 2, max: 1 } },
];

test("every route refuses what is no question to it by a code of the list, and changes nothing", async ({
  request,
}) => {
  test.setTimeout(240_000);
  const end = await endAtMeasure(request);
  const before = await (await request.get(`/api/v1/ends/${end}/record`)).text();
  const sealed = async () => (await (await request.get("/api/v1/seal")).json()).root;
  const seal = await sealed();
  const ids = [end, "nowhere", "constructor", "%2e%2e", "x".repeat(400), end.toUpperCase()];
  let asked = 0;
  for (const route of ROUTES.filter(({ method }) => method === "post"))
    for (const [i, data] of STRANGE.entries()) {
      const path = route.path
        .replace("{id}", ids[i % ids.length] ?? "")
        .replace("{kind}", i % 3 === 0 ? "toString" : "cables");
      const answer = await request.post(`/api/v1${path}`, {
        data: Buffer.from(JSON.stringify(data)),
        headers: { "content-type": "application/json" },
      });
      const text = await answer.text();
      mustBeTold(route, answer.status(), text, answer.headers()["content-type"] ?? "");
      expect(answer.status(), `${route.path} ${JSON.stringify(data)} ${text}`).toBeGreaterThanOrEqual(400);
      asked += 1;
    }
  for (const route of ROUTES.filter(({ method }) => method === "get"))
    for (const query of [
      "?before=%27--",
      "?after=x",
      "?purpose=fun",
      "?seen=,,",
      "?revision=0",
      "?nothing=1",
    ]) {
      const answer = await request.get(
        `/api/v1${route.path.replace("{id}", "nowhere").replace("{kind}", "toString").replace("{sha256}", "zz")}${query}`,
      );
      mustBeTold(route, answer.status(), await answer.text(), answer.headers()["content-type"] ?? "");
      asked += 1;
    }
  expect(asked).toBeGreaterThan(300);
  expect(await (await request.get(`/api/v1/ends/${end}/record`)).text()).toBe(before);
  expect(await sealed()).toBe(seal);
});
