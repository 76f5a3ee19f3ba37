import type { EndId } from "@/core";
import { fibreColour, mustHoldAt } from "@/core";
import { t } from "@/messages/aids";

interface PolarityProps {
  /** Which end of the run is in hand, a or b, where the sheet knows it; then places are numbered. */
  readonly end: EndId | undefined;
}

const ROWS = [26, 76] as const;
const STROKES = ["#3f7fd0", "#e07a1f"] as const;

/** Both ends of one duplex run: what is in the first place here is in the second place there. */
export function PolarityPicture({ end }: PolarityProps) {
  const places = end === undefined ? ["A", "B"] : ["1", "2"];
  const fibres = [1, 2].map(fibreColour);
  const here = end === "b" ? "right" : end === "a" ? "left" : null;
  return (
    <figure className="max-w-md">
      <svg
        viewBox="0 0 360 112"
        className="w-full"
        role="img"
        aria-label={t("which-is-where", {
          first: fibres[0]?.name ?? "",
          place: places[0] ?? "",
          second: fibres[1]?.name ?? "",
          other: places[1] ?? "",
        })}
      >
        {fibres.map(({ name, code }, i) => (
          <g key={code}>
            <path
              d={`M70,${ROWS[i]} C160,${ROWS[i]} 200,${ROWS[1 - i]} 290,${ROWS[1 - i]}`}
              fill="none"
              stroke={STROKES[i]}
              strokeWidth="6"
            />
            <text x="78" y={mustHoldAt(ROWS, i) - 9} fontSize="13" fill="var(--ink)">
              {name} {code}
            </text>
            <text x="282" y={mustHoldAt(ROWS, 1 - i) - 9} textAnchor="end" fontSize="13" fill="var(--ink)">
              {name} {code}
            </text>
          </g>
        ))}
        {(["left", "right"] as const).map((side) =>
          places.map((place, i) => (
            <g key={`${side}${place}`}>
              <rect
                x={side === "left" ? 30 : 290}
                y={mustHoldAt(ROWS, i) - 19}
                width="40"
                height="38"
                rx="4"
                fill={side === here ? "var(--now-wash)" : "var(--raised)"}
                stroke={side === here ? "var(--now)" : "var(--ink)"}
                strokeWidth={side === here ? 3 : 2}
              />
              <text
                x={side === "left" ? 50 : 310}
                y={mustHoldAt(ROWS, i) + 7}
                textAnchor="middle"
                fontSize="20"
                fontWeight="700"
                fill="var(--ink)"
              >
                {place}
              </text>
            </g>
          )),
        )}
      </svg>
      <figcaption className="text-soft text-sm leading-tight">
        {t("both-ends-of-one-run-they")}
        {here && ` ${t("end-in-hand", { here, end: end?.toUpperCase() ?? "" })}`}
      </figcaption>
    </figure>
  );
}
