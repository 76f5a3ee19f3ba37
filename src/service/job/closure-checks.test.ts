import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import { beforeEach, describe, expect, it } from "vitest";
import { type ClosureEvent, type ClosureId, check, zNewJob, zNewToolCheck } from "@/core";
import { toolStandings } from "@/service/end/tool-standings";
import { toolHistory } from "@/store/workshop/tool-history";
import { actOn } from "../act";
import { splicedClosure } from "../fixtures/spliced-closure";
import { openStore, type Store } from "../the-store";
import { checkTool } from "../workshop/tool-checks";
import { blades, seeToBlade } from "../workshop/tools";
import { closureCsv, closureRecordOf } from "./closure-record";
import { addClosure } from "./closures";
import { newJob } from "./jobs";

const SPLICER = "fusion-splicer";
const CLEAVER = "bench-cleaver";
const SPLICES = [1, 2].map((n) => `5b1d7c1e-0000-4000-8000-00000000000${n}`);

let store: Store;
let job: string;
let closure: ClosureId;

const T = (minute: number) => new Date(Date.UTC(2026, 10, 25, 7, minute)).toISOString();

/** Something that happened at a time. */
const happened = (minute: number, event: ClosureEvent) =>
  store.run(
    sql`INSERT INTO closure_events (id, closure, at, client, body) VALUES (${randomUUID()}, ${closure}, ${T(minute)}, 'w', ${JSON.stringify(event)})`,
  );

const splice = (n: number, procedure: string | null, simulated = false): ClosureEvent => ({
  kind: "splice",
  splice: SPLICES[n - 1] ?? "",
  colours: { a: "BL", b: "BL" },
  estimateDb: 0.02,
  ...(procedure !== null && { procedure: { id: procedure, revision: 1 } }),
  ...(simulated && { splicer: { number: 1, left: 0.4, right: 0.5, simulated } }),
});

const checked = (minute: number, tool: string, answers: Record<string, string>) =>
  checkTool(
    { ...actOn(store), now: new Date(T(minute)) },
    check(zNewToolCheck, { tool, sights: { answers } }),
  );
const arc = (minute: number, answer: "passed" | "failed") => checked(minute, SPLICER, { arc: answer });

const standing = (tool: string) => toolStandings(store, new Date(T(600))).find(({ id }) => id === tool);

beforeEach(() => {
  store = openStore(":memory:");
  job = newJob(actOn(store), check(zNewJob, { name: "Quillmere" })).id;
  closure = addClosure(actOn(store), job, { plan: splicedClosure("flat-drop", "drop", SPLICES) }).id;
});

describe("a failed check of a splicer or cleaver", () => {
  it("names the splices made with it since its last good check, and none before that", () => {
    happened(5, splice(2, "fusion-250"));
    arc(10, "passed");
    happened(20, splice(1, "fusion-250"));
    arc(30, "failed");
    expect(standing(SPLICER)).toMatchObject({
      inUse: true,
      closures: [{ closure, job, name: "Pad 4 closure", splices: [1], readings: 0 }],
    });
    // The cleaver its steps name was never checked.
    expect(standing(CLEAVER)).toMatchObject({ inUse: true, closures: [] });
    checked(40, CLEAVER, { place: "other" });
    expect(standing(CLEAVER)?.closures).toMatchObject([{ splices: [1, 2] }]);
    arc(50, "passed");
    expect(standing(SPLICER)?.closures).toEqual([]);
  });
  it("stands on the closure's record with the tries it is about, on paper and in CSV", () => {
    happened(5, splice(1, "fusion-250"));
    arc(10, "passed");
    happened(20, splice(2, "fusion-250"));
    const { at } = arc(30, "failed");
    happened(35, splice(1, "mechanical-250"));
    arc(40, "passed");
    const record = closureRecordOf(store, closure);
    expect(record.tools).toMatchObject([{ tool: SPLICER, standing: "failed", failed: at }]);
    expect(record.splices.map(({ tries }) => tries.map(({ toolsFailed }) => toolsFailed))).toEqual([
      [[], []],
      [["fusion splicer"]],
    ]);
    expect(closureCsv(record)).toContain("fusion splicer");
  });
  it("says nothing of a simulated splice; of one without a procedure it is taken to be fused", () => {
    arc(10, "passed");
    happened(20, splice(1, "fusion-250", true));
    happened(21, splice(2, null));
    arc(30, "failed");
    expect(standing(SPLICER)?.closures).toMatchObject([{ splices: [2] }]);
  });
  it("of a torque driver names the closures whose fasteners were set with it", () => {
    happened(20, { kind: "torque", item: "fasten 0", newtonMetres: 4 });
    const sights = check(zNewToolCheck, {
      tool: "torque-driver",
      sights: { torque: { set: 4, shown: 4.6 } },
    });
    checkTool({ ...actOn(store), now: new Date(T(30)) }, sights);
    expect(standing("torque-driver")).toMatchObject({
      inUse: true,
      closures: [{ closure, splices: [], readings: 1 }],
    });
  });
  it("of a meter names the closures whose outputs were read with it", () => {
    happened(20, { kind: "power", item: "power 1", dBm: -18, wavelength: 1310, simulated: false });
    happened(21, { kind: "power", item: "power 2", dBm: -18, wavelength: 1310, simulated: true });
    checked(30, "power-meter", { zero: "not-dark" });
    expect(standing("power-meter")?.closures).toMatchObject([{ closure, splices: [], readings: 1 }]);
  });
});

describe("cleaves of splices", () => {
  const sinceTurn = () => {
    const { each = 0, standing } = blades(store).find(({ tool }) => tool === CLEAVER) ?? {};
    return each - (standing?.leftHere ?? 0);
  };
  it("count on the blade: two a try, however it is joined; none of a simulated one; anew once it is turned", () => {
    happened(5, splice(1, "fusion-250"));
    happened(6, splice(1, "fusion-250"));
    happened(7, splice(2, "mechanical-250"));
    happened(8, splice(2, "fusion-250", true));
    expect(sinceTurn()).toBe(6);
    seeToBlade({ ...actOn(store), now: new Date(T(10)) }, CLEAVER, { action: "turn" });
    expect(sinceTurn()).toBe(0);
    happened(12, splice(1, "fusion-250"));
    expect(sinceTurn()).toBe(2);
  });
  it("stand between the strokes of ends, in the order of time", () => {
    happened(5, splice(1, "fusion-250"));
    expect(toolHistory(store).strokes).toMatchObject([{ endId: null, tool: CLEAVER, at: T(5), count: 2 }]);
  });
});
