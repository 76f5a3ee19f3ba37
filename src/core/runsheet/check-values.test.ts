import { describe, expect, it } from "vitest";
import { newtonsOf } from "../length/force";
import { mm } from "../length/length";
import { parseLength } from "../length/parse";
import { InputError, required } from "../problem/problem";
import { holds } from "../procedure/condition";
import type { ProcedureDocument } from "../procedure/procedure";
import { zSetting } from "../procedure/setting";
import { zStep } from "../procedure/step";
import { at, compile, cord, prepared, procedureOf, type Row } from "./fixtures/made";

const inches = (text: string) => required(parseLength(text, { unit: "in" })).length / 1000;
type Choices = NonNullable<ProcedureDocument["choices"]>;
const choice = (id: string, ...options: string[]): Choices[number] => ({
  id,
  name: id,
  options: options.map((option) => ({ id: option, name: option })),
  default: options[0] as string,
});

describe("check values of the trade (common practice, no source)", () => {
  it("3: jacket 57, strip 30, cleave 10: buffer 27 beyond the jacket, 37 from the jacket to the glass end", () => {
    const sheet = compile(
      procedureOf([
        ["jacket", "end", "jacket", 57, 0, 0],
        ["strip", "end", "buffer", 30, 0, 0],
        ["cleave", "glass", "buffer", 10, 0, 0],
      ]),
    );
    expect(prepared(sheet, "buffer", "jacket").nominal).toBe(27);
    expect(prepared(sheet, "glass", "jacket").nominal).toBe(37);
  });
  it("3: the thin tube is only for the 2 mm cord", () => {
    const thinTube = { layer: { kind: "jacket" as const, diameter: { min: mm(1.9), max: mm(2.1) } } };
    const of = (diameter: number) =>
      cord({ layers: [{ kind: "jacket", name: "jacket", diameter, hue: "yellow" }] });
    const picked = { core: "9/125", choices: {} };
    expect([2, 3].map((value) => holds(thinTube, of(value), picked))).toEqual([true, false]);
  });
  it("5: sheath off 45 with 40 standing out of the clamp: the clamp covers 5", () => {
    const sheet = compile(
      procedureOf([
        ["sheath", "end", "sheath", 45, 0, 0],
        ["out", "end", "clamp-front", 40, 0, 0],
      ]),
    );
    expect(prepared(sheet, "clamp-front", "sheath").nominal).toBe(5);
  });
  it.each([
    ["lc", 15],
    ["sc", 11],
    ["st", 9],
  ])(
    "7: for %s the mark is %i back on the furcation tube; cleave 7, coating 0 to 1 out: glass 7 to 8 out",
    (interface_, mark) => {
      const rows: Row[] = [
        ["tube", "end", "tube-end", 40, 0, 0],
        ["mark", "tube-end", "mark", 15, 0, 0],
        ["coating", "tube-end", "coating-edge", -0.5, 0.5, 0.5],
        ["cleave", "glass", "coating-edge", 7, 0, 0],
      ];
      const built = procedureOf(rows, { changes: { choices: [choice("interface", "lc", "sc", "st")] } });
      const cases = { sc: 11, st: 9 };
      const procedure = {
        ...built,
        dimensions: built.dimensions.map((dimension) => ({
          ...dimension,
          cases:
            dimension.id === "mark"
              ? Object.entries(cases).map(([id, value]) => ({
                  when: { choice: { interface: [id] } },
                  nominal: mm(value),
                  plus: mm(0),
                  minus: mm(0),
                }))
              : [],
        })),
      };
      const sheet = compile(procedure, { choices: { interface: interface_ } });
      expect(prepared(sheet, "tube-end", "mark").nominal).toBe(mark);
      expect(prepared(sheet, "glass", "tube-end")).toMatchObject({ min: 7, max: 8 });
    },
  );
  it("9: cleave 8; with both buffers 2 proud of the holder, the glass stands 10 out of it", () => {
    const sheet = compile(
      procedureOf([
        ["buffer", "end", "buffer", 30, 0, 0],
        ["proud", "buffer", "holder", 2, 0, 0],
        ["cleave", "glass", "buffer", 8, 0, 0],
      ]),
    );
    expect(prepared(sheet, "glass", "holder").nominal).toBe(10);
  });
  it("12: shield folded 3 to 4 in; jacket to cone 3/8 in when shielded, 1/2 in when of yarn", () => {
    expect([inches("3"), inches("4"), inches("3/8"), inches("1/2")]).toEqual([76.2, 101.6, 9.525, 12.7]);
    const built = procedureOf([["cone", "end", "cone", 12.7, 0, 0]], {
      changes: { choices: [choice("cable", "yarn", "shielded")] },
    });
    const procedure = {
      ...built,
      dimensions: built.dimensions.map((dimension) => ({
        ...dimension,
        cases: [{ when: { choice: { cable: ["shielded"] } }, nominal: mm(9.525), plus: mm(0), minus: mm(0) }],
      })),
    };
    expect(at(compile(procedure), "cone")).toBe(12.7);
    expect(at(compile(procedure, { choices: { cable: "shielded" } }), "cone")).toBe(9.525);
  });
  it("13: the first ring cut 100 from the end, the second where the ribbons ask, each said from the end and from the other", () => {
    const sheet = compile(
      procedureOf([
        ["first", "end", "first-ring", 100, 10, 10],
        ["second", "end", "second-ring", 1_600, 5, 5],
      ]),
    );
    const second = sheet.lines.find(({ figure }) => figure?.feature === "second-ring")?.figure;
    expect(second).toMatchObject({ fromEnd: 1_600_000, previous: { distance: 1_500_000 } });
  });
  it("15: dies of .178, .151, .128 and .12 in are kept to the micrometre, and no two are one", () => {
    const across = [".178", ".151", ".128", ".12"].map(inches);
    expect(across).toEqual([4.521, 3.835, 3.251, 3.048]);
    const dies = across.map((value) => zSetting.parse({ kind: "die", across: value }));
    expect(new Set(dies.map((die) => JSON.stringify(die))).size).toBe(4);
  });
  it("17: twenty to twenty-five figure eights; films 5, 1 and 0.1, coarse to fine", () => {
    const film = (grain: number) =>
      zStep.parse({
        id: `film-${grain}`,
        kind: "polish",
        title: "polish",
        count: { min: 20, max: 25, of: "figure eights" },
        setting: { kind: "film", grain },
      });
    const grains = [5, 1, 0.1].map(film).map(({ setting }) => (setting?.kind === "film" ? setting.grain : 0));
    expect(grains).toEqual([...grains].sort((a, b) => b - a));
    expect(() => zSetting.parse({ kind: "film", grain: 0 })).toThrow();
  });
  // NIST SP 811, appendix B.8: 1 lbf = 4.448 222 N.
  it("18: retention of 1 to 2 lbf is 4.4 to 8.9 N, 6 lbf is 26.7 N", () => {
    expect([1, 2, 6].map((lbf) => newtonsOf(lbf).toFixed(1))).toEqual(["4.4", "8.9", "26.7"]);
  });
  it("18: a proof pull of 2 N is a setting of its step; a negative one is refused", () => {
    expect(zSetting.parse({ kind: "pull", newtons: 2 })).toEqual({ kind: "pull", newtons: 2 });
    expect(() => zSetting.parse({ kind: "pull", newtons: -1 })).toThrow();
  });
});

describe("an option that cannot be had here", () => {
  it("is refused with the reason, and the default stays", () => {
    const procedure = procedureOf([["jacket", "end", "jacket", 30, 0, 0]], {
      changes: {
        choices: [
          {
            ...choice("polish", "upc", "apc"),
            options: [
              { id: "upc", name: "UPC" },
              { id: "apc", name: "APC", why: "Single-mode only.", when: { core: ["9/125"] } },
            ],
          },
        ],
      },
    });
    const multimode = { cable: cord({ cores: ["50/125"] }), core: "50/125" };
    expect(() => compile(procedure, { ...multimode, choices: { polish: "apc" } })).toThrow(InputError);
    expect(compile(procedure, multimode).picked.choices).toEqual({ polish: "upc" });
  });
});

describe("documents of before", () => {
  it("still say their one retry rule and a setting in words", () => {
    const old = procedureOf([["jacket", "end", "jacket", 30, 0, 0]], {
      steps: [{ id: "film", kind: "polish", title: "polish", setting: "coarse film" }],
      changes: { retries: { most: 2, rule: "new sleeve each time" } },
    });
    expect(old.retries).toEqual([
      { id: "again", name: "again", most: 2, reuses: "new sleeve each time", newPart: "" },
    ]);
    expect(old.steps.at(-1)?.setting).toEqual({ kind: "words", words: "coarse film" });
  });
});
