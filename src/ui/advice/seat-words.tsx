import type { Seat } from "@/core";
import { figureText, type Units } from "../words/length-text";

/** How the fibre sits, in words: what was found, by how much, how sure, and what to do. */
export function seatWords(
  { finding, gap, cleave, mark }: Seat,
  units: Units,
): { says: string; todo: string } {
  const unit = units === "in" ? "in" : "mm";
  const by = (off: { by: number; u: number } | null) =>
    off
      ? `${figureText(Math.round(Math.abs(off.by) / 10) * 10, units)} ${unit} (± ${figureText(Math.round((2 * off.u) / 10) * 10, units)})`
      : "";
  switch (finding) {
    case "seated":
      return { says: `Seated${gap ? `: within ${by(gap)} of the stop` : ""}.`, todo: "" };
    case "short":
      return {
        says: `Short of the stop by ${by(gap)}.`,
        todo: "Push it home by the buffer, keeping a slight bow; never pull on the fibre. Then read the mark again.",
      };
    case "cleaved-long":
      return {
        says: `At the stop, but cleaved long by ${by(cleave)}.`,
        todo: "Take it out and cleave again as below.",
      };
    case "cleaved-short":
      return {
        says: `At the stop, but cleaved short by ${by(cleave)}.`,
        todo: "Take it out and strip and cleave as below.",
      };
    case "mark-off":
      return {
        says: `At the stop; the mark was drawn ${by(mark)} ${mark && mark.by > 0 ? "too far back" : "too near"}.`,
        todo: "The fibre is right, the mark is not: draw it again where it belongs before the next look.",
      };
    case "cannot-be":
      return {
        says: `Deeper than the stop by ${by(gap)}: that cannot be.`,
        todo: "One of the readings is wrong: read the stand-off and the cleave again.",
      };
    case "unsure":
      return {
        says: "The readings leave open why the mark stands off.",
        todo: "Take it out and measure the cleave and the mark.",
      };
  }
}

/** The seat's diagnosis under the stand-off's verdict. */
export function SeatNote({ seat, units }: { seat: Seat; units: Units }) {
  const { says, todo } = seatWords(seat, units);
  return (
    <p role="status" className="rounded-md bg-note px-3 py-2 leading-snug">
      {says} {todo && <strong>{todo}</strong>}
    </p>
  );
}
