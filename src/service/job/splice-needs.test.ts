import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import { beforeEach, describe, expect, it } from "vitest";
import { type ClosureEvent, check, zNewJob } from "@/core";
import { openStore } from "@/store/opening/open";
import { actOn } from "../act";
import { splicedClosure } from "../fixtures/spliced-closure";
import type { Store } from "../the-store";
import { addClosure } from "./closures";
import { findJobNeeds, jobLeft } from "./job-needs";
import { newJob } from "./jobs";

const SPLICES = [1, 2, 3, 4].map((n) => `5b1d7c1e-0000-4000-8000-00000000000${n}`);

let store: Store;
let job: string;
let closure: string;

beforeEach(() => {
  store = openStore(":memory:");
  job = newJob(actOn(store), check(zNewJob, { name: "Quillmere" })).id;
  closure = addClosure(actOn(store), job, { plan: splicedClosure("loose-tube-36", "branch", SPLICES) }).id;
});

/** Something that happened at the closure, in a minute of the morning. */
const happened = (event: ClosureEvent, minute = 0) =>
  store.run(
    sql`INSERT INTO closure_events (id, closure, at, client, body) VALUES (${randomUUID()}, ${closure}, ${new Date(Date.UTC(2026, 10, 25, 7, minute)).toISOString()}, 'w', ${JSON.stringify(event)})`,
  );
const tried = (n: number, estimateDb: number, procedure = "fusion-250", simulated = false, minute = 0) =>
  happened(
    {
      ...{ kind: "splice", splice: SPLICES[n - 1] ?? "", estimateDb },
      colours: { a: null, b: null },
      procedure: { id: procedure, revision: 3 },
      ...(simulated && { splicer: { number: 1, left: 0.4, right: 0.5, simulated } }),
    },
    minute,
  );

describe("the splices of a job on its pick list", () => {
  it("are a row with a sleeve each, planned by the usual way before any was made", () => {
    const needs = findJobNeeds(store, job);
    expect(needs?.styles).toMatchObject([
      { of: "splice", style: "splicing/fusion-250", left: 4, planned: 4, parts: 4, tried: 0, tries: null },
    ]);
    expect(needs?.styles[0]?.consumables).toEqual([
      { item: "splice sleeve", count: 4 },
      { item: "lint-free wipe", count: 8 },
    ]);
    expect(needs?.used).toEqual([]);
    expect(jobLeft(store, job)).toMatchObject({ ends: 0, splices: 4, parts: 4 });
  });

  it("leave the list as they are made; a try that failed took wipes and cleaves, and no sleeve", () => {
    tried(1, 0.4);
    tried(1, 0.03);
    tried(2, 0.02);
    tried(3, 0.3);
    tried(4, 0.02, "fusion-250", true);
    const needs = findJobNeeds(store, job);
    expect(needs?.styles).toMatchObject([{ left: 2, planned: 4, parts: 2, good: 1, tried: 3 }]);
    expect(needs?.styles[0]?.tries?.most).toBeGreaterThan(2);
    expect(needs?.used).toEqual([
      { item: "lint-free wipe", count: 8 },
      { item: "cleave", count: 8 },
      { item: "splice sleeve", count: 3 },
    ]);
    happened({ kind: "leave", splice: SPLICES[3] ?? "", reason: "dark until spring" });
    expect(findJobNeeds(store, job)?.styles[0]?.left).toBe(1);
  });

  it("are planned by the procedure the job's splices were made by last", () => {
    tried(1, 0.05, "mechanical-250");
    const needs = findJobNeeds(store, job);
    expect(needs?.styles).toMatchObject([{ style: "splicing/mechanical-250", left: 3, planned: 4 }]);
    expect(needs?.styles[0]?.consumables[0]).toEqual({ item: "mechanical splice", count: 3 });
  });

  it("take the hours of their tries: the middle of the times since the last act, no break among them", () => {
    for (const [i, minute] of [0, 6, 13, 90].entries())
      tried(i + 1, i === 1 ? 0.5 : 0.02, "fusion-250", false, minute);
    const [row] = findJobNeeds(store, job)?.styles ?? [];
    expect(row).toMatchObject({ left: 1 });
    expect(row?.hours?.least).toBeCloseTo(((row?.tries?.least ?? 0) * 6.5) / 60, 9);
  });
});
