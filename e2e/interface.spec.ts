import { randomUUID } from "node:crypto";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ROUTES, type Route } from "@/app/api/routes";
import { NEW_FEEDER } from "@/core";
import { freePort, NO_PAGE, startServer } from "../harness/next-server";
import { CLOSURE, PLAN } from "../harness/plans";
import { endAtMeasure, expect, test, WEDGE } from "../harness/server";
import { fuzz, unlikeItsPage } from "./fuzz";

/** Whether an answer is one its route says: done and by its schema, or refused by the closed list. */
const mustBeTold = (route: Route, status: number, text: string, type: string): void =>
  expect(unlikeItsPage(route, { status, text, type })).toBeNull();

test("every route answers as its page says, asked for what is there", async ({ request }) => {
  const end = await endAtMeasure(request);
  const batch = (await (await request.post("/api/v1/batches", { data: { ...WEDGE, count: 2 } })).json()).id;
  const job = (await (await request.post("/api/v1/jobs", { data: { name: "Moor" } })).json()).id;
  const ended = { ...PLAN.sides.A, procedure: "drop-clamp", ends: 1 };
  const planned = { pieces: [{ plan: { ...PLAN, cable: "flat-drop", sides: { ...PLAN.sides, A: ended } } }] };
  const { pieces } = await (await request.post(`/api/v1/jobs/${job}`, { data: planned })).json();
  const person = (
    await (await request.post("/api/v1/people", { data: { name: `Ada ${randomUUID().slice(0, 8)}` } })).json()
  ).people.at(-1).id;
  const closed = await request.post(`/api/v1/jobs/${job}/closures`, { data: { plan: CLOSURE } });
  const ids = {
    "/batches": batch,
    "/jobs": job,
    "/pieces": pieces[0].id,
    "/closures": (await closed.json()).id,
    "/feeders": (
      await (await request.post(`/api/v1/jobs/${job}/feeders`, { data: { plan: NEW_FEEDER } })).json()
    ).id,
    "/shelf": "simplex-3.0",
  };
  const idFor = (path: string): string =>
    Object.entries(ids).find(([start]) => path.startsWith(start))?.[1] ?? end;
  const fill = (path: string) =>
    path.replace("{id}", idFor(path)).replace("{kind}", "cables").replace("{sha256}", "0".repeat(64));
  const queries = new Map([
    ["/aims", `?person=${person}`],
    ["/yields", `?style=${WEDGE.procedure}`],
    ["/drills", `?person=${person}`],
    ["/pieces/{id}/ends", "?side=A"],
    ["/cards", `?cable=${WEDGE.cable}&procedure=${WEDGE.procedure}`],
    [
      "/gauges",
      `?styles=${encodeURIComponent(JSON.stringify([{ cable: WEDGE.cable, procedure: WEDGE.procedure }]))}`,
    ],
    ["/closures/{id}/ends", `?cable=${CLOSURE.cables[0]?.id}`],
  ]);
  let done = 0;
  for (const route of ROUTES.filter(({ method }) => method === "get")) {
    const answer = await request.get(`/api/v1${fill(route.path)}${queries.get(route.path) ?? ""}`);
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
  baseURL,
}) => {
  test.setTimeout(240_000);
  const end = await endAtMeasure(request);
  const before = await (await request.get(`/api/v1/ends/${end}/record`)).text();
  const sealed = async () => (await (await request.get("/api/v1/seal")).json()).root;
  const seal = await sealed();
  const ids = [end, "nowhere", "constructor", "%2e%2e", "x".repeat(400), end.toUpperCase()];
  let askedAt = 0;
  for (const route of ROUTES.filter(({ method }) => method === "post"))
    for (const [i, data] of STRANGE.entries()) {
      const path = route.path
        .replace("{id}", ids[i % ids.length] ?? "")
        .replace("{kind}", i % 3 === 0 ? "toString" : "cables");
      const answer = await fetch(`${baseURL}/api/v1${path}`, {
        method: "POST",
        body: JSON.stringify(data),
        headers: { "content-type": "application/json" },
      });
      const text = await answer.text();
      mustBeTold(route, answer.status, text, answer.headers.get("content-type") ?? "");
      expect(answer.status, `${route.path} ${JSON.stringify(data)} ${text}`).toBeGreaterThanOrEqual(400);
      askedAt += 1;
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
      const answer = await fetch(
        `${baseURL}/api/v1${route.path.replace("{id}", "nowhere").replace("{kind}", "toString").replace("{sha256}", "zz")}${query}`,
      );
      mustBeTold(route, answer.status, await answer.text(), answer.headers.get("content-type") ?? "");
      askedAt += 1;
    }
  expect(askedAt).toBeGreaterThan(300);
  expect(await (await request.get(`/api/v1/ends/${end}/record`)).text()).toBe(before);
  expect(await sealed()).toBe(seal);
});

/** Of the many thousands that `npm run fuzz` asks, so many, always the same. */
const FUZZED = 400;

test("every route is asked what its own schema makes up: none fails, and what is refused has written nothing", async ({
  request,
}) => {
  const file = join(mkdtempSync(join(tmpdir(), "arlent-fuzz-")), "fuzz.db");
  const server = await startServer(file, await freePort(), NO_PAGE);
  const post = async (path: string, data: unknown) =>
    (await request.post(`${server.url}/api/v1${path}`, { data })).json();
  const job = (await post("/jobs", { name: "Moor" })).id;
  const existing = {
    jobs: [job],
    pieces: [(await post(`/jobs/${job}`, { pieces: [{ plan: PLAN }] })).pieces[0].id],
    closures: [(await post(`/jobs/${job}/closures`, { plan: CLOSURE })).id],
    ends: [(await post("/ends", WEDGE)).id],
    batches: [(await post("/batches", { ...WEDGE, count: 2 })).id],
    people: [(await post("/people", { name: "Wyn Harrow" })).people[0].id],
  };
  const {
    requests: askedAt,
    done,
    wrong,
  } = await fuzz({ url: server.url, database: file, known: existing }, { requests: FUZZED, seed: 4 });
  await server.kill();
  expect(wrong).toEqual([]);
  expect(askedAt).toBe(FUZZED);
  expect(done).toBeGreaterThan(FUZZED / 5);
});
