import type { Length } from "@/core";
import { t } from "@/messages/figure";
import { inchText, mmText, type Units } from "../words/length-text";

interface ToleranceScaleProps {
  readonly nominal: number;
  readonly plus: Length | null;
  readonly minus: Length | null;
  readonly units: Units;
  /** A reading to be shown on the scale, and how it is judged. */
  readonly reading: { readonly value: number; readonly verdict: "in" | "out" | "unsure" } | null;
}

const WIDTH = 400;
const COLOUR = { in: "var(--in)", out: "var(--out)", unsure: "var(--unsure)" } as const;

/** The tolerance drawn: the band of what is in, the figure in it, and a reading where it falls. */
export function ToleranceScale({ nominal, plus, minus, units, reading }: ToleranceScaleProps) {
  if (plus === null && minus === null) return null;
  const widest = Math.max(plus ?? 0, minus ?? 0) || 1;
  const x = (value: number) =>
    WIDTH / 2 + Math.max(-1, Math.min(1, (value - nominal) / (2.2 * widest))) * (WIDTH / 2 - 12);
  const write = (value: number) => (units === "in" ? inchText(value) : mmText(value));
  const low = minus === null ? 4 : x(nominal - minus);
  const high = plus === null ? WIDTH - 4 : x(nominal + plus);
  const label = [
    minus === null ? null : t("at-least", { least: write(nominal - minus) }),
    plus === null ? null : t("at-most", { most: write(nominal + plus) }),
  ]
    .filter(Boolean)
    .join(", ");
  return (
    <svg
      viewBox={`0 0 ${WIDTH} 62`}
      className="figures mt-3 w-full max-w-[400px]"
      role="img"
      aria-label={t("tolerance-of", { limits: label })}
    >
      <line x1="4" x2={WIDTH - 4} y1="28" y2="28" stroke="var(--line)" strokeWidth="2" />
      <rect x={low} y="19" width={high - low} height="18" rx="9" fill="var(--in-wash)" stroke="var(--in)" />
      <line x1={x(nominal)} x2={x(nominal)} y1="12" y2="44" stroke="var(--ink)" strokeWidth="2.5" />
      {minus !== null && (
        <text x={low} y="57" fontSize="15" textAnchor="middle" fill="var(--ink)">
          {write(nominal - minus)}
        </text>
      )}
      {plus !== null && (
        <text x={high} y="57" fontSize="15" textAnchor="middle" fill="var(--ink)">
          {write(nominal + plus)}
        </text>
      )}
      {reading && <path d={`M${x(reading.value) - 8},2 h16 l-8,14 z`} fill={COLOUR[reading.verdict]} />}
    </svg>
  );
}
