import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readLightTable } from "./light-table";

const rows = (...cells: string[][]) => {
  const table = readLightTable(cells);
  if (!table.ok) throw new Error(table.problem.message);
  return table.value;
};

describe("a table of light readings", () => {
  it("is read by its heads, in any order and with what is not asked for left out", () => {
    const { columns, rows: read } = rows(
      ["Wavelength (nm)", "Operator", "Fibre", "Ref. dBm", "Power dBm", "Direction"],
      ["1310", "Osla", "Row C 9", "-20.1", "-20.35", "far"],
      ["1550 nm", "Osla", "Row C 9", "", "-20,4 -20,5", ""],
    );
    expect(columns).toEqual({ wavelength: 0, end: 2, reference: 3, reading: 4, from: 5 });
    expect(read).toMatchObject([
      { line: 2, end: "Row C 9", wavelength: 1310, from: "far", reference: [-20.1], reading: [-20.35] },
      { line: 3, wavelength: 1550, from: "here", reference: null, reading: [-20.4, -20.5], problem: null },
    ]);
  });
  it("without heads is read by what its columns hold, in whichever order they stand (property)", () => {
    const row = { end: "Row C 9", wavelength: "1310", reference: "-20.1", reading: "-20.4" };
    const order = fc.shuffledSubarray(["end", "wavelength", "reference", "reading"] as const, {
      minLength: 4,
    });
    fc.assert(
      fc.property(order, (columns) => {
        const [read] = rows(columns.map((column) => row[column])).rows;
        const isSwapped = columns.indexOf("reading") < columns.indexOf("reference");
        expect(read).toMatchObject({
          ...{ line: 1, end: "Row C 9", wavelength: 1310, problem: null },
          reference: [isSwapped ? -20.4 : -20.1],
          reading: [isSwapped ? -20.1 : -20.4],
        });
      }),
    );
  });
  it("says of each bad row why, and reads the rest", () => {
    const head = ["label", "nm", "reading", "from"];
    const { rows: read } = rows(
      head,
      ["A 1", "1310", "x", ""],
      ["", "1310", "-20", ""],
      ["A 2", "1400", "-20", ""],
      ["A 3", "", "-20", "up"],
      ["A 4", "", "-20", ""],
    );
    expect(read.map(({ problem }) => problem?.key ?? null)).toEqual([
      "core/a-reading-is-powers-in-dbm",
      "core/a-row-names-its-end",
      "core/a-wavelength-is-one-of",
      "core/light-goes-in-here-or-far",
      null,
    ]);
  });
  it("without powers, or with more rows than a day's work, is refused", () => {
    expect(
      readLightTable([
        ["label", "nm"],
        ["A 1", "1310"],
      ]).ok,
    ).toBe(false);
    expect(readLightTable([]).ok).toBe(false);
    expect(readLightTable(Array.from({ length: 2_001 }, () => ["A 1", "-20"])).ok).toBe(false);
    expect(readLightTable(Array.from({ length: 2_000 }, () => ["A 1", "-20"])).ok).toBe(true);
  });
});
