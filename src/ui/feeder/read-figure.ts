/** A number between two limits, both in, with either decimal sign; null where the text is none. */
export function readFigure(text: string, least: number, most: number): number | null {
  const value = Number(text.trim().replace(",", ".").replace("−", "-"));
  return text.trim() !== "" && value >= least && value <= most ? value : null;
}
