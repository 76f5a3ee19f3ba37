import type { Splice, TrayList } from "@/core";
import { decimal } from "@/messages/numbers";

type TrayLine = TrayList<Splice>["lines"][number];

/** A line of a tray's list in words: steps of laying, turns and trim of both sides in millimetres, tries left. */
export function trayLineTexts({ steps, laid }: Pick<TrayLine, "steps" | "laid">) {
  const both = (of: (side: NonNullable<typeof laid>["a"]) => number | null) =>
    laid ? [laid.a, laid.b].map((side) => decimal(String(of(side) ?? "–"))).join(" / ") : "–";
  return {
    steps: steps.join(", "),
    turns: both(({ turns }) => turns),
    trim: both(({ trim }) => (trim === null ? null : trim / 1_000)),
    tries: laid && laid.tries >= 0 ? String(laid.tries) : "–",
  };
}
