import { randomUUID } from "node:crypto";
import { describe, expect, it } from "vitest";
import { check, NEW_FEEDER, zJobPlan, zNewClosure, zNewFeeder, zNewJob, zNewPieces, zOpenPlan } from "@/core";
import { openStore } from "@/store/opening/open";
import { CLOSURE, PLAN } from "../../../harness/plans";
import { actOn } from "../act";
import { addClosure } from "./closures";
import { addFeeder } from "./feeders";
import { getJobPlan, openJobPlan } from "./job-plan";
import { addPieces, jobsPage, newJob } from "./jobs";

/** A job with a piece opened at a station, the closure it is joined in, and a feeder made there. */
function jobIn(store: ReturnType<typeof openStore>): string {
  const act = actOn(store);
  const job = newJob(act, check(zNewJob, { name: "North ring" })).id;
  const [cable] = CLOSURE.cables;
  if (!cable) throw new Error("a cable");
  const station = {
    id: cable.id,
    place: "Pad 4",
    along: 10_000,
    procedure: "entry-dome-gel-through",
    parted: [],
  };
  const plan = { ...PLAN, cable: "loose-tube-36", stations: [station] };
  const [piece] = addPieces(act, job, check(zNewPieces, { pieces: [{ plan }] }));
  const joins = { piece: piece?.id ?? "", side: cable.id };
  const closed = { ...CLOSURE, cables: [{ ...cable, role: "through", through: true, joins }] };
  const closure = addClosure(act, job, check(zNewClosure, { plan: closed })).id;
  const joints = NEW_FEEDER.joints.map((joint) => ({ ...joint, closure }));
  addFeeder(act, job, check(zNewFeeder, { plan: { ...NEW_FEEDER, joints } }));
  return job;
}

/** A plan with each of its ids by its place in it: two that are joined alike are equal. */
function numbered(plan: ReturnType<typeof getJobPlan>): unknown {
  const ids = [...plan.pieces, ...plan.closures, ...plan.feeders].map(({ id }) => id);
  return JSON.parse(
    JSON.stringify(plan, (_, value) =>
      typeof value === "string" && ids.includes(value) ? ids.indexOf(value) : value,
    ),
  );
}

describe("the plan of a job as a file", () => {
  it("opens on another machine as the same job, joined as it was, under new ids", () => {
    const [here, elsewhere] = [openStore(":memory:"), openStore(":memory:")];
    const saved = getJobPlan(here, jobIn(here));
    expect([saved.pieces.length, saved.closures.length, saved.feeders.length]).toEqual([1, 1, 1]);
    const { id } = openJobPlan(actOn(elsewhere), { plan: saved });
    const opened = getJobPlan(elsewhere, id);
    expect(numbered(opened)).toEqual(numbered(saved));
    expect(opened.pieces[0]?.id).not.toBe(saved.pieces[0]?.id);
  });
  it("opens where it came from, and twice; asked again with the same id it is one job", () => {
    const store = openStore(":memory:");
    const saved = getJobPlan(store, jobIn(store));
    const id = randomUUID();
    for (const wanted of [id, id, randomUUID()]) openJobPlan(actOn(store), { id: wanted, plan: saved });
    expect(jobsPage(store, {}).rows).toHaveLength(3);
  });
  it("that joins what it does not have, or names a cable this shelf has not, is refused whole", () => {
    const store = openStore(":memory:");
    const saved = getJobPlan(store, jobIn(store));
    const without = { ...saved, pieces: [] };
    expect(() => openJobPlan(actOn(store), { plan: without })).toThrow(/which is not in it/);
    const strange = {
      ...saved,
      pieces: saved.pieces.map(({ id, plan }) => ({ id, plan: { ...plan, cable: "moor-cable" } })),
    };
    expect(() => openJobPlan(actOn(store), { plan: strange })).toThrow(/moor-cable/);
    expect(jobsPage(store, {}).rows).toHaveLength(1);
    expect(() => check(zOpenPlan, { plan: { ...saved, plan: 2 } })).toThrow(/plan of a job/);
    expect(() => check(zJobPlan, {})).toThrow();
  });
});
