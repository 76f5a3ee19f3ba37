import { describe, expect, it } from "vitest";
import { dispatch } from "./dispatch";

const ask = (method: string, path: string) =>
  dispatch(new Request(`http://127.0.0.1/api/v1${path}`, { method }), path.slice(1).split("/"));

describe("a request for a route", () => {
  // RFC 9110, 9.3.2: HEAD is answered as GET is, without its body.
  it("by HEAD is answered as by GET", async () => {
    expect((await ask("HEAD", "/openapi")).status).toBe(200);
  });
  // RFC 9110, 15.5.6: the methods that are allowed are named.
  it("by a method the route has not is refused with those it has", async () => {
    const answer = await ask("DELETE", "/people");
    expect([answer.status, answer.headers.get("allow")]).toEqual([405, "GET, POST"]);
  });
  it("that is in no table is not found", async () => {
    const answer = await ask("GET", "/moon");
    expect([answer.status, (await answer.json()).error.code]).toEqual([404, "not-found"]);
  });
});
