import { describe, expect, it } from "vitest";
import { endAt, GUARDED } from "../advice/fixtures/ends";
import { compile, procedureOf } from "../runsheet/fixtures/made";
import { seatOf } from "./seat";

// Check value 1 (common practice, no source): strip 40, mark a further 11; seated, the mark within 2 of the entry tube.
const sheetWith = (least: number) =>
  compile(
    procedureOf(
      [
        ["strip", "end", "buffer", 40, 1, 1],
        ["second", "buffer", "mark", 11, 1, 1],
        ["cleave", "glass", "buffer", 9, 0.5, 0.5],
        ["check-witness", "glass", "mark", 20, 1.5, 1.5],
        ["check-stand-off", "entry-tube", "mark", 1, 1, 1],
      ],
      {
        changes: {
          features: [
            { id: "end", name: "cable end", kind: "end" },
            { id: "buffer", name: "buffer edge", kind: "edge", ends: ["buffer", "coating"] },
            { id: "mark", name: "reference mark", kind: "mark" },
            { id: "glass", name: "cleaved end", kind: "end", ends: ["glass"] },
            { id: "entry-tube", name: "entry tube", kind: "part" },
          ],
          dimensions: [
            ["strip", "end", "buffer", 40, 1, 1, "make-strip"],
            ["second", "buffer", "mark", 11, 1, 1, "make-second"],
            ["cleave", "glass", "buffer", 9, 0.5, 0.5, "make-cleave"],
            ["witness", "glass", "mark", 20, 1.5, 1.5, "make-cleave"],
            ["stand-off", "entry-tube", "mark", 1, 1, 1 - least, "seat"],
          ].map(([id, from, to, nominal, plus, minus, after]) => ({
            id,
            name: id,
            from,
            to,
            nominal,
            plus,
            minus,
            after,
          })) as never,
          steps: [
            { id: "make-strip", title: "Strip", kind: "trim", makes: "buffer", by: "strip", tool: "cutter" },
            { id: "make-second", title: "Mark", kind: "mark", makes: "mark", by: "second", tool: "pen" },
            {
              id: "make-cleave",
              title: "Cleave",
              kind: "cleave",
              makes: "glass",
              by: "cleave",
              tool: "cutter",
              replaces: "end",
            },
            { id: "measure", title: "Measure", kind: "measure", checks: ["cleave", "witness"] },
            { id: "seat", title: "Seat", kind: "insert" },
            { id: "stand", title: "Look", kind: "verify", checks: ["stand-off"] },
            { id: "cap", title: "Cap", kind: "cap" },
          ],
        },
      },
    ),
  );
const sheet = sheetWith(0);

/** How it sits with the mark standing off by so much more, the cleave and the mark made off by so much. */
const sits = ({ short = 0, cleave = 0, mark = 0 }, on = sheet) =>
  // Not pushed home, the entry tube stands nearer the fibre end; cleaved long, so does the glass end.
  seatOf(on, endAt(on, "stand", { glass: -cleave, mark, "entry-tube": -short - cleave }), GUARDED, "");

describe("how the fibre sits, from the mark's stand-off, the cleave and the strip as measured", () => {
  it("1: the mark within 2 of the entry tube, as asked: seated", () => {
    expect(sits({})?.finding).toBe("seated");
  });
  it("3 short of the stop: the gap is told, with its uncertainty, and it is pushed home, not cut", () => {
    const seat = sits({ short: 3000 });
    expect(seat?.finding).toBe("short");
    expect(seat?.gap?.by).toBeCloseTo(3000, 6);
    expect(seat?.gap?.u).toBeGreaterThan(20);
  });
  it("at the stop but the mark 1.8 too far out: cleaved long, or the mark misplaced, by which was read so", () => {
    expect(sits({ cleave: 1800 })).toMatchObject({ finding: "cleaved-long", cleave: { by: 1800 } });
    expect(sits({ mark: 1800 })).toMatchObject({ finding: "mark-off", mark: { by: 1800 } });
  });
  it("the mark 0.2 nearer than it may be though at the stop: cleaved short", () => {
    expect(sits({ cleave: -700 }, sheetWith(0.5))?.finding).toBe("cleaved-short");
  });
  it("deeper than the stop cannot be: a reading is wrong", () => {
    expect(sits({ short: -1000, mark: 0 })?.finding).toBe("cannot-be");
  });
  it("nothing said before the stand-off is read, nor where the style has none", () => {
    expect(seatOf(sheet, endAt(sheet, "measure", {}), GUARDED, "")).toBeNull();
  });
});
