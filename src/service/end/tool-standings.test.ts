import { describe, expect, it } from "vitest";
import { check, zNewToolCheck } from "@/core";
import { openStore } from "@/store/opening/open";
import { shippedLibrary } from "@/store/shelf/shipped";
import { actOn } from "../act";
import { addPerson } from "../crew/people";
import { codeOf } from "../fixtures/code-of";
import { addTo, endRead, signedEnd } from "../fixtures/made-ends";
import { checkWholeRecord } from "../keeping/record-check";
import { recordsCsv } from "../ledger/record-csv";
import { instrumentsOf } from "../workshop/studies";
import { checkTool, failedTools, takeBackCheck } from "../workshop/tool-checks";
import { endRecord, recordJson } from "./record";
import { toolStandings } from "./tool-standings";

type Store = ReturnType<typeof openStore>;
const CLEAVER = "template-cleaver";
const GOOD = { place: "as-counted", cleave: "flat" };
const BAD = { place: "as-counted", cleave: "lip" };

/** Far enough apart that no two times on record are the same. */
const later = () => new Promise((done) => setTimeout(done, 5));

async function cleaverChecked(store: Store, answers: Record<string, string>) {
  await later();
  const toolCheck = checkTool(actOn(store), check(zNewToolCheck, { tool: CLEAVER, sights: { answers } }));
  await later();
  return toolCheck;
}

const gaugeRead = (store: Store, reading: number) =>
  checkTool(
    actOn(store),
    check(zNewToolCheck, {
      tool: "digital-calliper",
      sights: { gauge: { gauge: 40, readings: [reading] } },
    }),
  );

const cleaver = (store: Store) => toolStandings(store, new Date()).find(({ id }) => id === CLEAVER);

const findings = (store: Store) => [...checkWholeRecord(store)].flatMap((checked) => checked.findings);

describe("a check of a tool before the shift", () => {
  it("that fails names the ends made with the tool since its last good one, on the list and on each end's record", async () => {
    const store = openStore(":memory:");
    const before = signedEnd(store, "Osla Brandt", 0);
    await cleaverChecked(store, GOOD);
    const between = signedEnd(store, "Osla Brandt", 0);
    await later();
    const open = endRead(store, "measure");
    const failed = await cleaverChecked(store, BAD);
    expect(failed.good).toBe(false);
    expect(cleaver(store)?.named.map(({ id }) => id)).toEqual([open, between]);
    const stands = (id: string) => endRecord(store, id).tools.find(({ tool }) => tool === CLEAVER);
    expect(stands(before)).toMatchObject({ standing: "unchecked", checked: null, failed: null });
    expect(stands(between)).toMatchObject({ standing: "failed", failed: failed.at });
    expect(recordsCsv([recordJson(endRecord(store, between))])).toContain(
      `template cleaver failed ${failed.at}`,
    );
    await cleaverChecked(store, GOOD);
    expect(cleaver(store)?.named).toEqual([]);
    const after = signedEnd(store, "Osla Brandt", 0);
    expect(stands(after)).toMatchObject({ standing: "good" });
    expect(stands(between)).toMatchObject({ standing: "failed" });
    expect(findings(store)).toEqual([]);
  });
  it("taken back names no end any more; it stays in the register", async () => {
    const store = openStore(":memory:");
    const end = signedEnd(store, "Osla Brandt", 0);
    const { id } = await cleaverChecked(store, BAD);
    expect(endRecord(store, end).tools).toMatchObject([{ standing: "failed" }]);
    takeBackCheck(actOn(store), id);
    expect(endRecord(store, end).tools).toEqual([]);
    expect(cleaver(store)).toMatchObject({ last: null, named: [] });
    expect(codeOf(() => takeBackCheck(actOn(store), id))).toBe("not-found");
    expect(findings(store)).toEqual([]);
  });
  it("changed behind the record's back is found altered", async () => {
    const store = openStore(":memory:");
    await cleaverChecked(store, BAD);
    store.$client.exec("DROP TRIGGER tool_checks_keep_words");
    store.$client.exec(`UPDATE tool_checks SET body = replace(body, '"good":false', '"good":true')`);
    expect(findings(store).length).toBeGreaterThan(0);
  });
  it("against a gauge puts the bias into the instrument in everybody's hand, and into what is read with it", () => {
    const store = openStore(":memory:");
    const calliper = () => instrumentsOf(store, null).find(({ id }) => id === "digital-calliper");
    expect(calliper()?.bias).toBeUndefined();
    gaugeRead(store, 40.08);
    expect(calliper()?.bias).toBe(80);
    const bias = calliper()?.bias;
    const id = endRead(store, "measure");
    const { lengths } = endRecord(store, id);
    const [length] = lengths.filter(({ readings }) => readings.length > 0);
    const { resolution, repeatability } = calliper() ?? {};
    if (!length || !bias || resolution === undefined || repeatability === undefined)
      throw new Error("a length");
    addTo(store, id, {
      ...{ kind: "reading", check: length.id, value: length.nominal, typed: "read", unit: "mm" },
      instrument: { id: "digital-calliper", name: "Digital calliper", resolution, repeatability, bias },
    });
    const now = endRecord(store, id).lengths.find((each) => each.id === length.id);
    expect(now?.u).toBeGreaterThan(Number(length.u));
    expect(now?.u).toBeGreaterThanOrEqual(80);
    gaugeRead(store, 40);
    expect(calliper()?.bias).toBeUndefined();
  });
  it("is stored once by its id; of another tool, unfinished, or of no tool on the list it is refused", () => {
    const store = openStore(":memory:");
    const id = "5b1d7c1e-0000-4000-8000-000000000009";
    const send = (body: object) => checkTool(actOn(store), check(zNewToolCheck, body));
    const first = send({ id, tool: CLEAVER, sights: { answers: GOOD } });
    expect(send({ id, tool: CLEAVER, sights: { answers: GOOD } })).toEqual(first);
    expect(codeOf(() => send({ id, tool: "bench-cleaver", sights: { answers: GOOD } }))).toBe("id-taken");
    expect(codeOf(() => send({ tool: CLEAVER, sights: { answers: { place: "as-counted" } } }))).toBe(
      "bad-input",
    );
    expect(codeOf(() => send({ tool: "spoon", sights: {} }))).toBe("not-found");
  });
});

describe("two callipers of one kind", () => {
  const calliperOf = (store: Store, person: string | null) =>
    instrumentsOf(store, person).find(({ id }) => id === "digital-calliper");
  const read = (store: Store, by: string, mark: string, reading: number) =>
    checkTool(
      { ...actOn(store), actor: by },
      check(zNewToolCheck, {
        ...{ tool: "digital-calliper", mark },
        sights: { gauge: { gauge: 40, readings: [reading] } },
      }),
    );
  const crew = (store: Store) => {
    const [osla = "", teo = ""] = ["Osla Brandt", "Teo Marsh"].map((name) => {
      const people = addPerson(actOn(store), { name });
      return people.find((person) => person.name === name)?.id;
    });
    return { osla, teo };
  };

  it("are each off by what their own check found, in the hand that checked them; in an unknown hand by the most", () => {
    const store = openStore(":memory:");
    const { osla, teo } = crew(store);
    read(store, osla, "1", 40.08);
    read(store, teo, "2", 39.98);
    expect(calliperOf(store, osla)?.bias).toBe(80);
    expect(calliperOf(store, teo)?.bias).toBe(-20);
    expect(calliperOf(store, null)?.bias).toBe(80);
    read(store, teo, "1", 40);
    expect(calliperOf(store, osla)?.bias).toBeUndefined();
    expect(findings(store)).toEqual([]);
  });

  it("stand each for itself: the one that failed names what its own hand made", async () => {
    const store = openStore(":memory:");
    const { osla, teo } = crew(store);
    read(store, osla, "1", 40);
    read(store, teo, "2", 40);
    await later();
    const theirs = signedEnd(store, "Osla Brandt", 0);
    const his = signedEnd(store, "Teo Marsh", 0);
    await later();
    read(store, teo, "2", 40.5);
    const standing = (mark: string) =>
      toolStandings(store, new Date()).find((tool) => tool.id === "digital-calliper" && tool.mark === mark);
    expect(standing("2")?.named.map(({ id }) => id)).toEqual([his]);
    expect(standing("1")).toMatchObject({ named: [], last: { good: true } });
    const stood = (id: string) =>
      endRecord(store, id).tools.find(({ tool }) => tool === "digital-calliper") ?? null;
    expect(stood(his)).toMatchObject({ name: "Digital calliper marked 2", standing: "failed" });
    expect(stood(theirs)).toMatchObject({ name: "Digital calliper marked 1", standing: "good" });
    expect(failedTools(store)).toEqual(["Digital calliper marked 2"]);
    // Replaced, it is in nobody's hand any more.
    read(store, teo, "3", 40);
    expect(failedTools(store)).toEqual([]);
    expect(standing("2")).toMatchObject({ inUse: false, last: { good: false } });
    expect(stood(his)).toMatchObject({ name: "Digital calliper marked 2", standing: "failed" });
  });
});

describe("the list of tools to check", () => {
  it("names instruments, cleavers and strippers that are on the shelf", () => {
    const { toolsToCheck, instruments, tools, meters } = shippedLibrary();
    const on = (all: readonly { readonly id: string }[]) => new Set(all.map(({ id }) => id));
    for (const { id, kind } of toolsToCheck) {
      if (kind === "length") expect(on(instruments)).toContain(id);
      if (kind === "cleaver" || kind === "stripper") expect(on(tools)).toContain(id);
      if (kind === "meter" || kind === "torque") expect(on(meters)).toContain(id);
    }
  });
});
