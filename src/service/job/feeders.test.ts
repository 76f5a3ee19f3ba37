import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { check, jointLights, NEW_FEEDER, zNewClosure, zNewFeeder, zNewJob, zSaveFeeder } from "@/core";
import { openStore } from "@/store/opening/open";
import { CLOSURE } from "../../../harness/plans";
import { actOn } from "../act";
import { codeOf } from "../fixtures/code-of";
import { closureAtWork } from "./closure-at-work";
import { addClosure, getClosure } from "./closures";
import { addFeeder, findFeeder, getFeeder, getFeeders, saveFeeder } from "./feeders";
import { newJob } from "./jobs";

const [joint] = NEW_FEEDER.joints;
if (!joint) throw new Error("a joint");

const begun = () => {
  const store = openStore(":memory:");
  const act = actOn(store);
  const job = newJob(act, check(zNewJob, { name: "Hills" })).id;
  const feeder = (plan: object, id = randomUUID()) =>
    addFeeder(act, job, check(zNewFeeder, { id, plan: { ...NEW_FEEDER, ...plan } }));
  return { store, act, job, feeder };
};

describe("a feeder of a job", () => {
  it("comes back as it was saved, revision by revision, and sent twice is one feeder", () => {
    const { store, act, job, feeder } = begun();
    const id = randomUUID();
    const first = feeder({ name: "Hill feeder" }, id);
    expect(feeder({ name: "Hill feeder" }, id)).toEqual(first);
    const plan = { ...first.plan, margin: 4, joints: [{ ...joint, feeds: ["Cottage 1"], dropMetres: 40 }] };
    expect(saveFeeder(act, id, check(zSaveFeeder, { basis: 1, plan }))).toEqual({ id, revision: 2 });
    expect(getFeeder(store, id)).toMatchObject({ job, revision: 2, plan });
    expect(getFeeders(store, job)).toHaveLength(1);
    expect(findFeeder(store, randomUUID(), id)).toBeNull();
  });
  it("changed by two at once, the second is told and nothing is lost", () => {
    const { store, act, feeder } = begun();
    const { id, plan } = feeder({});
    saveFeeder(act, id, check(zSaveFeeder, { basis: 1, plan: { ...plan, margin: 5 } }));
    expect(codeOf(() => saveFeeder(act, id, check(zSaveFeeder, { basis: 1, plan })))).toBe("moved-on");
    expect(getFeeder(store, id).plan.margin).toBe(5);
  });
  it("taken off its job is found no more, and can be put back", () => {
    const { store, act, job, feeder } = begun();
    const { id, plan } = feeder({});
    saveFeeder(act, id, check(zSaveFeeder, { basis: 1, plan: null }));
    expect(getFeeders(store, job)).toEqual([]);
    expect(codeOf(() => getFeeder(store, id))).toBe("not-found");
    saveFeeder(act, id, check(zSaveFeeder, { basis: 2, plan }));
    expect(getFeeders(store, job)).toHaveLength(1);
  });
  it("has its joints in closures of its own job, each once", () => {
    const { act, job, feeder } = begun();
    const closure = addClosure(act, job, check(zNewClosure, { plan: CLOSURE })).id;
    const elsewhere = addClosure(
      act,
      newJob(act, check(zNewJob, { name: "Moor" })).id,
      check(zNewClosure, { plan: CLOSURE }),
    ).id;
    const inClosures = (...closures: string[]) => ({
      joints: closures.map((each) => ({ ...joint, closure: each })),
    });
    expect(feeder(inClosures(closure)).plan.joints[0]?.closure).toBe(closure);
    expect(codeOf(() => feeder(inClosures(elsewhere)))).toBe("does-not-fit");
    expect(codeOf(() => feeder(inClosures(closure, closure)))).toBe("duplicate");
  });
  it("says at its closure what is expected and wanted, and has the powers that were read there", () => {
    const { store, act, job, feeder } = begun();
    const cable = randomUUID();
    const tap = {
      ...{ kind: "tap", id: randomUUID(), tapPct: 10, excessDb: 0.2 },
      ports: [{ lead: 3, label: "Cottage 1" }],
    };
    const cables = [{ id: cable, cable: "flat-drop", role: "drop", through: false, joins: null }];
    const spares = [
      { cable, fibres: [1], reason: "kept" },
      { cable: tap.id, fibres: [1, 2], reason: "kept" },
    ];
    const plan = { ...CLOSURE, cables, splicing: { devices: [tap], spares } };
    const closure = addClosure(act, job, check(zNewClosure, { plan })).id;
    const light = () => closureAtWork(store, getClosure(store, closure)).light;
    expect(light()).toBeNull();
    const joints = [{ ...joint, closure, dropMetres: 400, feeds: ["Cottage 1"] }];
    const { id, plan: planned } = feeder({ name: "Hill feeder", joints, margin: 3 });
    const [lights] = jointLights(planned);
    expect(light()).toEqual({
      expectedDbm: (lights?.drop ?? 0) + 0.1,
      leastDbm: -24 + 3 + 0.1,
      mostDbm: -3 + 0.1,
      joint: {
        ...{ feeder: "Hill feeder", tapPct: 10, excessDb: 0.2, splitExcessDb: 0.4, drops: 1 },
        feeds: ["Cottage 1"],
      },
    });
    const power = (dBm: number, simulated: boolean) =>
      store.run(
        sql`INSERT INTO closure_events (id, closure, at, client, body) VALUES (${randomUUID()}, ${closure}, '2026-11-25', 'w', ${JSON.stringify({ kind: "power", item: `power ${tap.id} 3`, dBm, wavelength: 1490, simulated })})`,
      );
    power(-12.5, false);
    power(-9, true);
    expect(getFeeder(store, id).readings).toMatchObject([{ joint: 0, label: "Cottage 1", dBm: -12.5 }]);
  });
});
