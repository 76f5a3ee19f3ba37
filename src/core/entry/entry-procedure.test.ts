import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import dome from "../../../library/entries/dome-gel.json";
import words from "../../../library/entry-sheet.json";
import goingWords from "../../../library/through-sheet.json";
import { advise } from "../advice/advise";
import { andThen, CALLIPER } from "../advice/fixtures/ends";
import { mustFollow, reworkEvent } from "../advice/take";
import type { Cable } from "../cable/cable";
import { midSpanOf, OPENING_SIDES } from "../cable/mid-span";
import { endDrawing } from "../drawing/end";
import type { EndState } from "../end/end-state";
import { standings } from "../end/result";
import { endState } from "../end/state";
import { type EventInput, zStoredEvent } from "../event/event";
import { um } from "../length/length";
import { check, problemOf } from "../problem/check";
import { mustHoldAt } from "../problem/held";
import { misfits } from "../procedure/fit";
import { type Procedure, zProcedure } from "../procedure/procedure";
import { compileRunSheet } from "../runsheet/compile";
import type { RunSheet } from "../runsheet/document";
import { isMidRun } from "../runsheet/runsheet";
import { type Entry, type EntryDocument, zEntry } from "./entry";
import { entryProcedure, throughId, throughProcedure, zEntrySheet } from "./entry-procedure";
import { sheathWindow } from "./window";

const { cables, entries, tools, procedures } = shippedLibrary();
const sheetWords = check(zEntrySheet, words);
const entryOf = (id: string): Entry =>
  mustHoldAt(
    entries.filter((entry) => entry.id === id),
    0,
  );
const built = (entry: Entry): Procedure => check(zProcedure, entryProcedure(entry, sheetWords));
const cableOf = (id: string): Cable =>
  mustHoldAt(
    cables.filter((cable) => cable.id === id),
    0,
  );
const sheetOf = (procedure: Procedure, cable: Cable): RunSheet =>
  compileRunSheet({ procedure, cable, core: "9/125", choices: {}, tools });
const limit = (sheet: RunSheet, id: string) => sheet.limits.find(({ dimension }) => dimension === id);
const withLengths = (lengths: Partial<EntryDocument["lengths"]>): Entry =>
  check(zEntry, { ...dome, lengths: { ...dome.lengths, ...lengths } });

/** An end with everything done up to where all is measured, and some lengths read. */
const stateOf = (sheet: RunSheet, readings: readonly { readonly check: string; readonly mm: number }[]) => {
  const events: EventInput[] = [
    ...sheet.parts.map((part): EventInput => ({ kind: "thread", part: part.id, on: true })),
    { kind: "step", to: sheet.lines.findIndex(({ step }) => step.id === "look") },
    ...readings.map(
      ({ check: id, mm }): EventInput => ({
        kind: "reading",
        check: id,
        value: mm * 1000,
        typed: String(mm),
        unit: "mm",
        instrument: CALLIPER,
      }),
    ),
  ];
  return endState(
    events.map((event, i) => ({
      id: `e${i}`,
      seq: i,
      at: "2026-11-26T10:00:00.000Z",
      by: null,
      client: "x",
      event: zStoredEvent.parse(event),
    })),
  );
};

describe("every shipped entry", () => {
  it("is one of each kind, and comes to a procedure that goes on every cable some port takes", () => {
    expect(new Set(entries.map(({ kind }) => kind)).size).toBe(5);
    for (const entry of entries)
      for (const cable of cables.filter(({ construction }) => entry.takes.includes(construction))) {
        const { diameter } = mustHoldAt(cable.layers, 0);
        const taken = entry.ports.some(({ bushedMin, max }) => bushedMin <= diameter && diameter <= max);
        expect([entry.id, cable.id, misfits(built(entry), cable).length === 0]).toEqual([
          entry.id,
          cable.id,
          taken,
        ]);
      }
  });
  it("puts no edge in front of one it must lie behind: stubs, armour and tubes stand out of the sheath", () => {
    for (const { id } of entries)
      for (const cable of cables) {
        const procedure = mustHoldAt(
          procedures.filter((procedure) => procedure.id === id),
          0,
        );
        if (misfits(procedure, cable, "9/125").length > 0) continue;
        const { features } = sheetOf(procedure, cable);
        const at = (feature: string) =>
          features.find((sheetFeature) => sheetFeature.id === feature)?.position;
        const sheath = at("sheath-edge") ?? um(0);
        for (const edge of [
          "armour-edge",
          "inner-edge",
          "yarn-end",
          "member-end",
          "ripcord-end",
          "tube-edge",
        ]) {
          const place = at(edge);
          if (place === undefined) continue;
          expect(place).toBeGreaterThan(0);
          expect(place).toBeLessThan(sheath);
        }
        const [armour, ripcord] = [at("armour-edge"), at("ripcord-end")];
        if (armour !== undefined && ripcord !== undefined) expect(ripcord).toBeLessThan(armour);
      }
  });
  it("asks for cautions where work can hurt: pressure, blades, the bond, live light, shards", () => {
    for (const entry of entries) {
      const { steps } = built(entry);
      const beside = (caution: string) => steps.filter(({ cautions }) => cautions.includes(caution));
      expect(beside("pressure").map(({ id }) => id)).toEqual(entry.relief ? ["relief"] : []);
      for (const caution of ["blades", "bond", "live-light", "shards", "access"])
        expect([entry.id, caution, beside(caution).length > 0]).toEqual([entry.id, caution, true]);
    }
  });
  it("photographs the inside and looks at plugs before the cover, and tightens in its stated order", () => {
    for (const entry of entries) {
      const { steps } = built(entry);
      const place = (id: string) => steps.findIndex((step) => step.id === id);
      expect(place("photographed")).toBeLessThan(place("cover"));
      expect(place("plugs")).toBeLessThan(place("cover"));
      const stage = (at: string) =>
        entry.fasteners.filter(({ stage = "cable" }) => stage === at).map(({ title }) => title);
      const tightened = steps.filter(({ id }) => /^(fasten|press|close)(-|$)/.test(id));
      expect(tightened.map(({ title }) => title)).toEqual([
        ...stage("cable"),
        ...stage("seal"),
        ...stage("cover"),
      ]);
      // What presses the seal is slack while the cables go in, and tight once the plugs are.
      if (stage("seal").length > 0) {
        expect(place("slack")).toBeLessThan(place("fit"));
        expect(place("press")).toBeGreaterThan(place("plugs"));
        expect(place("measure-gap")).toBeGreaterThan(place("press"));
      }
      if (stage("cover").length > 0) expect(place("close")).toBeGreaterThan(place("cover"));
    }
  });
});

describe("lengths of an entry by the cable that goes in", () => {
  it("hold practitioners' figures as they state them, in inches", () => {
    // Common practice, no source: rigid members 2 to 2 1/4 in, ripcord 1 in past the armour, seal gap 0.1 to 1 mm.
    const entry = withLengths({
      members: { nominal: 53.975, plus: 3.175, minus: 3.175 },
      tails: { nominal: 25.4, plus: 5, minus: 5 },
      "seal-gap": { nominal: 0.55, plus: 0.45, minus: 0.45 },
    });
    const sheet = sheetOf(built(entry), cableOf("armoured-ribbon-96"));
    expect(limit(sheet, "members")).toMatchObject({ min: um(50_800), max: um(57_150) });
    expect(limit(sheet, "tails")).toMatchObject({
      from: "ripcord-end",
      to: "armour-edge",
      nominal: um(25_400),
    });
    expect(limit(sheet, "seal-gap")).toMatchObject({ min: um(100), max: um(1_000) });
  });
  it("put tape and a bushing on below half an inch, and none above", () => {
    // Common practice, no source: a bushing below 1/2 in of diameter.
    const bushing = mustHoldAt(
      dome.parts.filter(({ id }) => id === "bushing"),
      0,
    );
    const entry = check(zEntry, {
      ...dome,
      parts: [
        {
          ...bushing,
          bushes: undefined,
          when: { layer: { kind: "jacket", diameter: { min: 0.1, max: 12.699 } } },
        },
      ],
    });
    const parts = (cable: string) => sheetOf(built(entry), cableOf(cable)).parts.map(({ id }) => id);
    expect(parts("loose-tube-36")).toEqual(["bushing"]);
    expect(parts("central-tube-ribbon-96")).toEqual([]);
  });
  it("put a bushing on for the ports that take the cable with one alone, each range of ports by itself", () => {
    const procedure = built(entryOf("entry-dome-gel"));
    const on = (diameter: number) => {
      const drop = cableOf("flat-drop");
      const [outer] = drop.layers;
      const cable = {
        ...drop,
        layers: drop.layers.map((layer) => (layer === outer ? { ...layer, diameter: um(diameter) } : layer)),
      };
      return misfits(procedure, cable).length > 0
        ? null
        : sheetOf(procedure, cable)
            .parts.filter(({ id }) => id.startsWith("bushing"))
            .map(({ name }) => name);
    };
    // The dome's drop ports take 3.4 to 8.2 mm as they are and 2.6 with a bushing; branches 8.4 and 5.2; the large 10.5 and 7.2.
    expect(on(2_590)).toBeNull();
    expect(on(2_600)).toEqual(["bushing for port 5, 6, 7 or 8"]);
    expect(on(3_400)).toEqual([]);
    expect(on(7_200)).toEqual(["bushing for port 1 or 2", "bushing for port 3 or 4"]);
    expect(on(8_400)).toEqual(["bushing for port 1 or 2"]);
    expect(on(10_500)).toEqual([]);
  });
  it("refuse a diameter between what two ranges of ports take, and a cable in mid-run of a kind the entry does not take", () => {
    const pole = entryOf("entry-pedestal");
    const procedure = built(pole);
    expect(procedure.appliesTo.jackets).toHaveLength(2);
    const thick = (diameter: number) => {
      const cable = cableOf("loose-tube-36");
      const [outer] = cable.layers;
      return misfits(procedure, {
        ...cable,
        layers: cable.layers.map((layer) => (layer === outer ? { ...layer, diameter: um(diameter) } : layer)),
      }).map(({ about }) => about);
    };
    expect([thick(8_600), thick(8_800), thick(9_000)]).toEqual([[], ["jacket"], []]);
    const through = check(zProcedure, throughProcedure(pole, check(zEntrySheet, goingWords)));
    expect(misfits(through, midSpanOf(cableOf("loose-tube-36")))).toEqual([]);
    expect(
      misfits(through, midSpanOf(cableOf("central-tube-ribbon-96"))).map(({ about }) => about),
    ).toContain("construction");
  });
  it("store as many turns as there is room for, and no more than the storage takes", () => {
    const report = (id: string, cable: string) => {
      const line = sheetOf(built(entryOf(id)), cableOf(cable)).lines.find(({ step }) => step.id === "store");
      return /(\d.*? turns?)/.exec(line?.step.how ?? "")?.[1];
    };
    // (1 480 − 12 − 165) / 610 = 2.1; (920 − 10 − 165) / 610 = 1.2; (1 240 − 15 − 260) / 720 = 1.3.
    expect(report("entry-dome-gel", "loose-tube-36")).toBe("2 turns");
    expect(report("entry-dome-gel", "flat-drop")).toBe("1 turn");
    expect(report("entry-pedestal", "loose-tube-36")).toBe("1 turn");
  });
  it("follow what the cable has: nothing is asked of armour, members or tubes that are not there", () => {
    const procedure = built(
      mustHoldAt(
        entries.filter(({ id }) => id === "entry-dome-gel"),
        0,
      ),
    );
    const questionOf = (cable: string) =>
      sheetOf(procedure, cableOf(cable))
        .checks.map(({ dimension }) => dimension)
        .sort();
    expect(questionOf("flat-drop")).toEqual(["members", "opening", "seal-gap", "seal-gap-least"]);
    expect(questionOf("loose-tube-36")).toEqual([
      "members",
      "opening",
      "ripcords",
      "seal-gap",
      "seal-gap-least",
      "tube",
      "yarn",
    ]);
    expect(questionOf("armoured-loose-tube-double")).toEqual(
      ["armour", "inner", "members", "opening", "seal-gap", "seal-gap-least", "tails", "tube", "yarn"].sort(),
    );
    const opening = (cable: string) => limit(sheetOf(procedure, cableOf(cable)), "opening")?.nominal;
    expect([opening("loose-tube-36"), opening("armoured-ribbon-96"), opening("flat-drop")]).toEqual([
      um(1_480_000),
      um(1_620_000),
      um(920_000),
    ]);
  });
  it("set the blade to three quarters of the wall that is there, ripcords spared", () => {
    const procedure = built(
      mustHoldAt(
        entries.filter(({ id }) => id === "entry-dome-gel"),
        0,
      ),
    );
    const depth = (cable: string) =>
      sheetOf(procedure, cableOf(cable)).lines.find(({ step }) => step.id === "sheath-off")?.step.setting;
    // 16.0 over 11.2 of steel is a wall of 2.4; 12.8 over 8.2 of tape one of 2.3, with 0.8 of ripcord in it.
    expect(depth("armoured-ribbon-96")).toEqual({ kind: "depth", depth: um(1_800) });
    expect(depth("central-tube-ribbon-96")).toEqual({ kind: "depth", depth: um(1_100) });
  });
});

describe("a member stub out of its range", () => {
  const sheet = sheetOf(
    mustHoldAt(
      procedures.filter(({ id }) => id === "entry-dome-gel"),
      0,
    ),
    cableOf("armoured-ribbon-96"),
  );
  const advised = (mm: number) => {
    const [members] = sheet.checks.filter(({ dimension }) => dimension === "members");
    return advise(sheet, stateOf(sheet, [{ check: members?.id ?? "", mm }]), { kind: "simple" });
  };
  it("too long is cut back, and no cable is lost by it", () => {
    const [advice] = advised(56);
    if (advice?.kind !== "rework") throw new Error("it can be cut");
    const { moves, cableLost } = reworkEvent(advice, "least");
    expect(moves.map(({ feature }) => feature)).toEqual(["member-end"]);
    expect(cableLost).toBe(0);
  });
  it("too short opens more sheath, and all that is told from its edge moves with it", () => {
    const [advice] = advised(39);
    if (advice?.kind !== "rework") throw new Error("it can be opened further");
    const moved = reworkEvent(advice, "least").moves.map(({ feature }) => feature);
    expect(moved).toContain("sheath-edge");
    expect(moved).not.toContain("member-end");
  });
});

describe("a cable that goes through", () => {
  const going = entries.flatMap((entry) => {
    const procedure = procedures.find(({ id }) => id === throughId(entry.id));
    return procedure ? [{ entry, procedure }] : [];
  });
  const sheets = going.flatMap(({ entry, procedure }) =>
    cables
      .filter((cable) => misfits(procedure, cable, "9/125").length === 0)
      .map((cable) => ({ entry, sheet: sheetOf(procedure, cable) })),
  );
  const reads = (sheet: RunSheet, of: readonly { leg: string; dimension: string; mm: number }[]) =>
    stateOf(
      sheet,
      of.map(({ leg, dimension, mm }) => ({
        check: mustHoldAt(
          sheet.checks.filter((check) => check.leg === leg && check.dimension === dimension),
          0,
        ).id,
        mm,
      })),
    );
  it("is worked from a centre mark to both sides, each read by itself; none of it is taken up", () => {
    expect(going.length).toBe(4);
    expect(sheets.length).toBeGreaterThan(15);
    for (const { sheet } of sheets) {
      expect(isMidRun(sheet)).toBe(true);
      expect(sheet.uses).toEqual({ prepared: 0, cutOff: 0, retry: 0 });
      const [a, b] = OPENING_SIDES.map((side) =>
        sheet.checks.filter(({ leg }) => leg === side).map(({ dimension, nominal }) => [dimension, nominal]),
      );
      // What is asked of one side is asked of the other: with the sides changed about it is the same sheet.
      expect(a).toEqual(b);
      expect(a?.length).toBeGreaterThan(3);
    }
  });
  it("is opened far enough for what its entry stores, and its tubes are not cut", () => {
    for (const { entry, sheet } of sheets) {
      const { storage, reach, radius } = entry;
      const { opening } = sheathWindow({
        entryPaths: storage.paths,
        turns: storage.turns.min,
        perimeter: storage.perimeter,
        cutAt: "middle",
        reach,
        bendRadius: radius,
      });
      expect(2 * (limit(sheet, "half")?.nominal ?? 0)).toBeGreaterThanOrEqual(opening);
      const bared = sheet.lines.flatMap(({ bares }) => bares.map(({ layer }) => layer));
      for (const saved of ["tube", "ribbon", "coating", "glass"]) expect(bared).not.toContain(saved);
    }
  });
  it("has more sheath opened on the side whose stub is short, and nothing done on the other", () => {
    for (const { sheet } of sheets) {
      const stub = limit(sheet, "members");
      if (!stub || stub.min === null) continue;
      const state = reads(sheet, [{ leg: "A", dimension: "members", mm: stub.min / 1000 - 2 }]);
      const all = advise(sheet, state, { kind: "simple" });
      expect(all.map(({ leg }) => leg)).toEqual(["A"]);
      const [advice] = all;
      if (advice?.kind !== "rework") throw new Error(`${advice?.kind}: it can be opened further`);
      const { moves: moved, cableLost } = reworkEvent(advice, "least");
      // The cable goes on: opening it further takes none of it.
      expect([cableLost, advice.least.cableLost, advice.recommended.cableLost]).toEqual([0, 0, 0]);
      expect(moved.map(({ feature }) => feature)).toContain("sheath-edge");
      for (const { feature, was, now } of moved)
        if (feature.endsWith("edge") && was !== null) expect(now).toBeGreaterThanOrEqual(was);
    }
  });
  it("cannot be mended where it is opened too far: the centre mark is where it is, and no sheath is put back", () => {
    const [{ sheet } = mustHoldAt(sheets, 0)] = sheets;
    const half = limit(sheet, "half");
    const state = reads(sheet, [{ leg: "B", dimension: "half", mm: (half?.max ?? 0) / 1000 + 3 }]);
    const [advice] = advise(sheet, state, { kind: "simple" });
    expect(advice).toMatchObject({ kind: "start-over", leg: "B", why: "held", again: null });
    expect(advice?.carryOn[0]?.means).toMatch(/store a turn more/);
  });
  describe("the opening, which its two sides make together", () => {
    const [{ sheet } = mustHoldAt(sheets, 0)] = sheets.filter(
      ({ sheet: runSheet }) => limit(runSheet, "members")?.min,
    );
    const half = limit(sheet, "half");
    const [least, figure] = [(half?.min ?? 0) / 1000, (half?.nominal ?? 0) / 1000];
    const sides = (
      a: number,
      b: number,
      more: readonly { leg: string; dimension: string; mm: number }[] = [],
    ) =>
      reads(sheet, [{ leg: "A", dimension: "half", mm: a }, { leg: "B", dimension: "half", mm: b }, ...more]);
    const verdicts = (state: EndState) =>
      standings(sheet, state, { kind: "simple" })
        .filter(({ check, judged }) => check.dimension === "half" && judged)
        .map(({ judged }) => judged?.verdict);
    const report = (state: EndState) => advise(sheet, state, { kind: "simple" });

    it("is long enough where one side has over what the other is short of, and not a hair less", () => {
      fc.assert(
        fc.property(
          fc.integer({ min: -30_000, max: 30_000 }),
          fc.integer({ min: -30_000, max: 30_000 }),
          (a, b) => {
            const [first, two] = [figure + a / 1000, figure + b / 1000];
            const whole = a + b;
            const inside =
              whole >= 2 * ((half?.min ?? 0) - (half?.nominal ?? 0)) &&
              (half?.max == null || whole <= 2 * (half.max - (half?.nominal ?? 0)));
            const said = inside ? "in" : "out";
            expect(verdicts(sides(first, two))).toEqual([said, said]);
          },
        ),
      );
    });
    it("is judged by what this side has alone until the other is read", () => {
      const endState = reads(sheet, [{ leg: "A", dimension: "half", mm: least - 1 }]);
      expect(verdicts(endState)).toEqual(["out"]);
      expect(report(endState).map(({ leg, orAt }) => [leg, orAt])).toEqual([["A", null]]);
    });
    it("too short, can be opened further on either side: both are told, each with its cost, and either mends it", () => {
      const state = sides(least - 4, least);
      const both = report(state);
      expect(both.map(({ kind, leg, orAt }) => [kind, leg, orAt])).toEqual([
        ["rework", "A", "B"],
        ["rework", "B", "A"],
      ]);
      for (const advice of both) {
        if (advice.kind !== "rework") throw new Error("it can be opened further");
        const event = reworkEvent(advice, "least");
        expect(() => mustFollow(sheet, state, { kind: "simple" }, event)).not.toThrow();
        const after = andThen(state, event, { kind: "step", to: event.back });
        // As the rework leaves it, the side it was done on counts before it is read again: nothing is out on the other.
        expect(report(after)).toEqual([]);
        const standing = standings(sheet, after, { kind: "simple" }).find(
          ({ check, judged }) => check.dimension === "half" && judged,
        );
        expect(standing?.judged?.verdict).toBe("in");
        expect(standing?.other?.leg).toBe(advice.leg);
      }
    });
    it("is met first where something is to be opened further anyway", () => {
      const stub = (leg: string) => ({
        leg,
        dimension: "members",
        mm: (limit(sheet, "members")?.min ?? 0) / 1000 - 2,
      });
      for (const leg of OPENING_SIDES)
        expect(report(sides(least - 4, least, [stub(leg)])).map((endAdvice) => endAdvice.leg)).toEqual(
          leg === "A" ? ["A", "B"] : ["B", "A"],
        );
    });
    it("opened too far is made good by neither", () => {
      const most = (half?.max ?? 0) / 1000;
      expect(report(sides(most + 3, most)).map(({ kind, orAt }) => [kind, orAt])).toEqual([
        ["start-over", null],
        ["start-over", null],
      ]);
    });
  });
  it("lies on its band to both sides of 0", () => {
    for (const { sheet } of sheets) {
      const { midRun, stretches, layers } = endDrawing(sheet, sheet.lines.length);
      expect(midRun).toBe(true);
      expect(mustHoldAt(stretches, 0).from).toBe(-mustHoldAt(stretches, stretches.length - 1).to);
      expect(layers.find(({ kind }) => kind === "jacket")?.from).toBe(limit(sheet, "half")?.nominal);
      expect(layers.find(({ kind }) => kind === "tube")?.from).toBe(0);
    }
  });
});

describe("an entry that cannot be", () => {
  const refused = (changed: object) => {
    try {
      check(zEntry, { ...dome, ...changed });
      return null;
    } catch (error) {
      return problemOf(error)?.code;
    }
  };
  it.each<[string, object, string]>([
    ["a port beyond its face", { ports: [{ ...mustHoldAt(dome.ports, 2), x: 400 }] }, "limit"],
    ["half a pair", { ports: dome.ports.slice(1) }, "bad-input"],
    ["no opening", { lengths: { members: dome.lengths.members } }, "no-figure"],
    ["turns tighter than what is stored", { radius: 120 }, "bend"],
    ["a negative radius", { radius: -1 }, "negative"],
    ["a kind nobody knows", { kind: "box" }, "bad-input"],
    ["a length that no entry has", { lengths: { ...dome.lengths, other: { nominal: 1 } } }, "unknown-field"],
  ])("is refused: %s", (_, changed, code) => {
    expect(refused(changed)).toBe(code);
  });
});
