import { randomUUID } from "node:crypto";
import { beforeEach, describe, expect, it } from "vitest";
import { check, um, zJobsQuery, zNewJob, zNewPieces, zSavePlan } from "@/core";
import { PLAN } from "../../../harness/plans";
import { actOn } from "../act";
import { codeOf } from "../fixtures/code-of";
import { checkWholeRecord } from "../keeping/record-check";
import { openStore, type Store } from "../the-store";
import { addPieces, getJob, JOBS_PAGE, jobsPage, newJob, savePlan } from "./jobs";
import { needsOf } from "./planning";

const { A: side } = PLAN.sides;
const plan = (name: string, changed: object = {}) => ({
  ...PLAN,
  name,
  sides: { A: { ...side, procedure: "stub-cam-crimp-900", ends: 12, retries: 1 }, B: side },
  ...changed,
});

let store: Store;
let job: string;
beforeEach(() => {
  store = openStore(":memory:");
  job = newJob(actOn(store), check(zNewJob, { name: "Quillmere, north ring" })).id;
});
const add = (...names: string[]) =>
  addPieces(actOn(store), job, check(zNewPieces, { pieces: names.map((name) => ({ plan: plan(name) })) }));
const names = () => getJob(store, job).pieces.map((piece) => piece.plan.name);

describe("a job", () => {
  it("keeps its pieces in the order they came, whatever is changed of them later", () => {
    const [first] = add("trunk", "pad 4", "pad 5");
    savePlan(actOn(store), first?.id ?? "", check(zSavePlan, { basis: 1, plan: plan("trunk, north") }));
    add("pad 6");
    expect(names()).toEqual(["trunk, north", "pad 4", "pad 5", "pad 6"]);
  });
  it("is begun once, and a piece added once, however often the same is asked", () => {
    newJob(actOn(store), check(zNewJob, { id: job, name: "again" }));
    const pieces = [{ id: randomUUID(), plan: plan("trunk") }];
    for (let i = 0; i < 2; i++) addPieces(actOn(store), job, check(zNewPieces, { pieces }));
    expect([getJob(store, job).name, names()]).toEqual(["Quillmere, north ring", ["trunk"]]);
  });
  it("gives a piece back that was taken off, in its place", () => {
    const [, second] = add("trunk", "pad 4", "pad 5");
    const id = second?.id ?? "";
    savePlan(actOn(store), id, check(zSavePlan, { basis: 1, plan: null }));
    expect(names()).toEqual(["trunk", "pad 5"]);
    savePlan(actOn(store), id, check(zSavePlan, { basis: 2, plan: plan("pad 4") }));
    expect(names()).toEqual(["trunk", "pad 4", "pad 5"]);
  });
  it("begins like a usual site: with its pieces as they are planned, but not the slack somebody found there", () => {
    add("trunk", "pad 4");
    const [, second] = getJob(store, job).pieces;
    const match = plan("pad 4", { sides: { A: { ...side, slack: 2_000 }, B: side } });
    savePlan(actOn(store), second?.id ?? "", check(zSavePlan, { basis: 1, plan: match }));
    const like = newJob(actOn(store), check(zNewJob, { name: "South ring", like: job })).id;
    const [before, copied] = [job, like].map((id) => getJob(store, id).pieces);
    expect(copied?.map(({ plan: { name, sides } }) => [name, sides.A.slack])).toEqual([
      ["trunk", null],
      ["pad 4", null],
    ]);
    expect(before?.[1]?.plan.sides.A.slack).toBe(um(2_000_000));
    expect(new Set([...(before ?? []), ...(copied ?? [])].map(({ id }) => id)).size).toBe(4);
    expect(getJob(store, like).progress).toEqual({ ...getJob(store, job).progress });
    newJob(actOn(store), check(zNewJob, { id: like, name: "South ring", like: job }));
    expect(getJob(store, like).count).toBe(2);
    const gone = () => newJob(actOn(store), check(zNewJob, { name: "Nothing", like: randomUUID() }));
    expect(codeOf(gone)).toBe("not-found");
    expect(jobsPage(store, check(zJobsQuery, { words: "Nothing" })).rows).toEqual([]);
  });
  it("takes a change of what somebody else changed since from neither silently", () => {
    const [piece] = add("trunk");
    const save = (name: string) =>
      savePlan(actOn(store), piece?.id ?? "", check(zSavePlan, { basis: 1, plan: plan(name) }));
    save("by Ada");
    expect(codeOf(() => save("by Ben"))).toBe("moved-on");
    expect(names()).toEqual(["by Ada"]);
  });
  it("takes all of what is added, or nothing where one of it cannot be, saying which and why", () => {
    const refused = (changed: object) => {
      try {
        addPieces(
          actOn(store),
          job,
          check(zNewPieces, { pieces: [{ plan: plan("good") }, { plan: plan("bad", changed) }] }),
        );
      } catch (error) {
        return (error as { problem: { code: string; path: unknown[] } }).problem;
      }
      return null;
    };
    expect(refused({ cable: "no-such-cable" })).toMatchObject({
      code: "unknown-cable",
      path: ["pieces", 1, "plan", "cable"],
    });
    expect(refused({ sides: { A: { ...side, procedure: "drop-clamp" }, B: side } })).toMatchObject({
      code: "does-not-fit",
      path: ["pieces", 1, "plan", "sides", "A", "procedure"],
    });
    expect(refused({ cable: "loose-tube-36-mid-span" })).toMatchObject({
      code: "does-not-fit",
      path: ["pieces", 1, "plan", "cable"],
    });
    expect(refused({ loops: [{ name: "", after: 0, turns: 2, perimeter: 100 }] })).toMatchObject({
      code: "bend",
      path: ["pieces", 1, "plan", "loops", 0, "perimeter"],
    });
    expect(names()).toEqual([]);
  });
  it("says what each piece must be cut to, and why it cannot be told where its cable is gone from the shelf", () => {
    const [piece] = add("trunk");
    const reported = piece && needsOf(store, piece.plan);
    expect(reported && "needs" in reported && reported.needs.cut).toBeGreaterThan(20_400_000);
    expect(piece && needsOf(store, { ...piece.plan, cable: "gone" })).toEqual({
      problem: "No cable called “gone”.",
    });
  });
  it("is listed with others a page at a time, newest first, none missing and none twice", () => {
    for (let i = 0; i < JOBS_PAGE + 5; i++)
      newJob(
        actOn(store, new Date(Date.parse("2026-11-20T08:00:00Z") + i * 1000)),
        check(zNewJob, { name: `job ${i}` }),
      );
    const first = jobsPage(store, check(zJobsQuery, {}));
    const second = jobsPage(store, check(zJobsQuery, { before: first.next ?? "" }));
    const all = [...first.rows, ...second.rows].map(({ id }) => id);
    expect([all.length, new Set(all).size, second.next]).toEqual([JOBS_PAGE + 6, JOBS_PAGE + 6, null]);
    expect(codeOf(() => jobsPage(store, check(zJobsQuery, { before: "x" })))).toBe("bad-input");
  });
  it("is part of the record: what was planned is only ever added to, and found whole", () => {
    add("trunk", "pad 4");
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
    expect(() => store.$client.exec("UPDATE plans SET body = '{}'")).toThrow(/only ever added/);
    expect(() => store.$client.exec("DELETE FROM jobs")).toThrow(/only ever added/);
  });
  it("that is not here is refused, for reading and adding", () => {
    expect(codeOf(() => getJob(store, "nowhere"))).toBe("not-found");
    expect(
      codeOf(() =>
        addPieces(actOn(store), randomUUID(), check(zNewPieces, { pieces: [{ plan: plan("x") }] })),
      ),
    ).toBe("not-found");
    expect(
      codeOf(() => savePlan(actOn(store), randomUUID(), check(zSavePlan, { basis: 1, plan: null }))),
    ).toBe("not-found");
  });
});
