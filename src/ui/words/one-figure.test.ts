import { describe, expect, it } from "vitest";
import { nearestFraction, preparedRows, um } from "@/core";
import { shippedSheets } from "@/core/runsheet/fixtures/shipped-sheets";
import { smallEndOf } from "../band/small-end";
import { stepAloud } from "./aloud";
import { figureText, showLength, toleranceOf } from "./length-text";
import { figureWords, fromEndText } from "./line-words";

const figures = shippedSheets.flatMap(({ name, sheet }) =>
  sheet.lines.flatMap((line) => {
    const words = figureWords(sheet, line, "in");
    return line.figure && words
      ? [{ name: `${name}: ${line.step.id}`, sheet, line, figure: line.figure, words }]
      : [];
  }),
);

describe("one cut in inches, of every style on every cable", () => {
  it("is one fraction: big, on the band, said the other way and read aloud", () => {
    for (const { name, sheet, line, figure, words } of figures) {
      const onBand = fromEndText(figure, "in");
      const reported = figure.workFromOwn ? words.also.join() : words.shown.main;
      expect([name, reported]).toEqual([name, figure.workFromOwn ? expect.stringContaining(onBand) : onBand]);
      expect([name, stepAloud(sheet, line, "in")]).toEqual([name, expect.stringContaining(words.shown.main)]);
      for (const other of sheet.lines) {
        const also = figureWords(sheet, other, "in")?.also.join() ?? "";
        if (other.figure?.own.datum === figure.feature && also.includes(" at "))
          expect([name, also]).toEqual([name, expect.stringContaining(onBand)]);
      }
    }
    expect(figures.length).toBeGreaterThan(300);
  });
  it("is the same fraction on the first page, in what is prepared for an entry, and where the cable it uses is told", () => {
    for (const { name, sheet, figure, words } of figures) {
      const small = smallEndOf(sheet, sheet.lines.length);
      const mark = small.marks.find(({ at }) => at === figure.fromEnd);
      if (mark && !figure.workFromOwn)
        expect([name, figureText(mark.at, "in", mark.tolerance)]).toEqual([name, words.shown.main]);
      if (small.uses === figure.fromEnd && !figure.workFromOwn)
        expect([name, figureText(small.uses, "in", small.usesTolerance)]).toEqual([name, words.shown.main]);
    }
    for (const { name, sheet } of shippedSheets)
      for (const { id, length, min, max } of preparedRows(sheet)) {
        const inList = sheet.lengths.find(({ stated }) => stated === id);
        if (inList?.nominal !== length) continue;
        const both = [{ nominal: length, min, max }, inList].map((each) =>
          figureText(each.nominal, "in", toleranceOf(each)),
        );
        expect([name, id, both[0]]).toEqual([name, id, both[1]]);
      }
  });
  it("takes no more than half its tolerance, or is finer than a thirty-second", () => {
    for (const { name, figure, words } of figures) {
      const { plus, minus } = figure.own;
      const room = Math.min(...[plus, minus].flatMap((length) => (length === null ? [] : [length])));
      const shown = [16, 32, 64].map((of) => nearestFraction(um(words.length), of as 16 | 32 | 64));
      const used = shown.find(({ text }) => text === words.shown.main);
      if (!used || !Number.isFinite(room)) continue;
      const finer = used.text === shown[2]?.text && used.text !== shown[1]?.text;
      expect([name, finer || Math.abs(used.error) <= room / 2]).toEqual([name, true]);
    }
  });
});

describe("millimetres on screen", () => {
  it("have no third decimal, of no cut and no length to read", () => {
    for (const { sheet } of shippedSheets)
      for (const line of sheet.lines) {
        const words = figureWords(sheet, line, "mm");
        const texts = [words?.shown.main, words?.tolerance, ...(words?.also ?? [])].join(" ");
        expect(texts).not.toMatch(/\d\.\d{3}/);
      }
    for (const { sheet } of shippedSheets)
      for (const check of sheet.checks)
        expect(showLength(check.nominal, "mm", toleranceOf(check)).main).not.toMatch(/\.\d{3}/);
    expect(showLength(8_673, "mm").main).toBe("8.67");
  });
});
