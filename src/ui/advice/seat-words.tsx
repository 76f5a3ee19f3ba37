import type { Seat } from "@/core";
import { t } from "@/messages/advice";
import { Button } from "../controls/button";
import { figureText, type Units } from "../words/length-text";

/** How the fibre sits, in words: what was found, by how much, how sure, and what to do. */
export function seatWords(
  { finding, gap, cleave, mark }: Seat,
  units: Units,
): { text: string; todo: string } {
  const unit = units === "in" ? "in" : "mm";
  const by = (off: { by: number; u: number } | null) =>
    off
      ? `${figureText(Math.round(Math.abs(off.by) / 10) * 10, units)} ${unit} (± ${figureText(Math.round((2 * off.u) / 10) * 10, units)})`
      : "";
  switch (finding) {
    case "seated":
      return { text: t("seated", { value: gap ? t("within-of-the-stop", { by: by(gap) }) : "" }), todo: "" };
    case "short":
      return {
        text: t("short-of-the-stop-by", { by: by(gap) }),
        todo: t("push-it-home-by-the-buffer"),
      };
    case "cleaved-long":
      return {
        text: t("at-the-stop-but-cleaved-long", { by: by(cleave) }),
        todo: t("take-it-out-and-cleave-again"),
      };
    case "cleaved-short":
      return {
        text: t("at-the-stop-but-cleaved-short", { by: by(cleave) }),
        todo: t("take-it-out-strip-further-and"),
      };
    case "mark-off":
      return {
        text: t("at-the-stop-the-mark-was", {
          by: by(mark),
          value: mark && mark.by > 0 ? t("too-far-back") : t("too-near"),
        }),
        todo: t("the-fibre-is-right-the-mark"),
      };
    case "cannot-be":
      return {
        text: t("deeper-than-the-stop-by-that", { by: by(gap) }),
        todo: t("one-of-the-readings-is-wrong"),
      };
    case "unsure":
      return {
        text: t("the-readings-leave-open-why-the"),
        todo: t("take-it-out-and-measure-the"),
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
  const { text: message, todo } = seatWords(seat, units);
  const cleave = seat.finding === "cleaved-long" || seat.finding === "cleaved-short";
  return (
    <div role="status" className="mt-2 grid max-w-2xl gap-2 rounded-md bg-note px-3 py-2 leading-snug">
      <p>
        {message} {todo && <strong>{todo}</strong>}
      </p>
      {(seat.finding === "short" || cleave) && (
        <Button onClick={cleave ? onCleave : onSeat} className="justify-self-start">
          {cleave ? t("say-what-to-rework") : t("back-to-pushing-it-in")}
        </Button>
      )}
    </div>
  );
}
