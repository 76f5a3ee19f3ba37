import type { CardPage, CardShape } from "./shapes";

const INK = "#14171a";

const XML: Readonly<Record<string, string>> = {
  "&": "&amp;",
  "<": "&lt;",
  ">": "&gt;",
  '"': "&quot;",
  "'": "&apos;",
};
const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => XML[sign] ?? sign);

const figure = (value: number): string => String(Math.round(value * 10_000) / 10_000);

/** One page of cards as SVG in real millimetres; each shape names its layer. */
export function cardSvg({ width, height, shapes }: CardPage): string {
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${figure(width)}mm" height="${figure(height)}mm" viewBox="0 0 ${figure(width)} ${figure(height)}">`,
    `<rect width="${figure(width)}" height="${figure(height)}" fill="#ffffff"/>`,
    ...shapes.map(shapeSvg),
    "</svg>",
    "",
  ].join("\n");
}

function shapeSvg(shape: CardShape): string {
  const layer = `data-layer="${shape.layer}"`;
  switch (shape.kind) {
    case "line": {
      const [x1, y1, x2, y2] = [shape.x1, shape.y1, shape.x2, shape.y2].map(figure);
      const dash = shape.dashed ? ' stroke-dasharray="1 0.8"' : "";
      return `<line ${layer} x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}" stroke="${INK}" stroke-width="${figure(shape.width)}"${dash}/>`;
    }
    case "rect": {
      const [x, y, width, height] = [shape.x, shape.y, shape.width, shape.height].map(figure);
      const stroke = shape.line > 0 ? ` stroke="${INK}" stroke-width="${figure(shape.line)}"` : "";
      const dash = shape.dashed ? ' stroke-dasharray="1.6 1.2"' : "";
      return `<rect ${layer} x="${x}" y="${y}" width="${width}" height="${height}" fill="${shape.fill ? (shape.tint ?? INK) : "none"}"${stroke}${dash}/>`;
    }
    case "text": {
      const [x, y, size] = [shape.x, shape.y, shape.size].map(figure);
      const turn = shape.turned ? ` transform="rotate(-90 ${x} ${y})"` : "";
      const weight = shape.bold ? ' font-weight="700"' : "";
      return `<text ${layer} x="${x}" y="${y}" font-size="${size}" font-family="Atkinson Hyperlegible Next, sans-serif" text-anchor="${shape.anchor}" fill="${shape.light ? "#ffffff" : INK}"${weight}${turn}>${escaped(shape.text)}</text>`;
    }
  }
}
