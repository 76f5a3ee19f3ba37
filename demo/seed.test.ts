import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import {
  check,
  closureWork,
  endState,
  personNamed,
  reviewSplices,
  zAimQuery,
  zBenchQuery,
  zJobsQuery,
  zLedgerQuery,
} from "@/core";
import { people } from "@/service/crew/people";
import { benchPage } from "@/service/end/bench-page";
import { getEnd } from "@/service/end/ends";
import { endRecord } from "@/service/end/record";
import { insightOf } from "@/service/insight/insight";
import { findClosurePage } from "@/service/job/closure-page";
import { getClosure, getClosures } from "@/service/job/closures";
import { getFeeder, getFeeders } from "@/service/job/feeders";
import { getJob, jobsPage } from "@/service/job/jobs";
import { ledgerPage } from "@/service/ledger/ledger";
import { library } from "@/service/shelf/library";
import { aimsOf } from "@/service/workshop/aims";
import { listStudies } from "@/service/workshop/studies";
import { openStore } from "@/store/opening/open";
import { seed } from "./seed";

describe("the Quillmere demo", () => {
  const store = openStore(":memory:");
  seed(store, readFileSync("demo/quillmere.json", "utf8"), new Date("2026-11-24T09:00:00Z"));
  it("shows every style and every result a technician may meet", () => {
    const { rows } = ledgerPage(store, check(zLedgerQuery, {}));
    expect(new Set(rows.map(({ result }) => result))).toEqual(
      new Set(["in", "out", "unsure", "unmeasured", "cut-off"]),
    );
    expect(new Set(rows.map(({ style }) => style)).size).toBe(13);
  });
  it("leaves ends half done at the bench, one at a measure step, one of a piece, and a batch", () => {
    const all = benchPage(store, check(zBenchQuery, {})).rows;
    expect(all.filter(({ batch }) => batch).map(({ count }) => count)).toEqual([12]);
    const steps = all
      .filter(({ batch }) => !batch)
      .map(({ id }) => {
        const { sheet, events } = getEnd(store, id);
        return sheet.lines[endState(events).at]?.step.kind;
      });
    expect(steps).toEqual(["mark", "measure", "cleave"]);
  });
  it("has a job with ends made, failed and at the bench, and a place without any slack left", () => {
    const [row] = jobsPage(store, check(zJobsQuery, {})).rows;
    const { progress, pieces } = getJob(store, row?.id ?? "");
    expect(progress).toMatchObject({ in: expect.any(Number), "cut-off": 3, bench: 1 });
    expect((progress.in ?? 0) + (progress.unmeasured ?? 0)).toBeGreaterThan(10);
    const out = pieces.flatMap(({ plan }) => Object.values(plan.sides).filter(({ slack }) => slack === 0));
    expect(out).toHaveLength(1);
  });
  it("has figures of the user's own, and an end that was tried again", () => {
    const own = library(store).procedures.filter(({ source }) => source.kind === "own");
    expect(own.map(({ id }) => id)).toEqual(["stub-wedge-release-900"]);
    const redone = ledgerPage(store, check(zLedgerQuery, {})).rows.filter(({ id }) =>
      getEnd(store, id).events.some(({ event }) => event.kind === "retry"),
    );
    expect(redone).toHaveLength(1);
  });
  it("has ends that were out, redone by the advice and read in, and a hand whose aim can be told", () => {
    const reworked = ledgerPage(store, check(zLedgerQuery, {})).rows.filter(({ id }) =>
      getEnd(store, id).events.some(({ event }) => event.kind === "rework"),
    );
    expect(reworked.map(({ result }) => result)).toEqual(["in", "in", "in"]);
    const cleave = aimsOf(
      store,
      check(zAimQuery, { person: personNamed(people(store), "Wyn Harrow")?.id ?? "" }),
    ).find(({ style, dimension }) => style === "stub-one-stroke" && dimension === "cleave");
    expect(cleave?.set).toBe(8_100);
    expect(listStudies(store)).toHaveLength(1);
  });
  it("has closures: a ring cable through one, a stub out of its range cut back, a pole opened in mid-run", () => {
    const [row] = jobsPage(store, check(zJobsQuery, {})).rows;
    const [pad, pole] = getClosures(store, row?.id ?? "").map(({ id }) => getClosure(store, id).cables);
    expect(pad?.map(({ at, standing, trouble }) => [at, standing, trouble])).toEqual([
      ["Trunk 3, Pad 4 closure", "in", null],
      ["Pad 4 branch, side A", "in", null],
      ["Pad 5 branch, side A", "planned", null],
      ["", "planned", null],
      ["", "planned", null],
    ]);
    expect(pole?.map(({ at, standing }) => [at, standing])).toEqual([
      ["Hill feeder, Cottages' pole", "in"],
      ["Cottage 3 drop, side A", "planned"],
    ]);
    const rework = getEnd(store, pad?.[1]?.end ?? "").events.find(({ event }) => event.kind === "rework");
    expect(rework?.event).toMatchObject({ cableLost: 0, moves: [{ feature: "member-end" }] });
  });
  it("has a closure at work: its splices planned with every fibre said, one made at the second try, the rest to do", () => {
    const [row] = jobsPage(store, check(zJobsQuery, {})).rows;
    const [pad] = getClosures(store, row?.id ?? "");
    const page = findClosurePage(store, row?.id ?? "", pad?.id ?? "");
    if (!page) throw new Error("a closure of the demo");
    const { problems, leftOver } = reviewSplices(page.at.plan, page.at.cables);
    expect([
      problems.map(({ message }) => message.text),
      leftOver.map(({ message }) => message.text),
    ]).toEqual([[], []]);
    const work = closureWork(page.at, page.events);
    expect(work.splices.map(({ standing, estimates }) => [standing, estimates.length])).toEqual([
      ["in", 1],
      ["in", 2],
      ...Array(4).fill(["open", 0]),
    ]);
    expect(work.splices.every(({ triesLeft }) => (triesLeft ?? 0) > 0)).toBe(true);
    expect(work.open).toMatchObject({ before: 0, cables: 3, "in-place": 3, fibres: 1, splices: 4 });
    expect(page.events.every(({ at }) => at < "2026-11-24T09:00:00Z")).toBe(true);
  });
  it("has an open joint at the cottages' pole, three of its four outputs read as the feeder expects", () => {
    const [row] = jobsPage(store, check(zJobsQuery, {})).rows;
    const [, pole] = getClosures(store, row?.id ?? "");
    const page = findClosurePage(store, row?.id ?? "", pole?.id ?? "");
    if (!page) throw new Error("the pole of the demo");
    expect(reviewSplices(page.at.plan, page.at.cables)).toEqual({ problems: [], leftOver: [] });
    const work = closureWork(page.at, page.events);
    expect(work.splices.map(({ standing }) => standing)).toEqual(["in", "in", "in"]);
    expect(work.items.filter(({ asks }) => asks === "power").map(({ done }) => done)).toEqual([
      ...[true, true, true, false],
    ]);
    const [feeder] = getFeeders(store, row?.id ?? "");
    const { readings } = getFeeder(store, feeder?.id ?? "");
    const expected = page.at.light?.expectedDbm ?? 0;
    for (const { joint, dBm } of readings) expect([joint, Math.abs(dBm - expected) < 1]).toEqual([1, true]);
    expect(readings).toHaveLength(3);
  });
  it("has ends that fail by the place of a blade: the cause is found, the length has moved, the failed check names them", () => {
    const { causes, runs } = insightOf(store);
    expect(causes[0]).toMatchObject({
      ...{ question: "cleaver-place", value: "template cleaver, 2" },
      ...{ under: 6, failedUnder: 6 },
    });
    const moved = runs.find(
      ({ signal, styleName }) => signal !== null && styleName === "Stub, cam and crimp",
    );
    expect(moved).toMatchObject({ tool: "template-cleaver", person: "Osla Brandt" });
    const named = (causes[0]?.ends ?? []).map((id) =>
      endRecord(store, id).tools.find(({ tool }) => tool === "template-cleaver"),
    );
    expect(named.map((tool) => tool?.standing)).toEqual(Array(6).fill("failed"));
  });
  it("is all dated before it is shown", () => {
    for (const { signedAt } of ledgerPage(store, check(zLedgerQuery, {})).rows)
      expect(signedAt && signedAt < "2026-11-24T09:00:00Z").toBe(true);
  });
});
