import { describe, expect, it } from "vitest";
import { check, zBeginPlaces, zNewJob, zNewPieces } from "@/core";
import { openStore } from "@/store/opening/open";
import { PLAN } from "../../../harness/plans";
import { actOn } from "../act";
import { getEnd } from "../end/ends";
import { addTo, signedEnd } from "../fixtures/made-ends";
import { findJobNeeds, jobLeft } from "./job-needs";
import { addPieces, newJob } from "./jobs";
import { beginPlaces } from "./places";

describe("what a job still takes", () => {
  it("is one closure for a place at most: a try that fails uses none up", () => {
    const store = openStore(":memory:");
    const act = actOn(store);
    const job = newJob(act, check(zNewJob, { name: "North ring" })).id;
    const side = { ...PLAN.sides.A, procedure: "entry-dome-gel", ends: 1 };
    const plan = { ...PLAN, cable: "loose-tube-36", sides: { A: side, B: PLAN.sides.B } };
    addPieces(act, job, check(zNewPieces, { pieces: [{ plan }, { plan }] }));
    const needs = findJobNeeds(store, job);
    expect(needs?.styles).toMatchObject([{ style: "entry-dome-gel", left: 2, parts: 2 }]);
  });
  it("is parts by the yield on record for the ends not done yet, with consumables, cable, and what was used", () => {
    const store = openStore(":memory:");
    const act = actOn(store);
    const job = newJob(act, check(zNewJob, { name: "North ring" })).id;
    const side = { ...PLAN.sides.A, procedure: "stub-cam-crimp-900", ends: 12 };
    const plan = { ...PLAN, cable: "distribution-900", sides: { A: side, B: PLAN.sides.B } };
    const [piece] = addPieces(act, job, check(zNewPieces, { pieces: [{ plan }, { plan }] }));
    const before = findJobNeeds(store, job);
    expect(before?.styles).toMatchObject([{ left: 24, planned: 24, good: 0, tried: 0, hours: null }]);
    expect(before?.styles[0], "nothing on record").toMatchObject({ parts: null, tries: null });
    expect(jobLeft(store, job)).toMatchObject({ ends: 24, parts: null, hours: null });
    expect(before?.metres).toBeGreaterThan(40);
    for (let i = 0; i < 20; i++) signedEnd(store, "Osla Brandt", i < 2 ? 900 : 0);
    const after = findJobNeeds(store, job);
    expect(after?.styles[0]).toMatchObject({ good: 18, tried: 20 });
    expect(after?.styles[0]?.parts).toBeGreaterThan(24);
    expect(after?.styles[0]?.consumables.length).toBeGreaterThan(0);
    const address = [{ kind: "fibre" as const, position: 1 }];
    const { id } = beginPlaces(
      act,
      piece?.id ?? "",
      check(zBeginPlaces, { side: "A", addresses: [address] }),
    );
    addTo(
      store,
      id,
      ...getEnd(store, id).sheet.parts.map(({ id: part }) => ({ kind: "thread" as const, part, on: true })),
      { kind: "use", step: "clean", tool: null, items: [{ item: "lint-free wipe", count: 3 }] },
      { kind: "sign", name: "Osla Brandt", outcome: "kept" },
    );
    const begun = findJobNeeds(store, job);
    expect(begun?.used).toEqual([{ item: "lint-free wipe", count: 3 }]);
    expect(begun?.metres).toBeLessThan(after?.metres ?? 0);
    const left = jobLeft(store, job);
    expect(left).toMatchObject({ ends: 23, parts: begun?.styles[0]?.parts, hours: begun?.styles[0]?.hours });
    expect(left?.hours?.least).toBeLessThanOrEqual(left?.hours?.most ?? 0);
    expect(findJobNeeds(store, "00000000-0000-4000-8000-000000000000")).toBeNull();
  });
});
