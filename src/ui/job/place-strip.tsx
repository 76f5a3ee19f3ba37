import {
  capital,
  isSide,
  type PieceAnswer,
  type PiecePlan,
  type PlaceSide,
  type PlaceStanding,
  sideText,
} from "@/core";
import { STANDING_WORDS, StandingSquare } from "../plan/standing";

const SIZE = 9;
const ACROSS = 48;

interface PlaceStripProps {
  readonly places: PieceAnswer["places"];
  readonly side: PlaceSide;
  readonly plan: Pick<PiecePlan, "stations">;
}

/** Each end of a side or station as a small square, in the order of their addresses. */
export function PlaceStrip({ places, side, plan }: PlaceStripProps) {
  const here = places.filter((place) => place.side === side);
  if (here.length === 0) return null;
  const rows = Math.ceil(here.length / ACROSS);
  const width = Math.min(ACROSS, here.length) * SIZE;
  const counts = new Map<PlaceStanding, number>();
  for (const { standing } of here) counts.set(standing, (counts.get(standing) ?? 0) + 1);
  const message = [...counts]
    .map(([standing, n]) => `${n} ${STANDING_WORDS[standing].toLowerCase()}`)
    .join(", ");
  return (
    <span className="flex min-w-0 items-start gap-1">
      <span aria-hidden="true" className="w-3 text-soft text-xs leading-none">
        {isSide(side) ? side : "||"}
      </span>
      <svg
        role="img"
        aria-label={`${capital(sideText(side, plan))}: ${message}`}
        viewBox={`0 0 ${width} ${rows * SIZE}`}
        style={{ width }}
        className="h-auto min-w-0 max-w-full"
      >
        {here.map(({ text, standing }, i) => (
          <StandingSquare
            key={text}
            standing={standing}
            x={(i % ACROSS) * SIZE}
            y={Math.floor(i / ACROSS) * SIZE}
            size={SIZE - 1}
          />
        ))}
      </svg>
    </span>
  );
}
