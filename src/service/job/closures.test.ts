import { randomUUID } from "node:crypto";
import { beforeEach, describe, expect, it } from "vitest";
import {
  check,
  InputError,
  isMidRun,
  zBeginClosure,
  zCableQuery,
  zNewClosure,
  zNewJob,
  zNewPieces,
  zSaveClosure,
  zSavePlan,
  zStart,
  zStationId,
} from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";
import { CLOSURE, PLAN } from "../../../harness/plans";
import { actOn } from "../act";
import { getBatch } from "../end/batches";
import { getEnd, startEnd } from "../end/ends";
import { codeOf } from "../fixtures/code-of";
import { addTo } from "../fixtures/made-ends";
import { checkWholeRecord } from "../keeping/record-check";
import { openStore, type Store } from "../the-store";
import { aheadInClosure, beginClosure } from "./begin-closure";
import { addClosure, getClosure, getClosures, joinablePlaces, saveClosure } from "./closures";
import { addPieces, newJob, savePlan } from "./jobs";
import { getPiece } from "./places";

const PAD = zStationId.parse("7a3a1d5e-13d5-4c0f-8f0a-5f5f0a9c1b22");
const { A: side } = PLAN.sides;
const RING = {
  ...PLAN,
  name: "North ring",
  cable: "loose-tube-36",
  route: [{ kind: "duct", name: "", length: 900_000, allowancePct: 1 }],
  stations: [{ id: PAD, place: "pad 4", along: 400_000, procedure: "entry-dome-gel-through" }],
};
const BRANCH = {
  ...RING,
  name: "Pad 4 branch",
  stations: [],
  sides: { A: { ...side, procedure: "entry-dome-gel", ends: 1 }, B: side },
};
const through = (joins: object | null, more: object = {}) => ({
  cable: "loose-tube-36",
  role: "through",
  through: true,
  joins,
  ...more,
});
const branch = (joins: object | null = null) => ({
  cable: "loose-tube-36",
  role: "branch",
  through: false,
  joins,
});

let store: Store;
let job: string;
let ring: string;
let feeder: string;
const act = () => actOn(store);
/** The nth cable's own id. */
const nth = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;
const closed = (...cables: readonly object[]) => ({
  ...CLOSURE,
  cables: cables.map((cable, n) => ({ id: nth(n), ...cable })),
});
const add = (...cables: readonly object[]) =>
  addClosure(act(), job, check(zNewClosure, { plan: closed(...cables) }));
const said = (make: () => unknown) => {
  try {
    return make();
  } catch (error) {
    return error instanceof InputError ? error.problem.message : error;
  }
};
beforeEach(() => {
  store = openStore(":memory:");
  job = newJob(act(), check(zNewJob, { name: "North ring" })).id;
  const pieces = addPieces(act(), job, check(zNewPieces, { pieces: [{ plan: RING }, { plan: BRANCH }] }));
  [ring = "", feeder = ""] = pieces.map(({ id }) => id);
});

describe("a closure of a job", () => {
  it("joins pieces: the one that goes through at its station, a branch at its side, and says how each stands", () => {
    const { id } = add(through({ piece: ring, side: PAD }), branch({ piece: feeder, side: "A" }), branch());
    expect(getClosure(store, id).cables.map(({ at, standing, trouble }) => [at, standing, trouble])).toEqual([
      ["North ring, pad 4", "planned", null],
      ["Pad 4 branch, side A", "planned", null],
      ["", "planned", null],
    ]);
    const ahead = aheadInClosure(store, id, check(zCableQuery, { cable: nth(0) }));
    expect(codeOf(() => aheadInClosure(store, id, check(zCableQuery, { cable: nth(9) })))).toBe("not-found");
    const begun = beginClosure(act(), id, check(zBeginClosure, { cables: [nth(0)] }));
    expect(getEnd(store, begun.id).sheet.procedure.id).toBe(ahead.procedure.id);
    expect([ahead.unchecked, getEnd(store, begun.id).cableName]).toEqual([true, ahead.cable.name]);
    expect(isMidRun(getEnd(store, begun.id).sheet)).toBe(true);
    expect(getEnd(store, begun.id).where).toMatchObject({ name: "North ring", station: "pad 4" });
    addTo(store, begun.id, { kind: "sign", name: "Wyn", outcome: "cut-off" });
    expect(getClosure(store, id).cables[0]).toMatchObject({ standing: "cut-off", end: begun.id });
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
  });
  it("keeps each change as a revision, takes none of what somebody else changed since, and can be put back", () => {
    const { id } = add(branch());
    saveClosure(act(), id, check(zSaveClosure, { basis: 1, plan: closed(branch(), branch()) }));
    expect(codeOf(() => saveClosure(act(), id, check(zSaveClosure, { basis: 1, plan: closed() })))).toBe(
      "moved-on",
    );
    expect(getClosures(store, job).map(({ plan, revision }) => [plan.cables.length, revision])).toEqual([
      [2, 2],
    ]);
    saveClosure(act(), id, check(zSaveClosure, { basis: 2, plan: null }));
    expect(getClosures(store, job)).toEqual([]);
    expect(codeOf(() => getClosure(store, id))).toBe("not-found");
    saveClosure(act(), id, check(zSaveClosure, { basis: 3, plan: closed(branch()) }));
    expect(getClosures(store, job)).toHaveLength(1);
  });
  it("is added once however often it is asked for, in one job", () => {
    const id = randomUUID();
    for (let i = 0; i < 2; i++) addClosure(act(), job, check(zNewClosure, { id, plan: CLOSURE }));
    expect(getClosures(store, job)).toHaveLength(1);
    const other = newJob(act(), check(zNewJob, { name: "South ring" })).id;
    expect(codeOf(() => addClosure(act(), other, check(zNewClosure, { id, plan: CLOSURE })))).toBe(
      "id-taken",
    );
  });
  it("refuses in words what does not go in, or is not what its piece's plan says", () => {
    const other = { ...BRANCH, sides: { A: { ...side, procedure: "breakout-kit-6", ends: 6 }, B: side } };
    savePlan(act(), feeder, check(zSavePlan, { basis: 1, plan: other }));
    expect(said(() => add(branch({ piece: feeder, side: "A" })))).toBe(
      "Side A of Pad 4 branch is planned to end in another way.",
    );
    savePlan(act(), feeder, check(zSavePlan, { basis: 2, plan: BRANCH }));
    expect(said(() => add(through({ piece: feeder, side: "A" })))).toMatch(/does not go through there/);
    expect(said(() => add(branch({ piece: ring, side: PAD })))).toMatch(/opened there by another procedure/);
    expect(said(() => add({ ...branch({ piece: feeder, side: "A" }), cable: "flat-drop" }))).toMatch(
      /a different cable/,
    );
    const at = branch({ piece: feeder, side: "A" });
    expect(codeOf(() => add(at, at))).toBe("duplicate");
    expect(codeOf(() => add({ ...at, id: nth(1) }, { ...branch(), id: nth(1) }))).toBe("duplicate");
    expect(codeOf(() => add(...Array.from({ length: 9 }, () => through(null))))).toBe("does-not-fit");
    expect(codeOf(() => add({ ...branch(), cable: "simplex-3.0" }))).toBe("does-not-fit");
    expect(
      codeOf(() => addClosure(act(), job, check(zNewClosure, { plan: { ...CLOSURE, entry: "no-such" } }))),
    ).toBe("not-found");
    expect(getClosures(store, job)).toEqual([]);
  });
  it("plans a side that ended nowhere yet, with it or not at all", () => {
    const ends = () => getPiece(store, feeder).places.map(({ side: at, procedure }) => [at, procedure]);
    const rest = Array.from({ length: 9 }, () => through(null));
    expect(codeOf(() => add(branch({ piece: feeder, side: "B" }), ...rest))).toBe("does-not-fit");
    expect(ends()).toEqual([["A", "entry-dome-gel"]]);
    add(branch({ piece: feeder, side: "B" }));
    expect(ends()).toEqual([
      ["A", "entry-dome-gel"],
      ["B", "entry-dome-gel"],
    ]);
    expect(getPiece(store, feeder).revision).toBe(2);
    const [dome] = shippedLibrary().entries.filter(({ id }) => id === "entry-dome-gel");
    expect(dome && joinablePlaces(store, job, dome).map(({ text, through: goes }) => [text, goes])).toEqual([
      ["North ring, side A", false],
      ["North ring, side B", false],
      ["North ring, pad 4", true],
      ["Pad 4 branch, side A", false],
      ["Pad 4 branch, side B", false],
    ]);
  });
  it("tells where a piece was planned otherwise since, and begins nothing there", () => {
    const { id } = add(branch({ piece: feeder, side: "A" }));
    savePlan(
      act(),
      feeder,
      check(zSavePlan, {
        basis: 1,
        plan: { ...BRANCH, sides: { A: { ...side, procedure: "breakout-kit-6", ends: 6 }, B: side } },
      }),
    );
    expect(getClosure(store, id).cables[0]?.trouble).toMatch(/planned to end in another way/);
    expect(codeOf(() => beginClosure(act(), id, check(zBeginClosure, { cables: [nth(0)] })))).toBe(
      "does-not-fit",
    );
    savePlan(act(), feeder, check(zSavePlan, { basis: 2, plan: null }));
    expect(getClosure(store, id).cables[0]?.trouble).toMatch(/no longer in this job/);
  });
});

describe("the cables of a closure at the bench", () => {
  it("are begun as one batch where they are alike, all or none", () => {
    const drops = Array.from({ length: 6 }, () => ({ cable: "flat-drop", role: "drop", through: false }));
    const { id } = addClosure(
      act(),
      job,
      check(zNewClosure, {
        plan: { ...closed(...drops), name: "hut wall", entry: "entry-wall-box" },
      }),
    );
    const all = { cables: [0, 1, 2, 3, 4, 5].map(nth) };
    const begun = beginClosure(act(), id, check(zBeginClosure, all));
    expect(begun.batch).toBe(true);
    expect(getBatch(store, begun.id).ends.map(({ label }) => label)).toEqual(
      [1, 2, 3, 4, 5, 6].map((n) => `hut wall, cable ${n}`),
    );
    expect(beginClosure(act(), id, check(zBeginClosure, { ...all, id: begun.id }))).toEqual(begun);
    const { ends } = getBatch(store, begun.id);
    expect(ends).toHaveLength(6);
    // Of no piece, each is the closure's own, and known by it.
    expect(getClosure(store, id).cables.map(({ end, standing }) => [end, standing])).toEqual(
      ends.map((end) => [end.id, "bench"]),
    );
    expect(getEnd(store, ends[2]?.id ?? "").where).toMatchObject({
      name: "hut wall",
      side: null,
      station: "cable 3",
    });
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
  });
  it("are no batch where their sheets differ, and one that is at the bench already is not begun twice", () => {
    const { id } = add(through({ piece: ring, side: PAD }), branch({ piece: feeder, side: "A" }));
    expect(codeOf(() => beginClosure(act(), id, check(zBeginClosure, { cables: [0, 1].map(nth) })))).toBe(
      "does-not-fit",
    );
    beginClosure(act(), id, check(zBeginClosure, { cables: [nth(1)] }));
    expect(codeOf(() => beginClosure(act(), id, check(zBeginClosure, { cables: [nth(1)] })))).toBe(
      "moved-on",
    );
    expect(codeOf(() => beginClosure(act(), id, check(zBeginClosure, { cables: [nth(2)] })))).toBe(
      "not-found",
    );
    expect(codeOf(() => beginClosure(act(), id, check(zBeginClosure, { cables: [0, 0].map(nth) })))).toBe(
      "bad-input",
    );
  });
});

describe("a cable prepared in a closure with others", () => {
  it("asks for no pressure, seal or cover of its own: they are the closure's, once; by itself it does", () => {
    const { id } = addClosure(actOn(store), job, check(zNewClosure, { plan: CLOSURE }));
    const cable = getClosure(store, id).plan.cables[0]?.id ?? "";
    const begun = beginClosure(actOn(store), id, check(zBeginClosure, { cables: [cable] }));
    const stepsOf = (sheet: { readonly lines: readonly { readonly step: { readonly id: string } }[] }) =>
      sheet.lines.map(({ step }) => step.id);
    const within = stepsOf(getEnd(store, begun.id).sheet);
    const separate = stepsOf(
      getEnd(
        store,
        startEnd(
          actOn(store),
          check(zStart, { cable: "loose-tube-36", procedure: "entry-dome-gel", core: "9/125" }),
        ).id,
      ).sheet,
    );
    const closing = separate.filter((step) => !within.includes(step));
    expect(closing).toEqual(
      expect.arrayContaining(["relief", "plugs", "photographed", "cover", "valve", "tail"]),
    );
    expect(within).toEqual(expect.arrayContaining(["fit", "hold", "store", "scraps"]));
    expect(within.filter((step) => !separate.includes(step))).toEqual([]);
  });
});
