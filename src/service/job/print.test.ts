import { describe, expect, it } from "vitest";
import { check, zNewClosure, zNewJob, zNewPieces } from "@/core";
import { openStore } from "@/store/opening/open";
import { CLOSURE, PLAN } from "../../../harness/plans";
import { actOn } from "../act";
import { addClosure } from "./closures";
import { addPieces, newJob } from "./jobs";
import { findJobPrint } from "./print";

describe("what is printed for a job", () => {
  it("is one sheet for all ends made alike, a label for each, and a cut of every piece", () => {
    const store = openStore(":memory:");
    const act = actOn(store);
    const job = newJob(act, check(zNewJob, { name: "North ring" })).id;
    const side = { ...PLAN.sides.A, procedure: "stub-cam-crimp-900", ends: 12, place: "Hall" };
    const plan = { ...PLAN, cable: "distribution-900", name: "Pad 7 feeder", sides: { A: side, B: side } };
    addPieces(
      act,
      job,
      check(zNewPieces, { pieces: [{ plan }, { plan: { ...plan, name: "Pad 8 feeder" } }] }),
    );
    const print = findJobPrint(store, job);
    expect(print?.sheets.map(({ sheet, ends }) => [sheet.procedure.id, ends])).toEqual([
      ["stub-cam-crimp-900", 48],
    ]);
    expect(print?.labels).toHaveLength(48);
    expect(print?.labels[0]).toMatchObject({
      title: "Pad 7 feeder",
      place: expect.stringContaining("Hall, "),
    });
    expect(print?.cuts.map(({ name }) => name)).toEqual(["Pad 7 feeder", "Pad 8 feeder"]);
  });
  it("has the sheets of a closure's cables too; none of a job that is not there", () => {
    const store = openStore(":memory:");
    const act = actOn(store);
    const job = newJob(act, check(zNewJob, { name: "Moor" })).id;
    addClosure(act, job, check(zNewClosure, { plan: CLOSURE }));
    const ids = findJobPrint(store, job)?.sheets.map(({ sheet }) => sheet.procedure.id) ?? [];
    expect(ids.length).toBeGreaterThan(0);
    expect(ids.every((id) => id.startsWith(CLOSURE.entry))).toBe(true);
    expect(findJobPrint(store, "00000000-0000-4000-8000-000000000000")).toBeNull();
  });
});
