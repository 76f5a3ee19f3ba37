import { randomUUID } from "node:crypto";
import { beforeEach, describe, expect, it } from "vitest";
import {
  addressText,
  advise,
  check,
  type EventInput,
  endState,
  figuresToConfirm,
  judgementOf,
  mm,
  parseAddress,
  resolved,
  reworkEvent,
  zBeginPlaces,
  zConfirm,
  zJobQuery,
  zJobsQuery,
  zNewJob,
  zNewPieces,
  zPiecePlan,
  zPlaceQuery,
  zPutAway,
  zSave,
  zSavePlan,
  zStart,
} from "@/core";
import { endsOfPieces, findEnd } from "@/store/record/ends";
import { PLAN } from "../../../harness/plans";
import { actOn } from "../act";
import { getBatch } from "../end/batches";
import { getEnd, startEnd } from "../end/ends";
import { endRecord } from "../end/record";
import { codeOf } from "../fixtures/code-of";
import { addTo } from "../fixtures/made-ends";
import { checkWholeRecord } from "../keeping/record-check";
import { confirmFigures, documentText, putAway, saveDocument } from "../shelf/shelf";
import { openStore, type Store } from "../the-store";
import { addPieces, getJob, jobsPage, newJob, PIECES_PAGE, savePlan } from "./jobs";
import { aheadAtPlace, beginPlaces, getPiece, nextOfJob, nextPlace } from "./places";
import { crewYield, needsOf } from "./planning";
import { whereOf } from "./where";

const { A: side } = PLAN.sides;
const SPLIT = {
  ...PLAN,
  name: "Pad 7 feeder",
  cable: "loose-tube-36",
  sides: {
    A: { ...side, procedure: "breakout-kit-6", ends: 1, onto: { procedure: "stub-wedge-release-900" } },
    B: { ...side, procedure: "breakout-kit-6", ends: 1, onto: { procedure: "stub-cam-crimp-900" } },
  },
};

let store: Store;
let job: string;
let piece: string;
const act = () => actOn(store);
const planned = (plan: object) =>
  addPieces(act(), job, check(zNewPieces, { pieces: [{ plan }] }))[0]?.id ?? "";
const begin = (at: string, more: object = {}, of = piece) =>
  beginPlaces(act(), of, check(zBeginPlaces, { side: "A", addresses: [parseAddress(at)], ...more }));
const thread = (id: string) => {
  const { parts } = getEnd(store, id).sheet;
  addTo(store, id, ...parts.map(({ id: part }): EventInput => ({ kind: "thread", part, on: true })));
};
const sign = (id: string, outcome: "kept" | "cut-off" | "discarded" = "kept") => {
  thread(id);
  addTo(store, id, { kind: "sign", name: "Wyn", outcome });
};
const standings = () =>
  getPiece(store, piece).places.map(({ side: at, text, standing }) => `${at} ${text}: ${standing}`);
const where = (id: string) => {
  const row = findEnd(store, id);
  return row ? whereOf(store, row) : null;
};

beforeEach(() => {
  store = openStore(":memory:");
  job = newJob(act(), check(zNewJob, { name: "North ring" })).id;
  piece = planned(SPLIT);
});

describe("an end at a place", () => {
  it("is begun on what is in hand there: the cable first, then a fibre of it in its tubing", () => {
    const tube = begin("tube 1");
    const fibre = begin("tube 1 / fibre 5");
    expect([getEnd(store, tube.id).cableName, getEnd(store, fibre.id).cableName]).toEqual([
      expect.stringContaining("6 × 6"),
      expect.stringMatching(/^fibre of .*furcation/),
    ]);
    expect(getEnd(store, fibre.id).events[0]?.event).toMatchObject({
      job: "North ring",
      label: "Pad 7 feeder, side A, tube 1 / fibre 5, slate",
    });
    expect(endRecord(store, fibre.id)).toMatchObject({
      where: { piece, name: "Pad 7 feeder", side: "A", address: "tube 1 / fibre 5" },
    });
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
  });
  it("is begun once, however often the same is asked, and by one hand at a time", () => {
    const id = randomUUID();
    for (let i = 0; i < 2; i++) expect(begin("tube 1", { id }).id).toBe(id);
    expect(codeOf(() => begin("tube 1"))).toBe("moved-on");
    expect(endsOfPieces(store, [piece])).toHaveLength(1);
    sign(id, "cut-off");
    expect(begin("tube 1").id).not.toBe(id);
  });
  it("is at an address the cable has, of what is planned or picked there", () => {
    expect(codeOf(() => begin("tube 7"))).toBe("no-such-element");
    expect(codeOf(() => begin("tube 1 / fibre 7"))).toBe("no-such-element");
    expect(codeOf(() => begin("tube 2"))).toBe("no-such-element");
    expect(begin("tube 2", { style: { procedure: "breakout-kit-6" } }).id).toBeTruthy();
    expect(codeOf(() => begin("tube 1 / fibre 1", { style: { procedure: "drop-clamp" } }))).toBe(
      "does-not-fit",
    );
    expect(codeOf(() => begin("tube 1", {}, randomUUID()))).toBe("not-found");
  });
  it("keeps where it was made, word for word: the database refuses to move it", () => {
    const { id } = begin("tube 1");
    expect(() => store.$client.exec(`UPDATE ends SET side = 'B' WHERE id = '${id}'`)).toThrow(/kept/);
    expect(() => store.$client.exec(`UPDATE ends SET piece = NULL WHERE id = '${id}'`)).toThrow(/kept/);
  });
  it("is worked by the sheet of what is in hand, though a cable of the shelf goes by the very same id", () => {
    const id = "loose-tube-36.fibre.furcation-900";
    const document = { ...JSON.parse(documentText(store, "cable", "distribution-900")), id };
    saveDocument(act(), "cable", check(zSave, { document, basis: null }));
    const style = { procedure: "stub-cam-crimp-900", choices: {} };
    const other = startEnd(act(), check(zStart, { cable: id, core: "9/125", ...style }));
    const fibre = begin("tube 1 / fibre 1", { style });
    const outermost = (end: string) => getEnd(store, end).sheet.layers[0]?.kind;
    expect([outermost(other.id), outermost(fibre.id)]).toEqual(["buffer", "tube"]);
  });
  it("is one of a batch that the record check finds whole, however its piece's name is cut short", () => {
    const of = planned({ ...SPLIT, name: `${"x".repeat(119)}🗼` });
    const addresses = [1, 2].map((n) => parseAddress(`tube 1 / fibre ${n}`));
    beginPlaces(act(), of, check(zBeginPlaces, { side: "A", addresses }));
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
  });
  it("has its address compared as the text it is looked up by: a blank in it is found", () => {
    begin("tube 1 / fibre 2");
    store.$client.exec("DROP TRIGGER ends_keep_words");
    store.$client.exec("UPDATE ends SET address = replace(address, ',', ', ') WHERE address IS NOT NULL");
    expect(
      [...checkWholeRecord(store)].flatMap(({ findings }) => findings.map(({ what: detail }) => detail)),
    ).toContainEqual(expect.stringMatching(/^Its row was changed: address/));
  });
  it("is one of a batch where several are begun together, each at its own place", () => {
    const addresses = [1, 2, 3].map((n) => parseAddress(`tube 1 / fibre ${n}`));
    const { id, batch } = beginPlaces(act(), piece, check(zBeginPlaces, { side: "B", addresses }));
    expect(batch).toBe(true);
    expect(getBatch(store, id).ends.map(({ label }) => label)).toEqual([
      "Pad 7 feeder, side B, tube 1 / fibre 1, blue",
      "Pad 7 feeder, side B, tube 1 / fibre 2, orange",
      "Pad 7 feeder, side B, tube 1 / fibre 3, green",
    ]);
    expect(codeOf(() => beginPlaces(act(), piece, check(zBeginPlaces, { side: "B", addresses })))).toBe(
      "moved-on",
    );
    const mixed = [parseAddress("tube 1"), parseAddress("tube 1 / fibre 4")];
    expect(
      codeOf(() => beginPlaces(act(), piece, check(zBeginPlaces, { side: "B", addresses: mixed }))),
    ).toBe("does-not-fit");
  });
});

describe("what begins at a place", () => {
  it("has figures nobody has seen, until they are checked against the part's sheet: on a fibre in its tubing too", () => {
    const place = { side: "A", at: "tube 1 / fibre 5" };
    const { unchecked, procedure, cable, core, choices } = aheadAtPlace(
      store,
      piece,
      check(zPlaceQuery, place),
    );
    expect([unchecked, procedure.id]).toEqual([true, "stub-wedge-release-900"]);
    const figures = figuresToConfirm(resolved(procedure, cable, { core, choices }));
    const confirm = (at: object) =>
      confirmFigures(
        act(),
        procedure.id,
        check(zConfirm, {
          basis: procedure.revision,
          cable: cable.id,
          place: { piece, ...at },
          core,
          choices,
          name: "Wyn Tarr",
          sheet: null,
          figures: figures.map(({ key, value, plus, minus }) => ({ key, value, plus, minus })),
        }),
      );
    // What was shown is not what lies there.
    expect(codeOf(() => confirm({ side: "A", at: "tube 1" }))).toBe("unknown-cable");
    confirm(place);
    const now = aheadAtPlace(store, piece, check(zPlaceQuery, place));
    expect([now.unchecked, now.procedure.revision]).toEqual([false, procedure.revision + 1]);
    expect(endRecord(store, begin(place.at).id).style).toMatchObject({
      revision: now.procedure.revision,
    });
  });
  it("is nothing where nothing is planned", () => {
    expect(codeOf(() => aheadAtPlace(store, piece, check(zPlaceQuery, { side: "A", at: "tube 2" })))).toBe(
      "no-such-element",
    );
    expect(codeOf(() => aheadAtPlace(store, piece, check(zPlaceQuery, { side: "A", at: "pad 4" })))).toBe(
      "no-such-element",
    );
    expect(codeOf(() => aheadAtPlace(store, randomUUID(), check(zPlaceQuery, { side: "A" })))).toBe(
      "not-found",
    );
  });
});

describe("how a piece stands", () => {
  it("is its newest end at each place, in the order of the addresses, and what to go on with", () => {
    expect(standings()).toHaveLength(14);
    const next = () => nextPlace(getPiece(store, piece).places)?.text;
    expect(next()).toBe("tube 1");
    const tube = begin("tube 1");
    expect(standings()[0]).toBe("A tube 1: bench");
    sign(tube.id);
    expect([standings()[0], next()]).toEqual(["A tube 1: unmeasured", "tube 1 / fibre 1"]);
    sign(begin("tube 1 / fibre 1").id, "cut-off");
    expect([standings()[1], next()]).toEqual(["A tube 1 / fibre 1: cut-off", "tube 1 / fibre 2"]);
    const again = begin("tube 1 / fibre 1");
    expect([standings()[1], next()]).toEqual(["A tube 1 / fibre 1: bench", "tube 1 / fibre 1"]);
    sign(again.id, "discarded");
    expect(standings()[1]).toBe("A tube 1 / fibre 1: cut-off");
  });
  it("goes on with another piece where nothing can be told of the first any more", () => {
    const own = { ...JSON.parse(documentText(store, "procedure", "stub-one-stroke")), id: "own-style" };
    saveDocument(act(), "procedure", check(zSave, { document: own, basis: null }));
    const ended = (procedure: string) => ({
      ...PLAN,
      sides: { A: { ...side, procedure, ends: 1 }, B: side },
    });
    const other = newJob(act(), check(zNewJob, { name: "South ring" })).id;
    const add = (procedure: string) =>
      addPieces(act(), other, check(zNewPieces, { pieces: [{ plan: ended(procedure) }] }))[0]?.id;
    add("own-style");
    const second = add("stub-one-stroke");
    putAway(act(), "procedure", "own-style", check(zPutAway, { basis: 1 }));
    expect(nextOfJob(store, other)?.piece).toBe(second);
  });
  it("is planned with choices that are there alone, of what is opened too", () => {
    const onto = { procedure: "stub-cam-crimp-900", choices: { polish: "square" } };
    const A = { ...SPLIT.sides.A, onto };
    expect(codeOf(() => planned({ ...SPLIT, sides: { ...SPLIT.sides, A } }))).toBe("unknown-option");
  });
  it("goes on with an element that was opened badly before anything inside it", () => {
    sign(begin("tube 1").id, "cut-off");
    const next = () => nextPlace(getPiece(store, piece).places);
    expect([next()?.side, next()?.text]).toEqual(["B", "tube 1"]);
    sign(begin("tube 1", { side: "B" }).id, "cut-off");
    expect([next()?.side, next()?.text]).toEqual(["A", "tube 1"]);
    sign(begin("tube 1").id);
    expect([next()?.side, next()?.text]).toEqual(["A", "tube 1 / fibre 1"]);
  });
  it("adds up over the job, whatever is practised", () => {
    sign(begin("tube 1").id);
    sign(begin("tube 1 / fibre 1").id, "cut-off");
    begin("tube 1 / fibre 1");
    begin("tube 1 / fibre 2", { purpose: "practice" });
    const progress = { planned: 12, unmeasured: 1, bench: 1 };
    expect(getJob(store, job).progress).toEqual(progress);
    expect(jobsPage(store, check(zJobsQuery, {})).rows[0]).toMatchObject({ pieces: 1, progress });
    expect(jobsPage(store, check(zJobsQuery, { words: "ring north" })).rows).toHaveLength(1);
    expect(jobsPage(store, check(zJobsQuery, { words: "north%" })).rows).toHaveLength(0);
  });
  it("still shows what was made where nothing is planned any more", () => {
    begin("tube 1");
    savePlan(act(), piece, check(zSavePlan, { basis: 1, plan: { ...SPLIT, sides: { A: side, B: side } } }));
    expect(standings()).toEqual(["A tube 1: bench"]);
  });
  it("counts nothing that was made where nothing is planned: the piece is not done, and is gone on with", () => {
    const first = { ...side, procedure: "breakout-kit-6", ends: 1 };
    savePlan(
      act(),
      piece,
      check(zSavePlan, { basis: 1, plan: { ...SPLIT, sides: { A: first, B: { ...first, ends: 0 } } } }),
    );
    const picked = { style: { procedure: "breakout-kit-6", choices: {} } };
    // As many good ends as are planned, and not one of them where it is planned.
    sign(begin("tube 2", picked).id);
    expect(getJob(store, job).progress).toEqual({ planned: 1 });
    expect(nextOfJob(store, job)?.place).toMatchObject({ side: "A", text: "tube 1", standing: "planned" });
    sign(begin("tube 1").id);
    expect(getJob(store, job).progress).toEqual({ planned: 0, unmeasured: 1 });
    expect(nextOfJob(store, job)).toBeNull();
    expect(standings()).toEqual(["A tube 1: unmeasured", "A tube 2: unmeasured"]);
  });
  it("is told a page of pieces at a time, by the words of their names, none missing and none twice", () => {
    for (let i = 0; i < 70; i++) planned({ ...PLAN, name: `cottage ${i}` });
    const seen: string[] = [];
    for (let after: string | null = ""; after !== null; ) {
      const page = getJob(store, job, check(zJobQuery, after === "" ? {} : { after }));
      expect([page.count, page.pieces.length <= PIECES_PAGE]).toEqual([71, true]);
      seen.push(...page.pieces.map(({ id }) => id));
      after = page.next;
    }
    expect([seen.length, new Set(seen).size]).toEqual([71, 71]);
    const match = getJob(store, job, check(zJobQuery, { words: "cottage 6" }));
    expect([match.found, match.pieces[0]?.plan.name]).toEqual([16, "cottage 6"]);
    expect(codeOf(() => getJob(store, job, check(zJobQuery, { after: "x" })))).toBe("bad-input");
  });
});

describe("the other end", () => {
  it("says what was done there and what must go together, before anything is cut", () => {
    const far = begin("tube 1 / fibre 2", {
      side: "B",
      style: { procedure: "stub-cam-crimp-900", choices: { polish: "apc", interface: "sc" } },
    });
    const here = begin("tube 1 / fibre 2", {
      style: { procedure: "stub-one-stroke", choices: { polish: "upc" } },
    });
    expect(where(here.id)?.far).toMatchObject({
      fibres: 1,
      count: 1,
      ends: [{ side: "B", text: "side B, tube 1 / fibre 2", standing: "bench", end: far.id }],
    });
    const off = where(here.id)?.far.ends[0]?.across.filter(({ fits }) => !fits);
    expect(off).toMatchObject([{ asks: "same" }]);
    expect(where(far.id)?.far.ends[0]).toMatchObject({ end: here.id, side: "A" });
  });
  it("is what is planned there as long as nothing was done", () => {
    const here = begin("tube 1");
    expect(where(here.id)?.far).toMatchObject({ fibres: 6, count: 6 });
    const [first] = where(here.id)?.far.ends ?? [];
    expect(first).toMatchObject({ standing: "planned", end: null });
    expect(first?.as.length).toBeGreaterThan(0);
    expect(first?.as.join()).not.toContain("?");
  });
  it("is none of an end by itself", () => {
    expect(where("nowhere")).toBeNull();
  });
});

describe("the slack at a place", () => {
  const cord = (changed: object) => ({
    ...PLAN,
    name: "hall cord",
    cable: "simplex-3.0",
    sides: { A: { ...side, procedure: "stub-wedge-release-cord", ends: 1, ...changed }, B: side },
  });
  const slackOf = (changed: object) => where(begin("", {}, planned(cord(changed))).id)?.slack;
  it("is unknown until somebody says it, or retries were planned", () => {
    expect(slackOf({})?.allowed).toBeNull();
    const slack = slackOf({ retries: 2 });
    expect(slack?.allowed).toBe(2 * (slack?.perAttempt ?? 0));
    expect(slackOf({ retries: 2, slack: 40 })?.allowed).toBe(mm(40));
  });
  it("of what was opened is what its own retries are left long enough for, and the piece is cut so much longer", () => {
    const spare = (retries: number) => ({
      ...SPLIT,
      sides: { ...SPLIT.sides, A: { ...SPLIT.sides.A, onto: { ...SPLIT.sides.A.onto, retries } } },
    });
    savePlan(act(), piece, check(zSavePlan, { basis: 1, plan: spare(2) }));
    sign(begin("tube 1").id);
    const slack = where(begin("tube 1 / fibre 1").id)?.slack;
    expect(slack?.allowed).toBe(2 * (slack?.perAttempt ?? 0));
    const exact = (retries: number) => {
      const said = needsOf(store, check(zPiecePlan, spare(retries)));
      return "needs" in said ? said.needs.exact : 0;
    };
    expect(exact(2) - exact(0)).toBe(slack?.allowed);
  });
  it("is what the ends made there before left of it", () => {
    const of = planned(cord({ slack: 200 }));
    const first = begin("", {}, of);
    const { sheet } = getEnd(store, first.id);
    const bend = sheet.lines.findIndex(({ step }) => step.id === "bend");
    const look = sheet.lines.flatMap(({ step }) => (step.id === "bend" ? (judgementOf(step) ?? []) : []))[0];
    const broke = { judgement: look?.id ?? "", answer: "broke" };
    thread(first.id);
    addTo(store, first.id, { kind: "step", to: bend }, { kind: "answer", ...broke });
    const { events, rule } = getEnd(store, first.id);
    const [advice] = advise(sheet, endState(events), rule, broke);
    if (advice?.kind !== "rework") throw new Error("it can be saved");
    const cable = advice.recommended.cableLost;
    addTo(store, first.id, reworkEvent(advice, "recommended"));
    expect(where(first.id)?.slack.before).toBe(0);
    addTo(store, first.id, { kind: "sign", name: "Wyn", outcome: "cut-off", missingShards: "swept up" });
    const second = begin("", {}, of);
    expect(where(second.id)?.slack.before).toBe(cable);
    expect(addressText(where(second.id)?.place.address ?? [])).toBe("");
    // What was tried and lost counts in this crew's own yield: the first end, its retry, and nothing of practice.
    expect(crewYield(store, "stub-wedge-release-cord")).toEqual({ good: 0, tried: 2 });
    sign(second.id);
    sign(begin("", { purpose: "practice" }, of).id);
    expect(crewYield(store, "stub-wedge-release-cord")).toEqual({ good: 1, tried: 3 });
  });
});
