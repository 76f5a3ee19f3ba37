import { describe, expect, it } from "vitest";
import { mm } from "../length/length";
import { at, compile, cord, prepared, procedureOf } from "./fixtures/made";
import { countBites } from "./lines";
import { layersAfter } from "./runsheet";

const figure = (sheet: ReturnType<typeof compile>, feature: string) =>
  sheet.lines.find((line) => line.figure?.feature === feature)?.figure;

describe("check values of the trade (common practice, no source)", () => {
  it("1: strip 40, a second mark a further 11, is at 51 from the end, and seated stands within 2 of the entry tube", () => {
    const sheet = compile(
      procedureOf(
        [
          ["strip", "end", "buffer", 40, 1, 1],
          ["second", "buffer", "mark", 11, 0.5, 0.5],
          ["check-seat", "part-entry-tube", "mark", 1, 1, 1],
        ],
        {
          steps: [{ id: "look", kind: "verify", title: "look", checks: ["check-seat"] }],
        },
      ),
    );
    expect(figure(sheet, "mark")).toMatchObject({
      fromEnd: 51_000,
      own: { datum: "buffer", distance: 11_000 },
      previous: { feature: "buffer", distance: 11_000 },
    });
    expect(sheet.checks[0]).toMatchObject({ min: 0, max: 2_000 });
  });
  it("2: clamp 254, jacket 70, buffer 40, cleave 10.5 ± 0.5: buffer 30 beyond the jacket, jacket edge 40.5 from the glass end", () => {
    const sheet = compile(
      procedureOf([
        ["clamp", "end", "clamp", 254, null, null],
        ["jacket", "end", "jacket", 70, 0, 0],
        ["buffer", "end", "buffer", 40, 0, 0],
        ["cleave", "glass", "buffer", 10.5, 0.5, 0.5],
      ]),
    );
    expect(at(sheet, "glass")).toBe(29.5);
    expect(prepared(sheet, "buffer", "jacket").nominal).toBe(30);
    expect(prepared(sheet, "glass", "jacket")).toEqual({ nominal: 40.5, min: 40, max: 41 });
  });
  it("4: jacket 30 and buffer 13 to 14 leave 16 to 17 of buffer beyond the jacket", () => {
    const sheet = compile(
      procedureOf([
        ["jacket", "end", "jacket", 30, 0, 0],
        ["buffer", "end", "buffer", 13, 1, 0],
      ]),
    );
    expect(prepared(sheet, "buffer", "jacket")).toMatchObject({ min: 16, max: 17 });
  });
  it("6: 955 printed beside 37.5 in is told; fibre 35 to 40 out of the tubes makes them 915 to 920", () => {
    const procedure = procedureOf([
      ["strip", "end", "tube-edge", 955, 0, 0],
      ["out", "end", "furcation-front", 35, 5, 0],
      ["first", "end", "first-insert", 15, 0, 0],
    ]);
    const printed = procedure.dimensions.map((dimension) =>
      dimension.id === "strip"
        ? { ...dimension, printed: ["955 mm", "37.5 in"] as [string, string] }
        : dimension.id === "first"
          ? { ...dimension, printed: ["15 mm", "1/2 in"] as [string, string] }
          : dimension,
    );
    const sheet = compile({ ...procedure, dimensions: printed });
    expect(prepared(sheet, "furcation-front", "tube-edge")).toMatchObject({ min: 915, max: 920 });
    expect(sheet.disagreements.map(({ dimension, differBy }) => [dimension, differBy])).toEqual([
      ["strip", 2_500],
      ["first", 2_300],
    ]);
  });
  it("8: at a quarter inch a bite 40 takes 7 bites; in sections it takes three or four", () => {
    expect(countBites(mm(40), { most: mm(6.35) })).toMatchObject({ count: 7, each: 5_714 });
    expect(countBites(mm(40), { sections: { min: 3, max: 4 } })).toMatchObject({ count: 3, countMost: 4 });
    expect(countBites(mm(38.1), { most: mm(6.35) }).count).toBe(6);
  });
});

const wedge = () =>
  procedureOf([
    ["jacket", "end", "jacket", 64, 1, 1],
    ["buffer", "end", "buffer", 37, 1, 1],
    ["second", "buffer", "mark", 11.5, 1, 1],
    ["cleave", "glass", "buffer", 9.5, 0.5, 0.5],
  ]);

describe("a run sheet", () => {
  it("says every mark from the end, from the mark before, and from its own datum", () => {
    const { lines } = compile(wedge());
    expect(
      lines.map(
        ({ figure }) => figure && [figure.fromEnd, figure.own.distance, figure.previous?.distance ?? null],
      ),
    ).toEqual([
      [64_000, 64_000, null],
      [37_000, 37_000, -27_000],
      [48_500, 11_500, 11_500],
      [27_500, -9_500, -21_000],
    ]);
  });
  it("works to the cleave from the buffer edge, since the cleave takes the cable end away", () => {
    const { lines } = compile(wedge());
    expect(lines.map(({ figure }) => figure?.workFromOwn)).toEqual([false, false, false, true]);
  });
  it("gives lengths before and after the cleave, each from the end that is there", () => {
    const { lengths } = compile(wedge());
    const froms = (stage: string) =>
      new Set(lengths.filter((length) => length.stage === stage).map(({ from }) => from));
    expect(froms("before-cleave")).toContain("end");
    expect(froms("before-cleave")).not.toContain("glass");
    expect(froms("prepared")).toContain("glass");
    expect(froms("prepared")).not.toContain("end");
  });
  it("predicts the stack-up from the tools and holds it against the limits", () => {
    const sheet = compile(wedge());
    const reach = sheet.lengths.find(
      ({ from, to, stage }) => from === "glass" && to === "jacket" && stage === "prepared",
    );
    // jacket 0.4 from the end; buffer 0.4 from the end; cleave 0.3 from the buffer.
    expect(reach?.predicted).toMatchObject({ worst: 1_100, holds: "worst" });
    expect(reach?.predicted?.rss).toBeCloseTo(Math.hypot(400, 400, 300), 6);
    const tight = compile(procedureOf([["jacket", "end", "jacket", 64, 0.3, 0.3]]));
    expect(tight.lengths[0]?.predicted?.holds).toBe("neither");
  });
  it("says how much cable the end uses, cuts off, and a fresh start takes", () => {
    expect(compile(wedge()).uses).toEqual({ prepared: 64_000, cutOff: 27_500, retry: 69_000 });
  });
  it("asks for each length once a leg", () => {
    const two = cord({ construction: "duplex-cord", legs: ["A", "B"], fibreCount: 2 });
    const procedure = procedureOf([["jacket", "end", "jacket", 64, 1, 1]], {
      steps: [{ id: "m", kind: "measure", title: "m", checks: ["jacket"] }],
    });
    expect(compile(procedure, { cable: two }).checks.map(({ id, leg }) => [id, leg])).toEqual([
      ["jacket/A", "A"],
      ["jacket/B", "B"],
    ]);
  });
  it("uses the figures of the case that holds for the cable", () => {
    const thin = cord({ layers: [{ kind: "jacket", name: "jacket", diameter: 2, hue: "yellow" }] });
    const procedure = wedge();
    const withCase = {
      ...procedure,
      dimensions: procedure.dimensions.map((dimension) =>
        dimension.id === "jacket"
          ? {
              ...dimension,
              cases: [
                {
                  when: { layer: { kind: "jacket" as const, diameter: { min: mm(1.9), max: mm(2.2) } } },
                  nominal: mm(61),
                  plus: mm(1),
                  minus: mm(1),
                },
              ],
            }
          : dimension,
      ),
    };
    expect([at(compile(withCase), "jacket"), at(compile(withCase, { cable: thin }), "jacket")]).toEqual([
      64, 61,
    ]);
  });
  it("steps the layers back as the work goes on", () => {
    const procedure = procedureOf([["jacket", "end", "jacket", 64, 1, 1]], {
      steps: [{ id: "off", kind: "remove", title: "off", layers: ["jacket"], to: "jacket" }],
    });
    const sheet = compile(procedure);
    expect(layersAfter(sheet, 0)[0]).toMatchObject({ kind: "jacket", edge: 0, feature: null });
    expect(layersAfter(sheet, 1)[0]).toMatchObject({ kind: "jacket", edge: 64_000, feature: "jacket" });
  });
});

describe("a run sheet is refused", () => {
  it("when figures contradict, in words and by how much", () => {
    const procedure = procedureOf([
      ["jacket", "end", "jacket", 66, 0, 0],
      ["buffer", "end", "buffer", 40, 0, 0],
      ["check-behind", "buffer", "jacket", 28, 0, 0],
    ]);
    expect(() => compile(procedure)).toThrow(
      /^Jacket 66\.0 behind the end, jacket 28\.0 behind the buffer and buffer 40\.0 behind the end cannot all hold: 2\.0 mm short\.$/,
    );
  });
  it("when cable and procedure do not go together, saying why", () => {
    const procedure = procedureOf([["jacket", "end", "jacket", 64, 1, 1]], {
      changes: {
        appliesTo: { constructions: ["duplex-cord"], cores: ["50/125"], jacket: { min: 2.8, max: 3.1 } },
      },
    });
    expect(() => compile(procedure)).toThrow(
      /duplex cord; this is simplex cord.*50\/125 glass; this is 9\/125/,
    );
  });
  it("when the cable does not come with that glass, or an option is not known", () => {
    expect(() => compile(wedge(), { core: "62.5/125" })).toThrow(/comes with 9\/125 glass/);
    expect(() => compile(wedge(), { choices: { colour: "red" } })).toThrow(/no choice called/);
  });
});
