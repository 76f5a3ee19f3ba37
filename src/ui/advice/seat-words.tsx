import type { Seat } from "@/core";
import { Button } from "../controls/button";
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
        todo: "Take it out and cleave again, shorter.",
      };
    case "cleaved-short":
      return {
        says: `At the stop, but cleaved short by ${by(cleave)}.`,
        todo: "Take it out, strip further and cleave again.",
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

interface SeatNoteProps {
  readonly seat: Seat;
  readonly units: Units;
  /** Back to the step that pushes it in. */
  readonly onSeat: () => void;
  /** The end is to be cleaved again. */
  readonly onCleave: () => void;
}

/** The seat's diagnosis under the stand-off's verdict, and the one touch that acts on it. */
export function SeatNote({ seat, units, onSeat, onCleave }: SeatNoteProps) {
  const { says, todo } = seatWords(seat, units);
  const cleave = seat.finding === "cleaved-long" || seat.finding === "cleaved-short";
  return (
    <div role="status" className="mt-2 grid max-w-2xl gap-2 rounded-md bg-note px-3 py-2 leading-snug">
      <p>
        {says} {todo && <strong>{todo}</strong>}
      </p>
      {(seat.finding === "short" || cleave) && (
        <Button onClick={cleave ? onCleave : onSeat} className="justify-self-start">
          {cleave ? "Say what to rework" : "Back to pushing it in"}
        </Button>
      )}
    </div>
  );
}
