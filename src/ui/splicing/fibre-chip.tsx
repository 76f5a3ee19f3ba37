import {
  FIBRE_COLOURS,
  type FibreEnd,
  fibreShown,
  fibreTotal,
  leadName,
  PIGTAIL,
  type SplicedCable,
  splicedCable,
} from "@/core";
import { t } from "@/messages/splicing";
import { FIBRE_PAINT } from "../band/fibre-paint";

interface FibreChipProps {
  readonly end: FibreEnd;
  readonly cables: readonly SplicedCable[];
}

/** Paint of a fibre's end: its colour's, or the page's own where it has none. */
export function paintOf(end: FibreEnd, cables: readonly SplicedCable[]) {
  const cable = splicedCable(cables, end.cable);
  if (!cable || end.fibre > fibreTotal(cable.cable))
    return { ground: "var(--ghost)", letters: "var(--ground)" };
  // Leads of a tap or splitter have no colour that is known.
  if (cable.device) return { ground: "var(--raised)", letters: "var(--ink)" };
  const colour = FIBRE_COLOURS.find(({ code }) => code === fibreShown(cable.cable, end.fibre).code);
  return FIBRE_PAINT[colour?.code ?? "WH"];
}

/** The two letters of a fibre's colour on that colour; tracers as so many strokes. */
export function FibreChip({ end, cables }: FibreChipProps) {
  const cable = splicedCable(cables, end.cable);
  const shown = cable && end.fibre <= fibreTotal(cable.cable) ? fibreShown(cable.cable, end.fibre) : null;
  const { ground, letters } = paintOf(end, cables);
  if (cable?.device)
    return (
      <span
        role="img"
        aria-label={leadName(cable.device, end.fibre)}
        className="inline-block min-w-9 rounded border border-ink px-1 text-center font-bold font-figure text-sm"
        style={{ background: ground, color: letters }}
      >
        {end.fibre}
      </span>
    );
  const code = shown ? `${shown.code}${"′".repeat(shown.tracers)}` : end.cable === PIGTAIL ? "P" : "?";
  return (
    <span
      role="img"
      aria-label={
        shown
          ? t("colours-of-cut-end", { fibre: end.fibre, colour: shown.colour })
          : t("pigtail", { number: end.fibre })
      }
      className="inline-block min-w-9 rounded border border-ink px-1 text-center font-bold font-figure text-sm"
      style={{ background: ground, color: letters }}
    >
      {code}
    </span>
  );
}
