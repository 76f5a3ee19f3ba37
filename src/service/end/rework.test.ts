import { randomUUID } from "node:crypto";
import { beforeEach, describe, expect, it } from "vitest";
import {
  advise,
  check,
  endState,
  personNamed,
  resultOf,
  reworkEvent,
  zAimQuery,
  zNewPerson,
  zStudy,
} from "@/core";
import { readingsOf } from "@/core/advice/fixtures/ends";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { actOn } from "../act";
import { addPerson, people } from "../crew/people";
import { codeOf } from "../fixtures/code-of";
import { addTo, endRead, signedEnd } from "../fixtures/made-ends";
import { aimsOf } from "../workshop/aims";
import { addStudy, instrumentsOf, listStudies } from "../workshop/studies";
import { getEnd } from "./ends";
import { endRecord, recordJson } from "./record";

let store: Store;
beforeEach(() => {
  store = openStore(":memory:");
});
const now = (id: string) => {
  const end = getEnd(store, id);
  return { ...end, state: endState(end.events) };
};
function advice(id: string) {
  const { sheet, state, rule } = now(id);
  const [eachAdvice] = advise(sheet, state, rule);
  if (eachAdvice?.kind !== "rework") throw new Error("it can be saved");
  return eachAdvice;
}

describe("a rework taken from the advice", () => {
  it("is stored, walked and read again until the end is in, every attempt on record", () => {
    const id = endRead(store, "measure", { "glass-end": 1300 });
    const event = reworkEvent(advice(id), "recommended");
    addTo(store, id, { kind: "spare", length: 300_000 }, event);
    const { sheet, state } = now(id);
    expect(state.at).toBe(event.to);
    const off = Object.fromEntries(
      sheet.features.map(({ id: feature, position }) => [
        feature,
        (event.places[feature] ?? position) - position,
      ]),
    );
    addTo(
      store,
      id,
      ...event.steps.slice(1).map((to) => ({ kind: "step", to }) as const),
      { kind: "step", to: event.back },
      ...readingsOf(sheet, off, { upTo: event.back, only: ["cleave", "witness"] }),
    );
    const reworked = now(id);
    expect(resultOf(reworked.sheet, { ...reworked.state, answers: {} }, reworked.rule)).not.toBe("out");
    expect(advise(reworked.sheet, reworked.state, reworked.rule)).toEqual([]);
    const record = recordJson(endRecord(store, id));
    expect(record.reworks).toMatchObject([
      { plan: "recommended", cableLost: event.cableLost / 1000, rule: "recleave" },
    ]);
    expect(record.voided).toHaveLength(2);
    expect(record.cable).toMatchObject({
      lost: event.cableLost / 1000,
      left: (300_000 - event.cableLost) / 1000,
    });
  });
  it("made up, or from figures that have changed since, is refused and changes nothing", () => {
    const id = endRead(store, "measure", { "glass-end": 1300 });
    const event = reworkEvent(advice(id), "least");
    const before = getEnd(store, id).events.length;
    expect(codeOf(() => addTo(store, id, { ...event, cableLost: 0 }))).toBe("wrong-rework");
    expect(getEnd(store, id).events).toHaveLength(before);
    addTo(store, id, ...readingsOf(now(id).sheet, { "glass-end": 2000 }, { only: ["cleave"] }));
    expect(codeOf(() => addTo(store, id, event))).toBe("wrong-rework");
  });
});

describe("a correction", () => {
  const correction = (corrects: string) =>
    ({ kind: "correction", corrects, says: "8.6", why: "misread the dial", name: "Osla Brandt" }) as const;
  it("comes after the sign-off, says what it corrects, and leaves event, verdicts and result as they were", () => {
    const id = signedEnd(store, "Wyn Harrow", 0);
    const before = getEnd(store, id);
    const read = before.events.find(({ event }) => event.kind === "reading");
    addTo(store, id, correction(read?.id as string));
    const after = getEnd(store, id);
    expect(after.events.slice(0, -1)).toEqual(before.events);
    expect(after.verdicts).toEqual(before.verdicts);
    expect(endRecord(store, after.id).corrections).toMatchObject([
      { corrects: read?.id, says: "8.6", name: "Osla Brandt" },
    ]);
  });
  it("of an event of another end, or of none, is refused; so is anything else after the sign-off", () => {
    const id = signedEnd(store, "Wyn Harrow", 0);
    const other = getEnd(store, signedEnd(store, "Wyn Harrow", 0)).events[0]?.id as string;
    expect(codeOf(() => addTo(store, id, correction(other)))).toBe("unknown-event");
    expect(codeOf(() => addTo(store, id, correction(randomUUID())))).toBe("unknown-event");
    expect(codeOf(() => addTo(store, id, { kind: "spare", length: 1 }))).toBe("signed");
  });
});

/** Who goes by a name: found, or come now. */
const come = (store: Store, name: string): string =>
  (
    personNamed(people(store), name) ??
    addPerson(actOn(store), check(zNewPerson, { name })).find((person) => person.name === name)
  )?.id ?? "";

describe("a repeatability study", () => {
  const ten = [9.52, 9.5, 9.51, 9.49, 9.53, 9.5, 9.48, 9.51, 9.52, 9.5];
  it("is kept and used from then on for that person and instrument, and for nobody else", () => {
    const wyn = come(store, "Wyn Harrow");
    const study = addStudy(
      actOn(store),
      check(zStudy, { person: wyn, instrument: "digital-calliper", readings: ten }),
    );
    expect(study.repeatability).toBe(16);
    const own = (person: string) =>
      instrumentsOf(store, person).find(({ id }) => id === "digital-calliper")?.repeatability;
    expect(own(wyn)).toBe(16);
    expect(own(come(store, "Osla Brandt"))).not.toBe(16);
    addStudy(
      actOn(store, new Date(Date.now() + 1000)),
      check(zStudy, {
        person: wyn,
        instrument: "digital-calliper",
        readings: ten.map((value, i) => value + (i % 2) / 10),
      }),
    );
    expect(own(wyn)).toBeGreaterThan(40);
    expect(listStudies(store)).toHaveLength(2);
  });
  it("asked for twice with one id is kept once; an unknown instrument is refused", () => {
    const study = { id: randomUUID(), person: come(store, "Wyn"), instrument: "steel-rule", readings: ten };
    addStudy(actOn(store), check(zStudy, study));
    addStudy(actOn(store), check(zStudy, study));
    expect(listStudies(store)).toHaveLength(1);
    expect(
      codeOf(() => addStudy(actOn(store), check(zStudy, { ...study, id: randomUUID(), instrument: "tape" }))),
    ).toBe("unknown-instrument");
  });
});

describe("a person's aim", () => {
  it("comes from the first readings of the ends they signed: 0.3 long is 0.3 long, and nobody else's", () => {
    for (let i = 0; i < 9; i++) signedEnd(store, "Wyn Harrow", 300 + (i % 3) * 40 - 40);
    for (let i = 0; i < 9; i++) signedEnd(store, "Osla Brandt", 0);
    const aim = aimsOf(store, check(zAimQuery, { person: come(store, "Wyn Harrow") })).find(
      ({ dimension }) => dimension === "cleave",
    );
    expect(aim).toMatchObject({
      n: 9,
      tool: "template-cleaver",
      makes: "glass-end",
      nominal: 8_600,
      set: 8_300,
    });
    expect(aim?.bias).toBeCloseTo(300, 6);
    expect(
      aimsOf(store, check(zAimQuery, { person: come(store, "Osla Brandt") })).find(
        ({ dimension }) => dimension === "cleave",
      )?.set,
    ).toBeNull();
  });
  it("is not told by what was made after a rework, nor for a person without a name", () => {
    for (let i = 0; i < 8; i++) {
      const id = endRead(store, "measure", { "glass-end": 1300 });
      addTo(store, id, reworkEvent(advice(id), "recommended"));
      const { sheet, state } = now(id);
      addTo(store, id, ...readingsOf(sheet, {}, { upTo: state.reached, only: ["cleave"] }), {
        kind: "sign",
        name: "Wyn Harrow",
        outcome: "kept",
      });
    }
    const aim = aimsOf(store, check(zAimQuery, { person: come(store, "Wyn Harrow") })).find(
      ({ dimension }) => dimension === "cleave",
    );
    expect(aim?.bias).toBeCloseTo(-1300, 6);
    expect(codeOf(() => aimsOf(store, check(zAimQuery, { person: " " })))).not.toBe("taken");
  });
});
