import { beforeEach, describe, expect, it } from "vitest";
import {
  check,
  type EventInput,
  isMidRun,
  judgementOf,
  mustHoldAt,
  parseAddress,
  zBeginPlaces,
  zNewJob,
  zNewPieces,
  zSavePlan,
  zStationId,
} from "@/core";
import { findEnd } from "@/store/record/ends";
import { PLAN } from "../../../harness/plans";
import { actOn } from "../act";
import { getEnd } from "../end/ends";
import { endRecord, recordJson } from "../end/record";
import { codeOf } from "../fixtures/code-of";
import { addTo, CALLIPER } from "../fixtures/made-ends";
import { checkWholeRecord } from "../keeping/record-check";
import { recordsCsv } from "../ledger/record-csv";
import { openStore, type Store } from "../the-store";
import { addPieces, getJob, newJob, savePlan } from "./jobs";
import { beginPlaces, getPiece, inHand, nextOfJob } from "./places";
import { whereOf } from "./where";

const POLE = zStationId.parse("3f0e3f1c-54c7-4c0a-9d92-0c5b2c1d7a11");
const station = (more: object = {}) => ({
  id: POLE,
  place: "cottages' pole",
  along: 400_000,
  procedure: "entry-pedestal-through",
  ...more,
});
const plan = (stations: readonly object[]) => ({
  ...PLAN,
  name: "Cottage feeder",
  cable: "loose-tube-36",
  route: [{ kind: "span", name: "lane", length: 900_000, allowancePct: 1 }],
  stations,
});

let store: Store;
let job: string;
const act = () => actOn(store);
const add = (stations: readonly object[]) =>
  addPieces(act(), job, check(zNewPieces, { pieces: [{ plan: plan(stations) }] }))[0]?.id ?? "";
beforeEach(() => {
  store = openStore(":memory:");
  job = newJob(act(), check(zNewJob, { name: "Hill cottages" })).id;
});

describe("a sheath opened at a station of a piece", () => {
  it("is planned, next, begun in mid-run and on record by the station's name as it was that day", () => {
    const piece = add([station()]);
    expect(getJob(store, job).progress).toMatchObject({ planned: 1 });
    expect(nextOfJob(store, job)).toMatchObject({ at: "cottages' pole", place: { side: POLE } });
    const { id } = beginPlaces(act(), piece, check(zBeginPlaces, { side: POLE, addresses: [[]] }));
    const end = getEnd(store, id);
    expect(isMidRun(end.sheet)).toBe(true);
    expect(end.events[0]?.event).toMatchObject({ label: "Cottage feeder, cottages' pole" });
    savePlan(act(), piece, check(zSavePlan, { basis: 1, plan: plan([station({ place: "pole 12" })]) }));
    addTo(store, id, { kind: "sign", name: "Wyn", outcome: "cut-off" });
    const record = endRecord(store, id);
    expect(record.where).toMatchObject({ side: null, station: "cottages' pole", address: "" });
    expect(recordsCsv([recordJson(record)])).toContain("cottages' pole");
    expect(getPiece(store, piece).places.map(({ side, standing }) => [side, standing])).toEqual([
      [POLE, "cut-off"],
    ]);
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
  });
  it("is judged anew on both sides as either is read, alike in its lists, on record and in the check", () => {
    const piece = add([station()]);
    const { id } = beginPlaces(act(), piece, check(zBeginPlaces, { side: POLE, addresses: [[]] }));
    const { sheet } = getEnd(store, id);
    const halves = sheet.checks.filter(({ joint }) => joint);
    const read = (n: number, off: number) => {
      const { id: of, nominal, min } = mustHoldAt(halves, n);
      const value = (off < 0 ? (min ?? nominal) : nominal) + off;
      addTo(store, id, {
        kind: "reading",
        check: of,
        value,
        typed: String(value / 1000),
        unit: "mm",
        instrument: CALLIPER,
      });
    };
    addTo(store, id, ...sheet.parts.map(({ id: part }): EventInput => ({ kind: "thread", part, on: true })), {
      kind: "step",
      to: sheet.lines.findIndex(({ step }) => step.id === "measure"),
    });
    const verdicts = () =>
      endRecord(store, id)
        .lengths.filter((length) => halves.some((half) => half.id === length.id))
        .map(({ verdict, otherSide }) => [verdict, otherSide]);
    read(0, -3_000);
    expect(verdicts()).toEqual([
      ["out", null],
      [null, expect.any(Number)],
    ]);
    read(1, 4_000);
    expect(verdicts().map(([verdict]) => verdict)).toEqual(["in", "in"]);
    expect(recordsCsv([recordJson(endRecord(store, id))])).toMatch(/,4,/);
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
  });
  it("plans what is put on each fibre that is parted, once it is open: the other end of what is made at the sides", () => {
    const onto = { procedure: "fusion-splice-on-250" };
    const parted = [7, 8].map((fibre) => ({ fibre, at: "middle" }));
    const piece = add([station({ parted, onto })]);
    const texts = () =>
      getPiece(store, piece).places.map(({ text, standing }) => `${text} ${standing}`.trim());
    expect(texts()).toEqual([
      "planned",
      "tube 2 / fibre 1 towards A planned",
      "tube 2 / fibre 1 towards B planned",
      "tube 2 / fibre 2 towards A planned",
      "tube 2 / fibre 2 towards B planned",
    ]);
    expect(getJob(store, job).progress).toMatchObject({ planned: 5 });
    const { id } = beginPlaces(act(), piece, check(zBeginPlaces, { side: POLE, addresses: [[]] }));
    addTo(
      store,
      id,
      ...getEnd(store, id).sheet.parts.map(
        ({ id: part }): EventInput => ({ kind: "thread", part, on: true }),
      ),
      { kind: "sign", name: "Wyn", outcome: "kept" },
    );
    expect(nextOfJob(store, job)).toMatchObject({ at: "cottages' pole, tube 2 / fibre 1 towards A" });
    const spliced = beginPlaces(
      act(),
      piece,
      check(zBeginPlaces, { side: POLE, addresses: [parseAddress("tube 2 / fibre 1 towards A")] }),
    );
    expect(getEnd(store, spliced.id).sheet.procedure.id).toBe("fusion-splice-on-250");
    expect(texts().slice(1, 3)).toEqual([
      "tube 2 / fibre 1 towards A bench",
      "tube 2 / fibre 1 towards B planned",
    ]);
    expect(endRecord(store, spliced.id).where?.address).toBe("tube 2 / fibre 1 towards A");
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
    expect(codeOf(() => add([station({ parted, onto: { procedure: "breakout-kit-6" } })]))).toBe(
      "does-not-fit",
    );
  });
  it("says on record by which colours each fibre was told before it was parted, also one that was not it", () => {
    const piece = add([station({ parted: [{ fibre: 7, at: "middle" }] })]);
    const { id } = beginPlaces(act(), piece, check(zBeginPlaces, { side: POLE, addresses: [[]] }));
    const { sheet } = getEnd(store, id);
    const asks = sheet.lines.flatMap(({ step }) => judgementOf(step) ?? []);
    const judgement = mustHoldAt(
      asks.filter(({ colours }) => colours),
      0,
    );
    const by = (good: boolean, code: "OR" | "GR") => {
      const answer = judgement.answers.find((answer) => answer.good === good)?.id ?? "";
      const tube = { code, tracers: 0 };
      const fibre = good ? ({ code: "BL", tracers: 0 } as const) : null;
      addTo(store, id, {
        kind: "answer",
        judgement: judgement.id,
        answer,
        seen: [{ number: 7, tube, fibre }],
      });
    };
    addTo(store, id, ...sheet.parts.map(({ id: part }): EventInput => ({ kind: "thread", part, on: true })), {
      kind: "step",
      to: sheet.lines.findIndex(({ step }) => judgementOf(step)?.id === judgement.id),
    });
    const look = () => endRecord(store, id).looks.find((look) => look.id === judgement.id);
    by(false, "GR");
    expect(look()).toMatchObject({ good: false, colours: ["fibre 7: tube GR, fibre not said"] });
    by(true, "OR");
    expect(look()).toMatchObject({ good: true, colours: ["fibre 7: tube OR, fibre BL"] });
    expect(recordsCsv([recordJson(endRecord(store, id))])).toContain("(fibre 7: tube OR, fibre BL)");
    const other = mustHoldAt(
      asks.filter(({ colours }) => !colours),
      0,
    );
    expect(
      codeOf(() =>
        addTo(store, id, {
          kind: "answer",
          judgement: other.id,
          answer: mustHoldAt(other.answers, 0).id,
          seen: [{ number: 7, tube: "doubtful", fibre: null }],
        }),
      ),
    ).toBe("bad-input");
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
  });
  it("has in hand what it opened, and knows both sides and no slack of its own", () => {
    const parted = [
      { fibre: 8, at: "downstream" },
      { fibre: 7, at: "middle" },
    ];
    const piece = add([station({ parted })]);
    const fibre = inHand(store, piece, { side: POLE, address: parseAddress("tube 2 / fibre 1") });
    expect([fibre.text, fibre.cable.fibreCount]).toEqual(["cottages' pole, tube 2 / fibre 1", 1]);
    const { id } = beginPlaces(act(), piece, check(zBeginPlaces, { side: POLE, addresses: [[]] }));
    const row = findEnd(store, id);
    expect(row && whereOf(store, row)).toMatchObject({
      text: "cottages' pole",
      far: { count: 0, fibres: 36 },
      slack: { allowed: null, perAttempt: 0 },
      // Six to a tube: the seventh is the first of the second, which is orange.
      parted: [
        { at: "middle", kind: "tube", number: 7, tube: { code: "OR" }, fibre: { position: 1, code: "BL" } },
        { at: "downstream", number: 8, fibre: { position: 2, code: "OR" } },
      ],
    });
  });
  it("is refused by a style for an end, for a fibre the cable has not, and where it was never planned", () => {
    expect(codeOf(() => add([station({ procedure: "entry-pedestal" })]))).toBe("does-not-fit");
    expect(codeOf(() => add([station({ parted: [{ fibre: 37, at: "middle" }] })]))).toBe("no-such-element");
    expect(codeOf(() => add([station({ along: 5_000_000 })]))).toBe("limit");
    expect(getJob(store, job).pieces).toEqual([]);
    const piece = add([]);
    expect(
      codeOf(() => beginPlaces(act(), piece, check(zBeginPlaces, { side: POLE, addresses: [[]] }))),
    ).toBe("no-such-element");
    expect(codeOf(() => beginPlaces(act(), piece, check(zBeginPlaces, { side: "C", addresses: [[]] })))).toBe(
      "bad-input",
    );
  });
  it("that was taken out of the plan leaves its end on record and in the piece's list", () => {
    const piece = add([station()]);
    const { id } = beginPlaces(act(), piece, check(zBeginPlaces, { side: POLE, addresses: [[]] }));
    savePlan(act(), piece, check(zSavePlan, { basis: 1, plan: plan([]) }));
    expect(getPiece(store, piece).places).toMatchObject([{ side: POLE, end: id, standing: "bench" }]);
    const row = findEnd(store, id);
    expect(row && whereOf(store, row)).toBeNull();
    expect(endRecord(store, id).where).toMatchObject({ station: "cottages' pole" });
  });
});
