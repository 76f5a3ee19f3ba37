import PDFDocument from "pdfkit";
import { t } from "@/messages/paper";
import { mustBePrintable } from "../printable";
import { FACES, faceRuns } from "../scripts";
import type { CardPage, CardShape } from "./shapes";

/** Points in a millimetre: a point is 1/72 inch. */
const POINTS = 72 / 25.4;
const INK = "#14171a";
const PAPER = "#ffffff";

/**
 * Cards as a PDF: pages of their true size, fonts embedded. Drawn directly, shape by shape: no layout moves or scales anything.
 * @returns the file's bytes. @throws InputError `script` for a name in letters no face here has.
 */
export async function cardsPdf(pages: readonly CardPage[]): Promise<Buffer> {
  mustBePrintable(
    pages.flatMap(({ shapes }) => shapes.flatMap((shape) => (shape.kind === "text" ? [shape.text] : []))),
  );
  const pdf = new PDFDocument({
    autoFirstPage: false,
    margin: 0,
    lang: "en",
    info: { Title: t("strip-cards"), Creator: t("arlent") },
  });
  for (const { family, fonts } of FACES)
    for (const { src, fontWeight } of fonts) pdf.registerFont(`${family} ${fontWeight}`, src);
  const chunks: Buffer[] = [];
  pdf.on("data", (chunk: Buffer) => chunks.push(chunk));
  const ended = new Promise<void>((resolve, reject) => pdf.on("end", resolve).on("error", reject));
  for (const { width, height, shapes } of pages) {
    pdf.addPage({ size: [width * POINTS, height * POINTS], margin: 0 });
    pdf.scale(POINTS);
    for (const shape of shapes) draw(pdf, shape);
  }
  pdf.end();
  await ended;
  return Buffer.concat(chunks);
}

type Pdf = InstanceType<typeof PDFDocument>;

function draw(pdf: Pdf, shape: CardShape): void {
  switch (shape.kind) {
    case "line":
      pdf.moveTo(shape.x1, shape.y1).lineTo(shape.x2, shape.y2);
      stroke(pdf, shape.width, shape.dashed ?? false);
      return;
    case "rect":
      pdf.rect(shape.x, shape.y, shape.width, shape.height);
      if (shape.fill) pdf.fill(shape.tint ?? INK);
      else stroke(pdf, shape.line, shape.dashed ?? false);
      return;
    case "text":
      write(pdf, shape);
  }
}

function stroke(pdf: Pdf, width: number, dashed: boolean): void {
  pdf.lineWidth(width).strokeColor(INK);
  if (dashed) pdf.dash(1.4, { space: 1 });
  pdf.stroke();
  if (dashed) pdf.undash();
}

/** A text with its baseline at its place, each run of letters in the first face that has them. */
function write(
  pdf: Pdf,
  { x, y, size, text, anchor, bold, light, turned }: Extract<CardShape, { kind: "text" }>,
): void {
  const runs = faceRuns(text).map(({ family, text: run }) => {
    pdf.font(`${family} ${bold ? 700 : 400}`).fontSize(size);
    return { family, run, width: pdf.widthOfString(run) };
  });
  const width = runs.reduce((sum, run) => sum + run.width, 0);
  let along = x - (anchor === "end" ? width : anchor === "middle" ? width / 2 : 0);
  pdf.save();
  if (turned) pdf.rotate(-90, { origin: [x, y] });
  pdf.fillColor(light ? PAPER : INK);
  for (const { family, run, width: wide } of runs) {
    pdf.font(`${family} ${bold ? 700 : 400}`).fontSize(size);
    pdf.text(run, along, y, { baseline: "alphabetic", lineBreak: false });
    along += wide;
  }
  pdf.restore();
}
