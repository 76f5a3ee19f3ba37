import { createCanvas } from "@napi-rs/canvas";
import DxfParser from "dxf-parser";
import jsQR from "jsqr";
import { getDocument, OPS } from "pdfjs-dist/legacy/build/pdf.mjs";
import { describe, expect, it } from "vitest";
import { type RunSheet, stripMarks } from "@/core";
import { shippedSheets } from "@/core/runsheet/fixtures/shipped-sheets";
import { printRecords } from "@/worker/paper-beside";
import { cardDxf } from "./card-dxf";
import { cardsPdf } from "./card-pdf";
import { cardSvg } from "./card-svg";
import { cardPages } from "./layout";
import { type CardPage, correctedPage } from "./shapes";

const ADDRESS = "http://127.0.0.1:3000/?cable=simplex-3.0&style=stub-wedge-release-cord";
const UM = 1 / 1_000;
const sheetOf = (start: string): RunSheet => {
  const named = shippedSheets.find(({ name }) => name.startsWith(start));
  if (!named) throw new Error(`no sheet ${start}`);
  return named.sheet;
};
const cord = sheetOf("stub-wedge-release-cord on simplex-3.0");
const pagesOf = (sheet: RunSheet, paper: "a4" | "letter" | "roll-62" | "roll-100" = "a4") =>
  cardPages({ sheet, paper, address: ADDRESS, day: "2026-11-30", printer: null });
const onePage = (pages: readonly CardPage[]): CardPage => {
  const [page] = pages;
  if (!page) throw new Error("a page");
  return page;
};

/** Where the marks of a card must lie, millimetres from its datum line, as the run sheet has them. */
const markPlaces = (sheet: RunSheet): number[] => stripMarks(sheet).map(({ at }) => at * UM);

/** From the places of upright lines, the datum first, how far each of the sheet's marks is from the line nearest to it. */
function worstOff(sheet: RunSheet, upright: readonly number[], datum: number, scale = 1): number {
  const off = markPlaces(sheet).map((place) =>
    Math.min(...upright.map((x) => Math.abs(x - datum - place * scale))),
  );
  return Math.max(...off);
}

/** The datum of an A4 card: margin and inset of the strip. */
const DATUM = 24;

describe("a card's geometry, read back by others", () => {
  it.each([
    "stub-wedge-release-cord on simplex-3.0",
    "adhesive-polish-duplex on duplex-3.0",
    "drop-clamp on",
  ])("%s: in SVG and DXF every mark lies at the sheet's figure to 0.01 mm", (start) => {
    const sheet = sheetOf(start);
    const page = onePage(pagesOf(sheet));
    const svg = cardSvg(page);
    const upright = [...svg.matchAll(/<line data-layer="mark" x1="([\d.]+)" y1="[\d.]+" x2="([\d.]+)"/g)]
      .filter(([, x1, x2]) => x1 === x2)
      .map(([, x1]) => Number(x1));
    expect(worstOff(sheet, upright, DATUM)).toBeLessThan(0.01);
    const drawing = new DxfParser().parseSync(cardDxf(page));
    const lines = (drawing?.entities ?? []).flatMap((entity) =>
      entity.type === "LINE" && entity.layer === "mark" && "vertices" in entity
        ? [(entity.vertices as { x: number }[]).map(({ x }) => x)]
        : [],
    );
    const uprightDxf = lines.flatMap(([a, b]) => (a !== undefined && a === b ? [a] : []));
    expect(worstOff(sheet, uprightDxf, DATUM)).toBeLessThan(0.01);
  });
  it("in PDF every mark lies at the sheet's figure to 0.01 mm, with a printer's correction in it", async () => {
    const correction = { x: 1.0125, y: 0.9931 };
    const page = correctedPage(onePage(pagesOf(cord)), correction);
    const paper = await getDocument({ data: new Uint8Array(await cardsPdf([page])), verbosity: 0 }).promise;
    const first = await paper.getPage(1);
    const [, , width = 0, height = 0] = first.view;
    expect([width, height].map((points) => (points / 72) * 25.4)).toEqual([
      expect.closeTo(297, 2),
      expect.closeTo(210, 2),
    ]);
    const list = await first.getOperatorList();
    const xs = list.fnArray.flatMap((fn, i) => {
      if (fn !== OPS.constructPath) return [];
      const [, , bounds] = list.argsArray[i];
      if (!bounds) return [];
      const [left, top, right, bottom] = [0, 1, 2, 3].map((at) => Number(bounds[at]));
      // Upright and longer than any line of a rule: the datum and the marks.
      const isMark = left === right && Math.abs(Number(bottom) - Number(top)) > 15;
      return isMark ? [Number(left)] : [];
    });
    expect(worstOff(cord, xs, DATUM * correction.x, correction.x)).toBeLessThan(0.01);
  });
  it("has every text in the PDF as it was set, by the thread too: no figure is lost on the way", async () => {
    const page = onePage(pagesOf(cord));
    const printing = printRecords(
      (async function* () {
        yield { cards: [page] };
      })(),
    );
    const paper = await getDocument({ data: new Uint8Array(await printing), verbosity: 0 }).promise;
    const { items } = await (await paper.getPage(1)).getTextContent();
    const set = items
      .flatMap((item) => ("str" in item ? [item.str.replaceAll("\u0019", ".")] : []))
      .join("|");
    const figures = page.shapes.flatMap((shape) =>
      shape.kind === "text" && /^[\d./ ±–]+$/.test(shape.text) ? [shape.text] : [],
    );
    expect(figures).toContain("9.5");
    expect(figures.filter((figure) => !set.includes(figure))).toEqual([]);
  });
  it("printed, its bar is 100 mm and its code leads back to the sheet: measured in a rendered picture", async () => {
    const paper = await getDocument({ data: new Uint8Array(await cardsPdf(pagesOf(cord))), verbosity: 0 })
      .promise;
    const first = await paper.getPage(1);
    // Ten pixels in a millimetre.
    const viewport = first.getViewport({ scale: 254 / 72 });
    const canvas = createCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
    const context = canvas.getContext("2d");
    await first.render({ canvas: canvas as never, canvasContext: context as never, viewport }).promise;
    const { data, width, height } = context.getImageData(0, 0, canvas.width, canvas.height);
    const code = jsQR(new Uint8ClampedArray(data), width, height);
    expect(code?.data).toBe(ADDRESS);
    const isInk = (x: number, y: number) => (data[4 * (y * width + x)] ?? 255) < 128;
    // The bar down the left edge is the only upright line 7 mm from it.
    const column = Array.from({ length: height }, (_, y) => y).filter((y) => isInk(70, y));
    const length = ((column.at(-1) ?? 0) - (column[0] ?? 0)) / 10;
    expect(Math.abs(length - 100)).toBeLessThan(0.3);
  });
});

describe("the papers", () => {
  it("fold a long strip over several pages with numbers, a roll takes it whole", () => {
    const kit = sheetOf("breakout-kit-12 on");
    expect(pagesOf(kit).length).toBeGreaterThan(3);
    expect(pagesOf(kit, "roll-100").length).toBeLessThan(3);
  });
  it.each(["a4", "letter", "roll-62", "roll-100"] as const)(
    "%s: everything but the paper's own edge lies on the page",
    (paper) => {
      for (const { width, height, shapes } of pagesOf(cord, paper))
        for (const shape of shapes) {
          const [x, y] = shape.kind === "line" ? [shape.x2, shape.y2] : [shape.x, shape.y];
          expect(x >= 0 && x <= width && y >= 0 && y <= height, JSON.stringify(shape)).toBe(true);
        }
    },
  );
  it("say that they are not proven, or which correction they were made with", () => {
    const drawnFor = (printer: Parameters<typeof cardPages>[0]["printer"]) =>
      cardSvg(onePage(cardPages({ sheet: cord, paper: "a4", address: ADDRESS, day: "2026-11-30", printer })));
    expect(drawnFor(null)).toContain("Not proven: measure the bar");
    const corrected = drawnFor({ name: "Hut <laser>", correction: { x: 1.004, y: 0.998 } });
    expect(corrected).toContain("Hut &lt;laser&gt;: drawn at 100.40 % across, 99.80 % down");
  });
});
