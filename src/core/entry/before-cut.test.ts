import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { FIBRE_COLOURS } from "../cable/colours";
import type { SeenElement } from "../cable/seen";
import { identity } from "../piece/identity";
import { beforeCut } from "./before-cut";

const colour = fc.constantFrom(...FIBRE_COLOURS.map(({ code }) => code));
const seen: fc.Arbitrary<SeenElement | null> = fc.oneof(
  fc.record({ code: colour, tracers: fc.nat(3) }),
  fc.constant("doubtful" as const),
  fc.constant(null),
);

describe("before a fibre is cut", () => {
  it("nothing may be cut but what has, tube and fibre each, the colour and tracers of its place", () => {
    const wanted = fc
      .integer({ min: 1, max: 432 })
      .map((number) => identity({ perTube: 12, tubes: 36, number }));
    fc.assert(
      fc.property(wanted, seen, seen, ({ tube, fibre }, text, two) => {
        const right = (subject: SeenElement | null, is: typeof tube) =>
          subject !== null &&
          subject !== "doubtful" &&
          subject.code === is.code &&
          subject.tracers === is.tracers;
        const { may } = beforeCut({ tube, fibre }, { tube: text, fibre: two });
        expect(may === "cut").toBe(right(text, tube) && right(two, fibre));
      }),
    );
  });
  it("asks for the tube, then for the fibre, and refuses a wrong or doubtful tube whatever the fibre", () => {
    const { tube, fibre } = identity({ perTube: 12, tubes: 12, tube: 3, fibre: 2 });
    const GR = { code: "GR", tracers: 0 } as const;
    expect(beforeCut({ tube, fibre }, { tube: null, fibre: null })).toEqual({ may: "ask", about: "tube" });
    expect(beforeCut({ tube, fibre }, { tube: GR, fibre: null })).toEqual({ may: "ask", about: "fibre" });
    expect(beforeCut({ tube, fibre }, { tube: GR, fibre: { code: "OR", tracers: 0 } })).toEqual({
      may: "cut",
    });
    expect(beforeCut({ tube, fibre }, { tube: "doubtful", fibre: { code: "OR", tracers: 0 } })).toMatchObject(
      {
        may: "not",
        about: "tube",
      },
    );
    expect(beforeCut({ tube, fibre }, { tube: GR, fibre: { code: "OR", tracers: 1 } })).toMatchObject({
      may: "not",
      about: "fibre",
    });
  });
});
