import { expect, startEnd, test } from "../harness/server";

test.describe("the shelf for programs", () => {
  test("gives a document as a file, as it stands and as it was", async ({ request }) => {
    const answer = await request.get("/api/v1/shelf/procedures/cord-preparation");
    expect(answer.headers()["content-disposition"]).toBe('attachment; filename="cord-preparation.json"');
    const document = await answer.json();
    const saved = await request.post("/api/v1/shelf/procedures", {
      data: { document: { ...document, name: "Ours" }, basis: document.revision },
    });
    expect(await saved.json()).toEqual({ id: "cord-preparation", revision: document.revision + 1 });
    const before = await request.get(
      `/api/v1/shelf/procedures/cord-preparation?revision=${document.revision}`,
    );
    expect((await before.json()).name).toBe(document.name);
    expect((await (await request.get("/api/v1/shelf/procedures/cord-preparation")).json()).name).toBe("Ours");
  });

  test("what was exported can be brought in under another id, and used", async ({ request }) => {
    const document = await (await request.get("/api/v1/shelf/procedures/stub-cam-crimp-900")).json();
    const response = await request.post("/api/v1/shelf/procedures", {
      data: { document: { ...document, id: "brought-in" }, basis: null },
    });
    expect(response.status()).toBe(201);
    await startEnd(request, { cable: "distribution-900", procedure: "brought-in", core: "9/125" });
  });

  for (const [subject, path, status, code] of [
    ["no such procedure", "/api/v1/shelf/procedures/moonbeam", 404, "not-found"],
    ["no such kind", "/api/v1/shelf/ropes/one", 404, "not-found"],
    ["no such revision", "/api/v1/shelf/procedures/drop-clamp?revision=99", 404, "not-found"],
    ["a revision that is no number", "/api/v1/shelf/procedures/drop-clamp?revision=last", 400, "bad-input"],
    ["a schema of nothing", "/api/v1/schema/ropes", 404, "not-found"],
    ["no such batch", "/api/v1/batches/none", 404, "not-found"],
  ] as const)
    test(`asked for ${subject}, answers ${status} ${code}`, async ({ request }) => {
      const answer = await request.get(path);
      expect(answer.status()).toBe(status);
      expect((await answer.json()).error.code).toBe(code);
    });

  for (const [label, path, data, status, code] of [
    ["nothing", "/api/v1/shelf/procedures", {}, 400, "bad-input"],
    [
      "an id that climbs",
      "/api/v1/shelf/procedures",
      { document: { id: "../../etc" }, basis: null },
      400,
      "bad-input",
    ],
    [
      "figures of a cable",
      "/api/v1/shelf/cables/simplex-3.0/figures",
      { basis: 1, cable: "simplex-3.0", core: "9/125", figures: [{ key: "a", value: 1 }], sheet: null },
      404,
      "not-found",
    ],
    ["a shipped one put away", "/api/v1/shelf/procedures/drop-clamp/away", { basis: 1 }, 404, "not-found"],
    [
      "an old basis",
      "/api/v1/shelf/procedures/drop-clamp/restore",
      { basis: 7, restore: 1 },
      409,
      "moved-on",
    ],
    [
      "a batch of one",
      "/api/v1/batches",
      { cable: "a", procedure: "b", core: "c", count: 1 },
      400,
      "bad-input",
    ],
    ["a blade licked", "/api/v1/tools/bench-cleaver", { action: "lick" }, 400, "bad-input"],
    ["a tool without a blade", "/api/v1/tools/shears", { action: "wipe" }, 404, "not-found"],
  ] as const)
    test(`given ${label}, answers ${status} ${code} and changes nothing`, async ({ request }) => {
      const before = await (await request.get("/api/v1/shelf/procedures/drop-clamp")).text();
      const answer = await request.post(path, { data });
      expect(answer.status()).toBe(status);
      expect((await answer.json()).error).toMatchObject({ code, message: expect.stringMatching(/\S/) });
      expect(await (await request.get("/api/v1/shelf/procedures/drop-clamp")).text()).toBe(before);
    });

  test("publishes the schema that checks a procedure", async ({ request }) => {
    const schema = await (await request.get("/api/v1/schema/procedures")).json();
    expect(schema).toMatchObject({ title: "Arlent procedure", type: "object" });
    expect(schema.required).toEqual(expect.arrayContaining(["dimensions", "steps", "retries"]));
  });

  test("takes nothing from a page of another site", async ({ request }) => {
    const answer = await request.post("/api/v1/shelf/procedures/drop-clamp/away", {
      data: { basis: 2 },
      headers: { origin: "http://elsewhere.example" },
    });
    expect(answer.status()).toBe(403);
  });
});
