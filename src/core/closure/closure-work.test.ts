import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { um } from "../length/length";
import { problemOf } from "../problem/check";
import { openJoint } from "../splice/open-joint";
import { zSplicePlan } from "../splice/splice-plan";
import { laidIn, slotAt, slotsFor } from "../tray/tray-set";
import { mustBeAllowed } from "./allowed-events";
import type { ClosureEvent, ClosureRecorded } from "./closure-event";
import { closureWork, redoneSplice } from "./closure-work";
import type { ClosureAtWork, WorkedCable } from "./work-items";

const { cables, entries } = shippedLibrary();
const cableOf = (id: string) => {
  const cable = cables.find((of) => of.id === id);
  if (!cable) throw new Error(`no ${id}`);
  return cable;
};
const entry = entries.find(({ id }) => id === "entry-dome-gel");
if (!entry?.trays) throw new Error("a dome with trays");
const { trays } = entry;
const trunk: WorkedCable = {
  id: "t",
  number: 1,
  name: "Ring",
  cable: cableOf("loose-tube-36"),
  core: "9/125",
  through: true,
  parted: [7],
  prepared: true,
  ports: [],
  tube: null,
};
const drops = [2, 3].map(
  (number): WorkedCable => ({
    id: `d${number}`,
    number,
    name: `Drop ${number}`,
    cable: cableOf("flat-drop"),
    core: "9/125",
    through: false,
    parted: null,
    prepared: true,
    ports: [],
    tube: null,
  }),
);
const [S1, S2] = ["5b1d7c1e-0000-4000-8000-000000000001", "5b1d7c1e-0000-4000-8000-000000000002"] as const;
const plan = zSplicePlan.parse({
  splices: [
    { id: S1, a: { cable: "t", towards: "A", fibre: 7 }, b: { cable: "d2", fibre: 1 }, slot: "1.1" },
    { id: S2, a: { cable: "t", towards: "B", fibre: 7 }, b: { cable: "d3", fibre: 1 }, slot: "1.2" },
  ],
});
const AT: ClosureAtWork = { entry, cables: [trunk, ...drops], plan, light: null, plugs: true };

const recordedAs = (events: readonly ClosureEvent[]): ClosureRecorded[] =>
  events.map((event, i) => ({ id: `e${i}`, n: i + 1, at: "2026-11-25T08:00:00.000Z", by: "Wyn", event }));
const workOf = (events: readonly ClosureEvent[], at = AT) => closureWork(at, recordedAs(events));
const refusal = (events: readonly ClosureEvent[], event: ClosureEvent, at = AT) => {
  try {
    mustBeAllowed(at, recordedAs(events), event);
    return null;
  } catch (error) {
    const problem = problemOf(error);
    return problem && { code: problem.code, message: problem.message };
  }
};
const splice = (id: string, estimateDb = 0.03): ClosureEvent => ({
  kind: "splice",
  splice: id,
  colours: { a: "BL", b: "BL" },
  estimateDb,
});
/** Whatever an item asks for, in order. */
const fulfil = (at: ClosureAtWork, stages: readonly string[]): ClosureEvent[] =>
  closureWork(at, []).items.flatMap(({ id: item, stage, asks, limit }): ClosureEvent[] => {
    if (!stages.includes(stage) || asks === "nothing" || asks === "power") return [];
    if (asks === "gap") return [{ kind: "gap", item, gap: um(limit ?? 0) }];
    if (asks === "radius") return [{ kind: "radius", item, radius: um(limit ?? 0) }];
    if (asks === "torque") return [{ kind: "torque", item, newtonMetres: limit ?? 0 }];
    return [{ kind: "done", item }];
  });
const INSIDE = fulfil(AT, ["before", "cables", "in-place", "fibres", "before-closing"]);
const READY = [...INSIDE, splice(S1), splice(S2)];
const CLOSING = fulfil(AT, ["closing"]);

describe("a closure's work", () => {
  it("goes stage by stage from arrival to the closed cover", () => {
    const passed: (string | null)[] = [];
    const events: ClosureEvent[] = [];
    const order = [
      ...fulfil(AT, ["before", "in-place", "fibres"]),
      splice(S1),
      splice(S2),
      ...fulfil(AT, ["before-closing"]),
      ...CLOSING,
    ];
    for (const event of order) {
      expect(refusal(events, event)).toBeNull();
      events.push(event);
      const { stage } = workOf(events);
      if (stage !== passed.at(-1)) passed.push(stage);
    }
    expect(passed).toEqual(["before", "in-place", "fibres", "splices", "before-closing", "closing", null]);
    expect(workOf(events)).toMatchObject({ closed: true, gated: false });
  });
  it("closes nothing while anything inside is open, whatever the order of events", () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray(READY, { maxLength: READY.length - 1 }),
        fc.constantFrom(...CLOSING),
        (events, closing) => {
          expect(refusal(events, closing)?.code).toBe("gate");
          expect(workOf(events).closed).toBe(false);
        },
      ),
    );
    fc.assert(
      fc.property(fc.shuffledSubarray(READY, { minLength: READY.length }), (events) => {
        const [first] = CLOSING;
        expect(first && refusal(events, first)).toBeNull();
      }),
    );
  });
  it("presses the seal before the cover, and takes a torque only within a tenth", () => {
    const [first, second] = CLOSING;
    if (first?.kind !== "torque" || !second) throw new Error("a seal is pressed first");
    expect(refusal(READY, second)?.message).toMatch(/^This comes first: /);
    const slack = { ...first, newtonMetres: first.newtonMetres * 0.8 };
    expect(workOf([...READY, slack]).open.closing).toBe(CLOSING.length);
    expect(workOf([...READY, first]).open.closing).toBe(CLOSING.length - 1);
  });
  it("takes a stored radius only from its limit on", () => {
    const read = (radius: number) =>
      workOf([{ kind: "radius", item: "stored t", radius: um(radius) }]).items.find(
        ({ id }) => id === "stored t",
      );
    expect(read(entry.radius)?.done).toBe(true);
    expect(read(entry.radius - 1)).toMatchObject({ done: false, reading: entry.radius - 1 });
  });
  it("once closing has begun, changes nothing inside until it is opened again, with a reason; then closes again", () => {
    const events = [...READY, ...CLOSING];
    expect(refusal(events, splice(S1))?.message).toBe(
      "Closing has begun. Open the closure again, with a reason, before anything inside is changed.",
    );
    expect(refusal(READY, { kind: "reopen", reason: "a look" })?.code).toBe("gate");
    const reopened: ClosureEvent[] = [...events, { kind: "reopen", reason: "loss at the gate" }];
    const work = workOf(reopened);
    expect(work).toMatchObject({ closed: false, closing: false, gated: true, stage: "before-closing" });
    expect(work.items.filter(({ stage }) => stage === "fibres").every(({ done }) => done)).toBe(true);
    expect(work.items.filter(({ stage }) => stage === "closing").some(({ done }) => done)).toBe(false);
    expect(refusal(reopened, splice(S1))).toBeNull();
    expect(workOf([...reopened, ...fulfil(AT, ["before-closing"]), ...CLOSING]).closed).toBe(true);
  });
  it.each(entries)(
    "$name: its cover goes on before the cover is tightened, and after the seal is pressed",
    (of) => {
      const closing = closureWork({ ...AT, entry: of }, []).items.flatMap(({ id, stage }) =>
        stage === "closing" ? [id] : [],
      );
      const cover = closing.indexOf("cover");
      for (const [i, { stage }] of of.fasteners.entries()) {
        if (stage === "cover") expect(closing.indexOf(`fasten ${i}`)).toBeGreaterThan(cover);
        if (stage === "seal") expect(closing.indexOf(`fasten ${i}`)).toBeLessThan(cover);
      }
    },
  );
  it("is opened by its reason alone: once closed, nothing of the closing is taken back", () => {
    const events = [...READY, ...CLOSING];
    expect(refusal(events, { kind: "undone", item: "cover" })?.code).toBe("gate");
    expect(refusal(events.slice(0, -1), { kind: "undone", item: "cover" })).toBeNull();
  });
  it("has no fibre cut before it is known to carry no light, nor before what stays whole is stored", () => {
    const cut: ClosureEvent = { kind: "done", item: "cut t" };
    const dark: ClosureEvent = { kind: "done", item: "dark" };
    const stored: ClosureEvent = { kind: "radius", item: "stored t", radius: entry.radius };
    expect(refusal([dark], stored)?.message).toMatch(/^This comes first: Cable 1, Ring: clamped/);
    expect([[], [dark], [stored]].map((events) => refusal(events, cut)?.code)).toEqual([
      "gate",
      "gate",
      "gate",
    ]);
    expect(refusal([dark, stored], cut)).toBeNull();
  });
  it("is clamped only once everything that comes first is done, pressure let out among it, and its own sheet", () => {
    const place: ClosureEvent = { kind: "done", item: "place d2" };
    expect(refusal([], place)?.message).toMatch(/^This comes first: /);
    const before = fulfil(AT, ["before"]);
    expect(refusal(before.slice(0, -1), place)?.code).toBe("gate");
    expect(refusal(before, place)).toBeNull();
    const unprepared = { ...AT, cables: [trunk, ...drops.map((drop) => ({ ...drop, prepared: false }))] };
    expect(refusal(before, place, unprepared)?.code).toBe("gate");
  });
  it("has no tray covered before the last splice is in, nor a splice of a cable that is loose or not cut", () => {
    const covered: ClosureEvent = { kind: "done", item: "covered" };
    expect(refusal([...INSIDE, splice(S1)], covered)?.message).toMatch(/^1 splice is open\./);
    expect(refusal(READY, covered)).toBeNull();
    const without = (item: string) => INSIDE.filter((event) => !("item" in event && event.item === item));
    for (const item of ["place d2", "cut t"]) expect(refusal(without(item), splice(S1))?.code).toBe("gate");
  });
  it("takes a seal's gap between its two limits, both of them in", () => {
    const figure = entry.lengths["seal-gap"];
    if (!figure) throw new Error("a seal with a gap");
    const [least, most] = [figure.nominal - (figure.minus ?? 0), figure.nominal + (figure.plus ?? 0)];
    const isDone = (gap: number) =>
      workOf([{ kind: "gap", item: "gap-widest", gap: um(gap) }]).items.find(({ id }) => id === "gap-widest")
        ?.done;
    expect([least - 1, least, most, most + 1].map(isDone)).toEqual([false, true, true, false]);
  });
  it("waits for each cable's own sheet", () => {
    const at = { ...AT, cables: [trunk, ...drops.map((drop) => ({ ...drop, prepared: drop.number === 2 }))] };
    expect(workOf(READY, at).open.cables).toBe(1);
    expect(refusal(INSIDE, splice(S2), at)?.message).toBe(
      "Drop 3 must be prepared and signed off before its fibres are spliced.",
    );
  });
});

describe("a splice", () => {
  it("is refused with the wrong fibre in hand, saying which it is", () => {
    const wrong: ClosureEvent = {
      kind: "splice",
      splice: S1,
      colours: { a: "OR", b: "BL" },
      estimateDb: 0.02,
    };
    expect(refusal(INSIDE, wrong)).toEqual({
      code: "does-not-fit",
      message: "Ring 2/1 is blue (BL), not OR. Take the right fibre, or correct the plan.",
    });
  });
  it("above its limit is out, takes as much off both sides as a try does, and has one try less", () => {
    const stateAfter = (events: readonly ClosureEvent[]) =>
      workOf(events).splices.find(({ splice: { id } }) => id === S1);
    const [before, failed, again] = [
      stateAfter([]),
      stateAfter([splice(S1, 0.3)]),
      stateAfter([splice(S1, 0.3), splice(S1)]),
    ];
    expect([before?.standing, failed?.standing, again?.standing]).toEqual(["open", "out", "in"]);
    expect([before?.lengths?.a, failed?.lengths?.a, again?.lengths?.a]).toEqual([
      trays.fibre,
      trays.fibre - trays.perTry,
      trays.fibre - trays.perTry,
    ]);
    expect(failed?.triesLeft).toBe((before?.triesLeft ?? 0) - 1);
    expect(again?.triesLeft).toBe(failed?.triesLeft);
    expect(again && redoneSplice(AT, again)?.lengths.b).toBe(trays.fibre - 2 * trays.perTry);
  });
  it("tried with the simulated splicer stays open, keeps its fibre, and keeps the cover off", () => {
    const simulated: ClosureEvent = {
      kind: "splice",
      splice: S1,
      colours: { a: "BL", b: "BL" },
      estimateDb: 0.02,
      splicer: { number: 1, left: 0.4, right: 0.6, simulated: true },
    };
    const events = [...INSIDE, simulated, splice(S2)];
    const [state] = workOf(events).splices;
    expect(state).toMatchObject({
      standing: "open",
      estimates: [],
      lengths: { a: trays.fibre, b: trays.fibre },
    });
    const [first] = CLOSING;
    expect(first && refusal(events, first)?.code).toBe("gate");
    expect(first && refusal([...events, splice(S1)], first)).toBeNull();
  });
  it("tried until its fibre no longer reaches the splicer says so", () => {
    const most = Math.floor((trays.fibre - trays.reach) / trays.perTry);
    const left = (tries: number) =>
      workOf(Array.from({ length: tries }, () => splice(S1, 0.3))).splices.find(
        ({ splice: { id } }) => id === S1,
      )?.triesLeft;
    expect([left(most - 1), left(most), left(most + 1)]).toEqual([1, 0, -1]);
  });
  it("above its limit may stay for a reason, one of the plan may be left out for one; neither keeps the cover off", () => {
    const events: ClosureEvent[] = [
      ...INSIDE,
      splice(S1, 0.2),
      { kind: "accept", splice: S1, reason: "third try, dark spare" },
      { kind: "leave", splice: S2, reason: "drop not there yet" },
    ];
    expect(workOf(events).splices.map(({ standing }) => standing)).toEqual(["accepted", "left"]);
    expect(workOf(events).open.splices).toBe(0);
    expect(refusal(INSIDE, { kind: "accept", splice: S1, reason: "no need" })?.code).toBe("bad-input");
  });
  it("keeps the splices open where the plan leaves a fibre over", () => {
    const at = { ...AT, cables: [{ ...trunk, parted: [7, 8] }, ...drops] };
    expect(workOf(READY, at).open.splices).toBe(2);
  });
});

describe("fibre on the trays of every shipped entry", () => {
  it.each(entries.flatMap(({ id, trays: of }) => (of ? [[id, of] as const] : [])))(
    "%s: a splice lies in each slot as it is prepared, or after what is to be trimmed, and has tries left",
    (_, of) => {
      for (const { id } of of.slots) {
        const laid = laidIn(of, id, { a: of.fibre, b: of.fibre });
        if (!laid) throw new Error(`no slot ${id}`);
        expect(laid.tries).toBeGreaterThanOrEqual(3);
        for (const { trim, perimeter } of [laid.a, laid.b]) {
          expect(trim).not.toBeNull();
          expect(perimeter ?? 0).toBeGreaterThanOrEqual(2 * Math.PI * of.radius - 1);
        }
        // After every try that is left it still lies and reaches the splicer; after one more it does not.
        const laidAfter = (tries: number) => {
          const left = um(of.fibre - tries * of.perTry);
          return laidIn(of, id, { a: left, b: left });
        };
        expect(laidAfter(laid.tries)?.a.trim).not.toBeNull();
        expect(laidAfter(laid.tries)?.b.trim).not.toBeNull();
        const beyond = laidAfter(laid.tries + 1);
        const isTooShort = of.fibre - (laid.tries + 1) * of.perTry < of.reach;
        expect(isTooShort || beyond?.a.trim === null || beyond?.b.trim === null).toBe(true);
      }
    },
  );
  it("keeps the slots that are given, gives every other splice one of its own, and the next tray when one is full", () => {
    const splices = Array.from({ length: 20 }, (_, i) => ({
      id: `F${i}`,
      a: trays.fibre,
      b: trays.fibre,
      ribbon: false,
      slot: i === 3 ? "2.5" : null,
    }));
    const slots = slotsFor(trays, splices);
    expect(slots.get("F3")).toBe("2.5");
    const given = [...slots.values()];
    expect(new Set(given).size).toBe(20);
    expect(given.every((slot) => slot !== null && slotAt(trays, slot))).toBe(true);
    expect(given.filter((slot) => slot?.startsWith("1."))).toHaveLength(12);
  });
});

describe("outputs of an open joint", () => {
  let count = 0;
  const nextId = () => `6c000000-0000-4000-8000-${String(++count).padStart(12, "0")}`;
  const joint = openJoint({
    ...{ cable: "t", fibre: 7, lightFrom: "A", tapPct: 10, excessDb: 0.2, splitExcessDb: 0.4 },
    ...{ labels: ["Cottage 1", "Cottage 2"], nextId },
  });
  const open = {
    ...AT,
    cables: [trunk],
    plan: zSplicePlan.parse(joint),
    light: { expectedDbm: -14.2, leastDbm: -21, mostDbm: -3, joint: null },
  };
  const powers = closureWork(open, []).items.filter(({ asks }) => asks === "power");
  const [first] = powers;
  const read = (dBm: number, simulated = false): ClosureEvent => ({
    ...{ kind: "power", item: first?.id ?? "", dBm, wavelength: 1490, simulated },
  });
  const standing = (...events: ClosureEvent[]) =>
    workOf(events, open).items.find(({ id }) => id === first?.id);

  it("are each labelled and read, with the caution that a port may be live", () => {
    expect(powers).toHaveLength(2);
    for (const { caution } of powers) expect(caution?.text).toMatch(/^Never look/);
    const labels = closureWork(open, []).items.filter(({ id }) => id.startsWith("label "));
    expect(labels.map(({ text }) => text.text)).toEqual([
      "splitter 1:2, output 1: labelled Cottage 1",
      "splitter 1:2, output 2: labelled Cottage 2",
    ]);
  });
  it("are good by their power alone, limits in: too little, too much and a simulated reading leave them open", () => {
    const dones = [-21.01, -21, -14, -3, -2.99].map((dBm) => standing(read(dBm))?.done);
    expect(dones).toEqual([false, true, true, true, false]);
    expect(standing(read(-14), read(-30))).toMatchObject({ done: false, reading: -30 });
    expect(standing(read(-14, true))).toMatchObject({ done: false, reading: null });
  });
  it("are read once all splices are in, and keep the closure open until they are good", () => {
    const before = fulfil(open, ["before", "in-place", "fibres"]);
    expect(refusal(before, read(-14), open)).toMatchObject({ code: "gate" });
    const spliced = [
      ...before,
      ...joint.splices.map(
        ({ id, a, b }): ClosureEvent => ({
          ...{ kind: "splice", splice: id, estimateDb: 0.03 },
          colours: { a: a.cable === "t" ? "BL" : null, b: b.cable === "t" ? "BL" : null },
        }),
      ),
    ];
    expect(refusal(spliced, read(-14), open)).toBeNull();
    const rest = fulfil(open, ["before-closing"]);
    expect(workOf([...spliced, ...rest], open)).toMatchObject({ gated: true });
    const all = powers.map(
      ({ id: item }): ClosureEvent => ({
        ...{ kind: "power", item, dBm: -14 },
        wavelength: 1490,
        simulated: false,
      }),
    );
    expect(workOf([...spliced, ...rest, ...all], open)).toMatchObject({ gated: false });
  });
  it("without anybody having said what their receivers need, no reading makes them good", () => {
    const unplanned = { ...open, light: null };
    const item = closureWork(unplanned, []).items.find(({ id }) => id === first?.id);
    expect(item).toMatchObject({ asks: "nothing", done: false });
    expect(refusal([], read(-14), unplanned)).toMatchObject({ code: "not-found" });
  });
});
