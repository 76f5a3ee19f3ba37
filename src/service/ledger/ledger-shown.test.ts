import { randomUUID } from "node:crypto";
import { describe, expect, it } from "vitest";
import {
  check,
  type EventInput,
  endState,
  judgementOf,
  retriesOffered,
  retryEvent,
  zEvent,
  zLedgerQuery,
} from "@/core";
import { openStore } from "@/store/opening/open";
import { getEnd } from "../end/ends";
import { addTo, endRead, signedEnd } from "../fixtures/made-ends";
import { ledgerShown } from "./ledger";

const shown = (store: ReturnType<typeof openStore>, query: object = {}) =>
  ledgerShown(store, check(zLedgerQuery, query));

/** The first retry that a sheet offers, whatever is seen bad. */
function retryOf(store: ReturnType<typeof openStore>, id: string): EventInput {
  const { sheet } = getEnd(store, id);
  const [retry] = sheet.lines.flatMap(({ step }) => {
    const judgement = judgementOf(step);
    return (judgement?.answers ?? []).flatMap((answer) =>
      retriesOffered(sheet, endState([]), judgement?.id ?? "", answer.id).map((offer) =>
        retryEvent(sheet, offer, judgement?.id ?? "", answer.id),
      ),
    );
  });
  if (!retry) throw new Error("a retry");
  return check(zEvent, retry);
}

describe("the ledger as it is shown", () => {
  it("has of each end the length that came nearest to its limits, and how often it was tried", () => {
    const store = openStore(":memory:");
    const near = signedEnd(store, "Osla Brandt", 400);
    const long = signedEnd(store, "Osla Brandt", 700);
    const again = endRead(store, "measure");
    addTo(store, again, retryOf(store, again), { kind: "sign", name: "Wyn Harrow", outcome: "kept" });
    const { rows, details } = shown(store);
    const of = (id: string) => details[rows.findIndex((row) => row.id === id)];
    expect(of(near)?.nearest).toMatchObject({ name: "cleave length", verdict: "in" });
    expect(of(near)?.nearest?.spare).toBeGreaterThan(0);
    expect(of(long)?.nearest?.spare).toBeLessThan(0);
    expect([of(near)?.tries, of(again)?.tries]).toEqual([1, 2]);
    expect(details.every(({ loss }) => loss === null)).toBe(true);
  });
  it("sums all ends of the query, on this page or not, and leaves out what was begun by mistake", () => {
    const store = openStore(":memory:");
    for (let i = 0; i < 63; i++) signedEnd(store, "Osla Brandt", 0);
    const lost = endRead(store, "measure");
    addTo(store, lost, { kind: "sign", name: "Wyn Harrow", outcome: "cut-off" });
    const gone = endRead(store, "measure");
    addTo(store, gone, { kind: "sign", name: "Wyn Harrow", outcome: "discarded" });
    const { rows, sum } = shown(store);
    expect(rows).toHaveLength(60);
    expect(sum).toMatchObject({ ends: 64, results: { "cut-off": 1 }, inAgain: 0 });
    expect(Object.values(sum.results).reduce((all, each) => all + each, 0)).toBe(64);
    expect(shown(store, { result: "cut-off" }).sum.ends).toBe(1);
  });
  it("draws the last day with an end, or the one asked for, a row a person; and names the days beside it", () => {
    const store = openStore(":memory:");
    expect(shown(store).day).toBeNull();
    signedEnd(store, "Osla Brandt", 0);
    signedEnd(store, "Wyn Harrow", 0);
    const today = new Date().toISOString().slice(0, 10);
    const { day } = shown(store);
    expect(day).toMatchObject({ day: today, before: null, after: null, more: 0 });
    expect(day?.people.map(({ name, ends }) => [name, ends.length])).toEqual([
      ["Osla Brandt", 1],
      ["Wyn Harrow", 1],
    ]);
    const past = shown(store, { from: "2026-01-01", to: "2026-01-01" });
    expect([past.rows.length, past.day?.after, past.day?.people]).toEqual([0, today, []]);
  });
  it("has the loss nearest to its limit of an end with light read", () => {
    const store = openStore(":memory:");
    const id = endRead(store, "measure");
    const read = (wavelength: 1310 | 1550, dBm: number) => ({
      ...{ kind: "light" as const, read: "2026-11-30T09:00:00.000Z", from: "here" as const, matings: 0 },
      reference: {
        ...{ taken: "2026-11-30T08:00:00.000Z", wavelength, source: "Hall 2", cord: randomUUID() },
        ...{ dBm: [-20], celsius: 14 },
      },
      meter: { id: "m", name: "Meter", resolution: 0.01, repeatability: 0.02, mating: 0.05 },
      ...{ dBm: [dBm], limitDb: 0.75, limitFrom: "ANSI/TIA-568.3", tried: "first" as const, celsius: 14 },
    });
    addTo(store, id, read(1310, -20.3), read(1550, -20.5), {
      kind: "sign",
      name: "Osla Brandt",
      outcome: "kept",
    });
    expect(shown(store).details[0]?.loss).toMatchObject({ limit: 0.75 });
    expect(shown(store).details[0]?.loss?.loss).toBeCloseTo(0.5, 6);
  });
});
