import { randomUUID } from "node:crypto";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  type ClosureCable,
  compileRunSheet,
  mustHold,
  mustHoldAt,
  openingIn,
  openingOf,
  preparedRows,
  problemOf,
  type RunSheet,
  sheathWindow,
  throughId,
  throughOf,
  throughRows,
  tubesOf,
  um,
  zEntry,
  zStationId,
  zWindowInput,
} from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";
import dome from "../../../library/entries/dome-gel.json";
import { namedCables, placedIn, readCables, writeCables } from "../entry-drawing/entry-cables";
import { endingSheets, throughSheet } from "./entry-sheets";

const { cables, entries, procedures, tools } = shippedLibrary();
const procedureOf = (id: string) => procedures.find((procedure) => procedure.id === id) ?? null;
/** Every shipped entry with the procedures it comes to. */
const entrySheets = entries.flatMap((entry) => {
  const ending = procedureOf(entry.id);
  return ending ? [{ entry, ending, going: procedureOf(throughId(entry.id)) }] : [];
});
const entry = zEntry.parse(dome);
const first = (cable: string, more: Partial<ClosureCable> = {}): ClosureCable => ({
  id: zStationId.parse(randomUUID()),
  cable,
  role: "branch",
  through: false,
  fixed: null,
  opening: null,
  joins: null,
  ...more,
});
const refused = (...requested: ClosureCable[]): string | undefined => {
  try {
    placedIn(entry.ports, namedCables(requested, cables));
    return undefined;
  } catch (error) {
    return problemOf(error)?.message;
  }
};

describe("cables of an entry", () => {
  it("come back from the address as they were written", () => {
    const requested = [
      first("loose-tube-36", { fixed: ["3"] }),
      first("armoured-ribbon-96", { role: "through", through: true, fixed: ["1", "2"] }),
      first("flat-drop", { role: "drop" }),
      first("loose-tube-36", {
        role: "through",
        through: true,
        opening: {
          turns: 3,
          pitch: um(90_400),
          diameter: um(5_800),
          reversal: um(700_000),
          cutAt: "upstream",
        },
      }),
    ];
    // Its id is its own each time: the address says what comes in, not which.
    const said = (all: readonly ClosureCable[]) => all.map(({ id: _, ...cable }) => cable);
    expect(said(readCables(writeCables(requested)))).toEqual(said(requested));
    expect(readCables(["~branch~~", "flat-drop~nothing~~", "", "flat-drop"])).toEqual([]);
    for (const text of ["-1.0.0.0.middle", "2.0.0.0.aside", "2.0.5e9.0.middle", "2", "a.b.c.d.middle"])
      expect(readCables([`flat-drop~drop~t~~${text}`])[0]?.opening).toBeNull();
  });
  it("of one kind are told apart by a number", () => {
    const named = namedCables([first("flat-drop"), first("flat-drop"), first("loose-tube-36")], cables);
    expect(named.map(({ name }) => name)).toEqual([
      "Flat drop (1)",
      "Flat drop (2)",
      "Stranded loose tube, 6 × 6",
    ]);
  });
  it("are refused in their own words: too thick, no way through left, put where they do not go", () => {
    expect(refused(first("simplex-1.6"))).toBe(
      "Simplex cord 1.6 is 1.6 mm thick: no port here closes round it.",
    );
    const through = first("armoured-ribbon-96", { role: "through", through: true });
    expect(refused(through, through)).toMatch(
      /^These do not all fit: Armoured ribbon, 8 × 12 \(1\), Armoured ribbon, 8 × 12 \(2\)\./,
    );
    expect(refused(first("loose-tube-36", { fixed: ["5"] }))).toBe(
      "Port 5 closes round 2.6 to 8.2 mm; this cable is 10.4 mm.",
    );
    expect(refused(first("loose-tube-36", { fixed: ["3"] }), first("loose-tube-144", { fixed: ["3"] }))).toBe(
      "Port 3 is taken by Stranded loose tube, 6 × 6.",
    );
  });
  it("hold tubes of so many fibres, or ribbons where they lie in one tube", () => {
    const of = (id: string) =>
      tubesOf(
        mustHoldAt(
          cables.filter((cable) => cable.id === id),
          0,
        ),
      );
    expect(of("loose-tube-36")).toEqual({ kind: "tube", tubes: 6, perTube: 6 });
    expect(of("armoured-ribbon-96")).toEqual({ kind: "ribbon", tubes: 8, perTube: 12 });
    expect(of("flat-drop")).toEqual({ kind: "fibre", tubes: 1, perTube: 1 });
  });
});

const mm = (most: number) => fc.integer({ min: 0, max: most }).map((value) => value / 10);
const windows = fc
  .record({
    entryPaths: fc.tuple(mm(5_000), mm(5_000)),
    turns: fc.nat(6),
    perimeter: mm(9_000),
    lay: fc.option(
      fc.record({ diameter: mm(200), pitch: fc.integer({ min: 300, max: 2_000 }).map((x) => x / 10) }),
      {
        nil: undefined,
      },
    ),
    reversalSpacing: mm(30_000),
    cutAt: fc.constantFrom("middle", "upstream", "downstream"),
    reach: mm(20_000),
    bendRadius: fc.integer({ min: 10, max: 1_500 }).map((x) => x / 10),
  })
  .map((input) => zWindowInput.parse(input));

describe("an opening in the middle of a sheath", () => {
  it("is never under what storage and reversal need", () => {
    fc.assert(
      fc.property(windows, (input) => {
        const window = sheathWindow(input);
        const needed = input.entryPaths[0] + input.entryPaths[1] + input.turns * input.perimeter;
        expect(window.tubeLength).toBeGreaterThanOrEqual(needed - 1e-3);
        expect(window.opening).toBeGreaterThanOrEqual(input.reversalSpacing ?? 0);
      }),
    );
  });
  it("gives either side its share of the tube, and with the sides changed about the other share", () => {
    fc.assert(
      fc.property(windows, (input) => {
        const { usable, tubeLength } = sheathWindow(input);
        expect(usable.upstream + usable.downstream).toBeCloseTo(tubeLength, 3);
        const other = { middle: "middle", upstream: "downstream", downstream: "upstream" } as const;
        const mirrored = sheathWindow({
          ...input,
          entryPaths: [input.entryPaths[1], input.entryPaths[0]],
          cutAt: other[input.cutAt],
        });
        expect([mirrored.usable.upstream, mirrored.usable.downstream]).toEqual([
          usable.downstream,
          usable.upstream,
        ]);
        expect(mirrored.opening).toBeCloseTo(sheathWindow(input).opening, 3);
      }),
    );
  });
  it("never gets shorter with one turn more", () => {
    fc.assert(
      fc.property(windows, (input) => {
        expect(sheathWindow({ ...input, turns: input.turns + 1 }).opening).toBeGreaterThanOrEqual(
          sheathWindow(input).opening,
        );
      }),
    );
  });
  it("holds a tube at rest at no less than 75 mm radius where that is its least", () => {
    // Common practice, no source: tube or ribbon radius not under 75 mm.
    const at = (perimeter: number) =>
      sheathWindow(
        zWindowInput.parse({
          entryPaths: [100, 100],
          turns: 2,
          perimeter,
          cutAt: "middle",
          reach: 0,
          bendRadius: 75,
        }),
      ).bendOk;
    expect([at(471), at(472)]).toEqual([false, true]);
  });
});

describe("what is prepared", () => {
  const cable = mustHoldAt(
    cables.filter(({ id }) => id === "armoured-ribbon-96"),
    0,
  );
  const of = (id: string) =>
    mustHoldAt(
      procedures.filter((procedure) => procedure.id === id),
      0,
    );
  const ending = compileRunSheet({ procedure: of(entry.id), cable, core: "9/125", choices: {}, tools });
  const going = throughSheet(of(throughId(entry.id)), cable, tools);
  if (!going) throw new Error("the dome takes this cable through");
  const from = (sheet: RunSheet) => Object.fromEntries(preparedRows(sheet).map((row) => [row.id, row.from]));
  it("is told from what is there before it: an edge, the cable end, never from what is being cut", () => {
    expect(from(ending)).toEqual({
      opening: "cable end",
      cleaned: "sheath edge",
      armour: "sheath edge",
      members: "sheath edge",
      tails: "armour edge",
      tube: "sheath edge",
      "seal-gap": "seal's face",
      "seal-gap-least": "seal's face",
    });
  });
  it("of a cable that goes through has one edge as far to either side as its sheet at the bench, and the same limits", () => {
    const { half, enough } = openingIn(entry, throughOf(entry), openingOf(going));
    expect([half, enough]).toEqual([840_000, true]);
    const rows = throughRows(going, half);
    const [up, down] = rows;
    expect([up?.length, down?.length]).toEqual([um(-840_000), um(840_000)]);
    const check = going.checks.find(({ dimension }) => dimension === "half");
    expect([down?.min, down?.max]).toEqual([check?.min, check?.max]);
    expect(Object.fromEntries(rows.slice(2).map((row) => [row.id, row.from]))).toEqual({
      cleaned: "either sheath edge",
      armour: "either sheath edge",
      members: "either sheath edge",
      tails: "either armour edge",
      slit: "either sheath edge",
      "seal-gap": "seal's face",
      "seal-gap-least": "seal's face",
    });
  });
  it("never has a length from the cable end, in any entry, whether the entry has a sheet for it or not", () => {
    for (const { entry, ending, going } of entrySheets)
      for (const cable of cables.filter(({ construction }) => entry.takes.includes(construction))) {
        const opens = going && throughSheet(going, cable, tools);
        const sheet = opens ?? mustHold(endingSheets([cable], ending, tools), cable.id);
        const { half } = openingIn(entry, throughOf(entry, cable), opens && openingOf(opens));
        const from = throughRows(sheet, half).map((row) => row.from);
        expect(from.length, `${entry.name}, ${cable.name}`).toBeGreaterThan(1);
        expect(from, `${entry.name}, ${cable.name}`).not.toContain("cable end");
      }
  });
  it("is opened further where storage or lay ask for more than its sheet, rounded up to the millimetre, and says so", () => {
    const more = { ...throughOf(entry), reversal: um(2_400_500) };
    const { half, enough, opened } = openingIn(entry, more, openingOf(going));
    expect([half, enough]).toEqual([1_201_000, false]);
    expect(opened.usable.upstream).toBe(1_201_000);
    // The sheet's limits are of its own figure: of another nothing is stated.
    expect(throughRows(going, half)[1]).toMatchObject({ min: null, max: null });
  });
});
