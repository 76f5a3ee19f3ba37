import { afterEach, describe, expect, it, vi } from "vitest";
import { z } from "zod";
import { type EndEvent, zEventsAnswer } from "@/core";
import { knownEvents, onNews } from "./end-news";
import { pageBox, putIn, waitingFor } from "./outbox";
import { sendWaiting } from "./sender";

const END = "0b6c9a52-4f0e-4e7e-9d0b-6f1c8a1f2d01";
const STEP: EndEvent = { kind: "step", to: 1 };
const create = (id: string) => ({
  id,
  client: "x",
  after: 0,
  at: "2026-11-27T08:00:00.000Z",
  by: null,
  event: STEP,
});

afterEach(() => vi.unstubAllGlobals());

describe("what waits on a device", () => {
  it("is told to all that show the end in the very moment it waits no longer", async () => {
    const box = pageBox();
    const ids = ["3d2d0f7e-51b4-4d0c-8f0a-0b8d6c1e7a01", "3d2d0f7e-51b4-4d0c-8f0a-0b8d6c1e7a02"];
    for (const id of ids) putIn(box, END, create(id));
    let seq = 0;
    vi.stubGlobal("fetch", async () => {
      const { id, client, at, event } = create(ids[seq] ?? "");
      seq += 1;
      return Response.json(z.encode(zEventsAnswer, { events: [{ id, seq, at, client, event }] }));
    });
    const seen: string[] = [];
    const end = onNews((of, events) => {
      const left = waitingFor(box, END).map(({ id }) => id);
      for (const { id } of events) seen.push(`${of === END} ${id === ids[0]} ${left.includes(id)}`);
    });
    const sent = await sendWaiting(box, END, { answered: () => {}, refused: () => {}, reached: () => {} });
    end();
    expect(sent).toBe(true);
    expect(seen).toEqual(["true true false", "true false false"]);
    // What comes to show the end later, on a page as it was before, knows it too.
    expect(knownEvents(END).map(({ id, seq }) => `${ids.indexOf(id)} ${seq}`)).toEqual(["0 1", "1 2"]);
  });
  it("waits for whoever has to sign in, as for a server that is away, and is refused for anything else", async () => {
    const id = "3d2d0f7e-51b4-4d0c-8f0a-0b8d6c1e7a03";
    const answered = async (code: string, status: number) => {
      const box = pageBox();
      putIn(box, END, create(id));
      vi.stubGlobal("fetch", async () =>
        Response.json({ error: { code, message: code, path: [] } }, { status }),
      );
      const away: unknown[] = [];
      await sendWaiting(box, END, {
        answered: () => {},
        refused: () => {},
        reached: (who) => away.push(who),
      });
      return { away, waiting: waitingFor(box, END).length };
    };
    expect(await answered("signed-out", 401)).toEqual({ away: ["person"], waiting: 1 });
    expect(await answered("no-session", 401)).toEqual({ away: ["server"], waiting: 1 });
    expect(await answered("busy", 503)).toEqual({ away: ["server"], waiting: 1 });
    expect(await answered("not-proven", 401)).toEqual({ away: [null], waiting: 0 });
  });
});
