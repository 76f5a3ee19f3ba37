import { type PlaceStanding, type Progress, STANDINGS } from "@/core";
import { t } from "@/messages/jobs";
import { RESULT_WORDS } from "../words/verdict-words";

export const STANDING_WORDS: Readonly<Record<PlaceStanding, string>> = {
  planned: t("to-do"),
  bench: t("at-the-bench"),
  ...RESULT_WORDS,
};

/** How each standing is painted: a colour, and a shape that tells it without one. */
const PAINT: Readonly<Record<PlaceStanding, string>> = {
  planned: "fill-none stroke-soft",
  bench: "fill-now stroke-now",
  in: "fill-in stroke-in",
  out: "fill-none stroke-out",
  unsure: "fill-none stroke-unsure",
  unmeasured: "fill-soft stroke-soft",
  "cut-off": "fill-none stroke-out",
  discarded: "fill-none stroke-soft",
};

const CROSSED: readonly PlaceStanding[] = ["out", "cut-off"];

/** A place as a small square: filled where it is done, half where it is at the bench, crossed where it failed. */
export function StandingSquare({
  standing,
  x = 0,
  y = 0,
  size = 12,
}: {
  standing: PlaceStanding;
  x?: number;
  y?: number;
  size?: number;
}) {
  const [side, left, top] = [size - 2, x + 1, y + 1];
  return (
    <g className={PAINT[standing]} strokeWidth={1.5}>
      {standing === "bench" ? (
        <>
          <rect x={left} y={top} width={side} height={side} fill="none" />
          <rect x={left} y={top + side / 2} width={side} height={side / 2} />
        </>
      ) : (
        <rect x={left} y={top} width={side} height={side} rx={standing === "in" ? side / 2 : 0} />
      )}
      {CROSSED.includes(standing) && (
        <path d={`M${left} ${top}l${side} ${side}M${left + side} ${top}l${-side} ${side}`} />
      )}
      {standing === "unsure" && <path d={`M${left + side / 2} ${top + 2}v${side - 4}`} />}
    </g>
  );
}

/** One square by itself, as a legend or beside words. */
export const StandingMark = ({ standing }: { standing: PlaceStanding }) => (
  <svg width={14} height={14} viewBox="0 0 14 14" aria-hidden="true" className="inline-block shrink-0">
    <StandingSquare standing={standing} x={1} y={1} />
  </svg>
);

const sharesOf = (progress: Progress) =>
  STANDINGS.flatMap((standing) => {
    const n = progress[standing] ?? 0;
    return n > 0 ? [{ standing, n }] : [];
  });

/** How far many ends are: each standing's share, and in words. */
export function ProgressLine({ progress }: { progress: Progress }) {
  const shares = sharesOf(progress);
  const all = shares.reduce((sum, { n }) => sum + n, 0);
  if (all === 0) return <span className="text-soft">{t("no-end-planned")}</span>;
  return (
    <span className="flex min-w-0 flex-wrap items-center gap-x-3 gap-y-0.5">
      {shares.map(({ standing, n }) => (
        <span key={standing} className="inline-flex items-center gap-1 whitespace-nowrap">
          <StandingMark standing={standing} />
          <span className="figures">{n}</span> {STANDING_WORDS[standing].toLowerCase()}
        </span>
      ))}
    </span>
  );
}
