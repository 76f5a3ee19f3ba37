import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mustHoldAt, type PiecePlan, um } from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";
import { newPlan } from "../job/new-plan";
import { COLUMNS, cableNamed, meantBy } from "./columns";
import { gridCsv, planOfRow, readPasted, writtenOver } from "./pasted";

const { cables } = shippedLibrary();
const cable = mustHoldAt(
  cables.filter(({ id }) => id === "distribution-900"),
  0,
);
const begun = (name: string, id: string): PiecePlan | null => {
  const of = cables.find((each) => each.id === id);
  const [core] = of?.cores ?? [];
  return of && core ? newPlan(name, of, core) : null;
};
const plan = mustHoldAt(
  [begun("Pad 7 feeder", cable.id)].filter((each) => each !== null),
  0,
);
const column = (id: string) =>
  mustHoldAt(
    COLUMNS.filter((each) => each.id === id),
    0,
  );
const write = (id: string, text: string, to = plan) => {
  const written = column(id).write(to, text, cables);
  return written.ok ? written.value : written.problem.message;
};

describe("a cell of the piece list", () => {
  it.each([
    ["route", "212.04", "212.04"],
    ["route", "212 + 2 %", "212.00 + 2 %"],
    ["route", "41 ft", "12.497"],
    ["route", "", ""],
    ["loops", "2 x 1.4", "2 × 1.40"],
    ["loops", "–", ""],
    ["slack", "3", "3.00"],
    ["slack", "3 / 0.5", "3.00 / 0.50"],
    ["slack", "3/", "3.00 / –"],
    ["ends", "12", "12"],
    ["ends", "12 / 0", "12 / –"],
    ["from", "Weather hut", "Weather hut"],
    ["to", " Pad 7 ", "Pad 7"],
    ["cable", "flat drop", "Flat drop"],
  ])("%s typed as “%s” says %s", (id, typed, message) => {
    const next = write(id, typed);
    if (typeof next === "string") throw new Error(next);
    expect(column(id).text(next, cables)).toBe(message);
  });
  it.each([
    ["route", "15o"],
    ["route", "-3"],
    ["loops", "2"],
    ["slack", "1 / 2 / 3"],
    ["ends", "many"],
    ["name", " "],
    ["cable", "no such cable"],
  ])("%s refuses “%s”, and says what it takes", (id, typed) => {
    expect(write(id, typed)).toMatch(/for example|by its name|Enter a name/);
  });
  it("comes back as it is shown, whatever is typed", () => {
    const typed = fc.oneof(
      fc.record({
        id: fc.constant("route"),
        text: fc.integer({ min: 0, max: 99_999_999 }).map((n) => String(n / 1000)),
      }),
      fc.record({
        id: fc.constant("loops"),
        text: fc.tuple(fc.nat(200), fc.nat(9_999)).map(([n, m]) => `${n} × ${m / 100}`),
      }),
      fc.record({
        id: fc.constant("slack"),
        text: fc.tuple(fc.nat(9_999), fc.nat(9_999)).map(([a, b]) => `${a / 100}/${b / 100}`),
      }),
      fc.record({
        id: fc.constant("ends"),
        text: fc.tuple(fc.nat(6_912), fc.nat(6_912)).map(([a, b]) => `${a}/${b}`),
      }),
    );
    fc.assert(
      fc.property(typed, ({ id, text }) => {
        const once = write(id, text);
        if (typeof once === "string") throw new Error(once);
        const shown = column(id).text(once, cables);
        expect(write(id, shown)).toEqual(once);
      }),
    );
  });
  it("of a route of several stretches is changed on the piece's page", () => {
    const [stretch] = (write("route", "20") as PiecePlan).route;
    const two = { ...plan, route: [stretch, stretch] as PiecePlan["route"] };
    expect(column("route").closed(two)).toMatch(/2 stretches/);
    expect(column("route").text(two, cables)).toBe("40.00");
    expect(column("route").closed(plan)).toBeNull();
  });
  it("with a letter for a figure says what was likely meant", () => {
    expect([meantBy("15o"), meantBy("l2.5"), meantBy("hall"), meantBy("150")]).toEqual([
      "150",
      "12.5",
      null,
      null,
    ]);
  });
  it("finds a cable by its name, or by words only one has", () => {
    expect(cableNamed("TIGHT-BUFFER 900 distribution", cables)?.id).toBe("distribution-900");
    expect(cableNamed("drop flat", cables)?.id).toBe("flat-drop");
    expect(cableNamed("simplex", cables)).toBeNull();
  });
});

describe("the grid as a CSV file", () => {
  const name = fc
    .string({ unit: "grapheme", minLength: 1, maxLength: 30 })
    .map((text) => text.replaceAll(/[\t\n\r]/g, " ").trim())
    .filter((text) => text !== "");
  it("comes back cell by cell, formulas, quotes and separators in names too (property)", () => {
    const row = fc.record({ name, from: name, to: name, metres: fc.nat(9_999_999), ends: fc.nat(24) });
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 6 }), (rows) => {
        const plans = rows.map(({ name: piece, from, to, metres, ends }) => {
          const cells = { name: piece, from, to, route: String(metres / 1_000), ends: String(ends) };
          const { plan: written } = planOfRow(cells, begun, cable.id, cables);
          if (!written) throw new Error(JSON.stringify(cells));
          return written;
        });
        const read = readPasted(gridCsv(plans, cables));
        if (!read.ok) throw new Error(read.problem.message);
        expect(read.value.rows.map((each) => planOfRow(each, begun, cable.id, cables).plan)).toEqual(plans);
      }),
      { numRuns: 80 },
    );
  });
  it("holds no cell that a spreadsheet runs (OWASP, CSV injection)", () => {
    const evil = { ...plan, name: "=1+1" };
    expect(gridCsv([evil], cables)).toContain('"\'=1+1"');
  });
});

describe("a list copied from a spreadsheet", () => {
  const copied =
    "Piece\tCable\tTo\tRoute m\nPad 8 feeder\tflat drop\tPad 8\t76.00\nPad 11 feeder\t\tPad 11\t15o\n";
  it("is read by the heads of its columns", () => {
    const read = readPasted(copied);
    expect(read.ok && read.value.columns).toEqual(["name", "cable", "to", "route"]);
    expect(read.ok && read.value.rows[0]).toEqual({
      name: "Pad 8 feeder",
      cable: "flat drop",
      to: "Pad 8",
      route: "76.00",
    });
  });
  it("without heads is read in the order of the columns", () => {
    const read = readPasted("Pad 8\tflat drop\thut\tPad 8\t76");
    expect(read.ok && read.value.rows).toEqual([
      { name: "Pad 8", cable: "flat drop", from: "hut", to: "Pad 8", route: "76" },
    ]);
  });
  it("says which cell cannot be read, and what was likely meant; the other rows stand", () => {
    const read = readPasted(copied);
    if (!read.ok) throw new Error(read.problem.message);
    const [first, second] = read.value.rows.map((row) => planOfRow(row, begun, cable.id, cables));
    expect(first).toMatchObject({ problems: [], plan: { name: "Pad 8 feeder", cable: "flat-drop" } });
    expect(first?.plan?.route[0]).toMatchObject({ length: um(76_000_000), allowancePct: 0 });
    expect(second?.plan).toBeNull();
    expect(second?.problems).toMatchObject([{ column: "route", text: "15o", meant: "150" }]);
  });
  it("of a row without a name, or of nothing, is refused", () => {
    expect(planOfRow({ to: "Pad 8" }, begun, cable.id, cables).problems).toMatchObject([{ column: "name" }]);
    expect(readPasted("\n \n").ok).toBe(false);
    expect(readPasted(Array.from({ length: 301 }, (_, i) => `p${i}\tflat drop`).join("\n")).ok).toBe(false);
  });
  it("pasted over cells changes those, or none where one cannot be read", () => {
    const two = [plan, { ...plan, name: "Pad 8 feeder" }];
    const over = writtenOver(two, [["1.5"], ["2"]], { row: 0, column: 6 }, cables);
    expect(over.ok && over.value.map((each) => each.plan.sides.A.leave)).toEqual([
      um(1_500_000),
      um(2_000_000),
    ]);
    const bad = writtenOver(two, [["1.5"], ["wide"]], { row: 0, column: 6 }, cables);
    expect(bad.ok ? "" : bad.problem.message).toMatch(/^Pad 8 feeder, Slack, m: “wide” cannot be read/);
  });
});
