import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import Papa from "papaparse";
import { beforeEach, describe, expect, it } from "vitest";
import {
  type ClosureEvent,
  check,
  closureWork,
  zAddClosureEvents,
  zNewClosure,
  zNewJob,
  zSaveClosure,
} from "@/core";
import { actOn } from "../act";
import { codeOf } from "../fixtures/code-of";
import { checkWholeRecord } from "../keeping/record-check";
import { openStore, type Store } from "../the-store";
import { closureAtWork } from "./closure-at-work";
import { addClosureEvents, getClosureEvents } from "./closure-events";
import { listClosures } from "./closure-page";
import { closureCsv, closureRecordOf } from "./closure-record";
import { addClosure, getClosure, saveClosure } from "./closures";
import { newJob } from "./jobs";

let store: Store;
let closure: string;
const DROPS = [1, 2].map((n) => `7a3a1d5e-13d5-4c0f-8f0a-5f5f0a9c1b2${n}`);
const SPLICE = "5b1d7c1e-0000-4000-8000-000000000001";
const splicing = {
  splices: [
    {
      id: SPLICE,
      a: { cable: DROPS[0] ?? "", fibre: 1 },
      b: { cable: DROPS[1] ?? "", fibre: 1 },
      slot: "1.1",
    },
  ],
};
const plan = {
  name: "Pad 4 closure",
  entry: "entry-dome-gel",
  cables: DROPS.map((id) => ({ id, cable: "flat-drop", role: "drop", through: false, joins: null })),
  splicing,
};
const batchOf = (
  events: readonly (ClosureEvent | { id: string; event: ClosureEvent })[],
  client = "window",
) =>
  check(zAddClosureEvents, {
    client,
    events: events.map((event) => ("event" in event ? event : { id: randomUUID(), event })),
  });
const add = (...events: ClosureEvent[]) => addClosureEvents(actOn(store), closure, batchOf(events));

/** Something that happened already, whatever came before it. */
const happened = (of: string, event: ClosureEvent) =>
  store.run(
    sql`INSERT INTO closure_events (id, closure, at, client, body) VALUES (${randomUUID()}, ${of}, '2026-11-25', 'w', ${JSON.stringify(event)})`,
  );

beforeEach(() => {
  store = openStore(":memory:");
  const job = newJob(actOn(store), check(zNewJob, { name: "Quillmere" })).id;
  closure = addClosure(actOn(store), job, check(zNewClosure, { plan })).id;
});

describe("what happens to a closure", () => {
  it("is kept in order, once each, whoever sends it again", () => {
    const id = randomUUID();
    const event = { id, event: { kind: "done", item: "permission" } as const };
    addClosureEvents(actOn(store), closure, batchOf([event]));
    addClosureEvents(
      actOn(store),
      closure,
      batchOf([event, { kind: "undone", item: "permission" }], "other"),
    );
    expect(getClosureEvents(store, closure).map(({ event: { kind } }) => kind)).toEqual(["done", "undone"]);
  });
  it("is refused whole where one of several cannot be: nothing closes with anything open", () => {
    const torque = { kind: "torque", item: "fasten 0", newtonMetres: 4 } as const;
    const items = closureAtWork(store, getClosure(store, closure)).entry.fasteners.map(
      (of, i) => [of.stage, i] as const,
    );
    const [, at] = items.find(([stage]) => stage === "seal") ?? ["seal", 0];
    expect(codeOf(() => add({ kind: "done", item: "permission" }, { ...torque, item: `fasten ${at}` }))).toBe(
      "gate",
    );
    expect(getClosureEvents(store, closure)).toEqual([]);
  });
  it("has no splice of a cable whose own sheet is not signed off, and none that is not planned", () => {
    const splice = {
      kind: "splice",
      splice: SPLICE,
      colours: { a: "BL", b: "BL" },
      estimateDb: 0.02,
    } as const;
    expect(codeOf(() => add(splice))).toBe("gate");
    expect(codeOf(() => add({ ...splice, splice: randomUUID() }))).toBe("not-found");
  });
  it("keeps a radius as it was read, and holds it against its limit", () => {
    const through = [{ ...plan.cables[0], cable: "loose-tube-36", role: "through", through: true }];
    const other = addClosure(
      actOn(store),
      newJob(actOn(store), check(zNewJob, { name: "Ring" })).id,
      check(zNewClosure, { plan: { ...plan, cables: through, splicing: {} } }),
    ).id;
    const item = `stored ${DROPS[0]}`;
    const read = (radius: number) =>
      addClosureEvents(
        actOn(store),
        other,
        check(zAddClosureEvents, {
          client: "window",
          events: [{ id: randomUUID(), event: { kind: "radius", item, radius } }],
        }),
      );
    expect(codeOf(() => read(86.4))).toBe("gate");
    happened(other, { kind: "done", item: `place ${DROPS[0]}` });
    read(86.4);
    const at = closureAtWork(store, getClosure(store, other));
    const item86 = closureWork(at, getClosureEvents(store, other)).items.find(({ id }) => id === item);
    expect(item86).toMatchObject({ done: true, reading: 86_400 });
    const less = closureWork(at, read(40)).items.find(({ id }) => id === item);
    expect(less).toMatchObject({ done: false, reading: 40_000 });
  });
  it("of another closure, an id is taken", () => {
    const id = randomUUID();
    addClosureEvents(actOn(store), closure, batchOf([{ id, event: { kind: "done", item: "permission" } }]));
    expect(
      codeOf(() =>
        addClosureEvents(actOn(store), closure, batchOf([{ id, event: { kind: "done", item: "led" } }])),
      ),
    ).toBe("id-taken");
  });
  it("is in the record: a changed or missing event is found", () => {
    add({ kind: "done", item: "permission" }, { kind: "done", item: "relief" });
    const findings = () =>
      [...checkWholeRecord(store)].flatMap((end) => end.findings.map(({ name }) => name));
    expect(findings()).toEqual([]);
    store.run(sql`DROP TRIGGER closure_events_keep_words`);
    store.run(sql`UPDATE closure_events SET body = replace(body, 'relief', 'permission') WHERE n = 2`);
    expect(findings().some((name) => name.startsWith("event of a closure"))).toBe(true);
    store.run(sql`DROP TRIGGER closure_events_keep_rows`);
    store.run(sql`DELETE FROM closure_events WHERE n = 2`);
    expect(findings()).toEqual(expect.arrayContaining([expect.stringContaining("closure_events")]));
  });
  it("leaves the splices as they are where a plan says nothing of them", () => {
    const { splicing: _, ...rest } = plan;
    saveClosure(
      actOn(store),
      closure,
      check(zSaveClosure, { basis: 1, plan: { ...rest, name: "Pad 4, east" } }),
    );
    const { plan: now } = getClosure(store, closure);
    expect([now.name, now.splicing.splices.map(({ id }) => id)]).toEqual(["Pad 4, east", [SPLICE]]);
  });
  it("keeps the plan of a splice that was tried, and lets any other change", () => {
    const change = (splices: unknown[]) =>
      saveClosure(
        actOn(store),
        closure,
        check(zSaveClosure, {
          basis: getClosure(store, closure).revision,
          plan: { ...plan, splicing: { splices } },
        }),
      );
    const [first] = splicing.splices;
    change([{ ...first, slot: "1.7" }]);
    expect(getClosure(store, closure).plan.splicing.splices[0]?.slot).toBe("1.7");
    happened(closure, { kind: "splice", splice: SPLICE, colours: { a: "BL", b: "BL" }, estimateDb: 0.2 });
    expect(codeOf(() => change([]))).toBe("gate");
    change([{ ...first, slot: "1.9" }]);
    expect(getClosure(store, closure).plan.splicing.splices[0]?.slot).toBe("1.9");
  });
});

describe("a closure that is being closed", () => {
  it("keeps its cables and splices until it is opened again; its name may change", () => {
    const at = closureAtWork(store, getClosure(store, closure));
    const prepared = { ...at, cables: at.cables.map((cable) => ({ ...cable, prepared: true })) };
    const change = (changed: object) =>
      saveClosure(
        actOn(store),
        closure,
        check(zSaveClosure, {
          basis: getClosure(store, closure).revision,
          plan: { ...plan, ...changed },
        }),
      );
    const fewer = { splicing: { ...splicing, limitDb: 0.2 } };
    change(fewer);
    change({});
    const [pressed] = closureWork(prepared, []).items.filter(({ stage }) => stage === "closing");
    happened(closure, { kind: "torque", item: pressed?.id ?? "", newtonMetres: pressed?.limit ?? 0 });
    expect(codeOf(() => change(fewer))).toBe("gate");
    change({ name: "Pad 4, east" });
    happened(closure, { kind: "reopen", reason: "loss at the gate" });
    change(fewer);
    expect(getClosure(store, closure).plan.splicing.limitDb).toBe(0.2);
  });
});

describe("a closure's record as a file", () => {
  it("has a row a cable, a thing, a try and an opening, and runs nothing in a spreadsheet", () => {
    saveClosure(actOn(store), closure, check(zSaveClosure, { basis: 1, plan: { ...plan, name: "=2+3" } }));
    add({ kind: "done", item: "permission" });
    for (const estimateDb of [0.3, 0.04])
      happened(closure, { kind: "splice", splice: SPLICE, colours: { a: "BL", b: "BL" }, estimateDb });
    const record = closureRecordOf(store, closure);
    const { data } = Papa.parse<Record<string, string>>(closureCsv(record).slice(1), { header: true });
    const rows = (kind: string) => data.filter(({ row }) => row === kind);
    expect(rows("cable")).toHaveLength(2);
    expect(rows("item")).toHaveLength(record.items.length);
    expect(rows("splice").map((row) => [row.try, row.estimate_db, row.slot])).toEqual([
      ["1", "0.3", "1.1"],
      ["2", "0.04", "1.1"],
    ]);
    expect(new Set(data.flatMap((row) => row.closure || []))).toEqual(new Set(["'=2+3"]));
  });
});

describe("closures over all jobs", () => {
  it("are listed the last changed first, each with what is still to be done at it, closing and all", () => {
    const job = newJob(actOn(store), check(zNewJob, { name: "Ring" })).id;
    const other = addClosure(actOn(store), job, check(zNewClosure, { plan: { ...plan, name: "Pad 5" } })).id;
    const at = closureAtWork(store, getClosure(store, other));
    const work = closureWork(at, []);
    const all = Object.values(work.open).reduce((sum, open) => sum + open, 0);
    expect(listClosures(store)).toEqual([
      { id: other, job, name: "Pad 5", jobName: "Ring", open: all },
      { id: closure, job: expect.any(String), name: "Pad 4 closure", jobName: "Quillmere", open: all },
    ]);
    add({ kind: "done", item: "permission" });
    expect(listClosures(store)[1]?.open).toBe(all - 1);
  });
});
