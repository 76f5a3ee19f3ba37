import type { Verdict } from "@/core";

/** The length nearest to its limits, micrometres. */
export interface NearestLength {
  readonly name: string;
  readonly leg: string;
  readonly nominal: number;
  readonly min: number | null;
  readonly max: number | null;
  readonly mean: number;
  readonly spare: number;
  readonly verdict: Verdict | null;
}

const WIDTH = 112;
const HEIGHT = 16;
const TONE = { in: "var(--in)", out: "var(--out)", unsure: "var(--unsure)" } as const;

/** A length beside its limits in small: the band of what is in, the nominal as a line, the mean as a dot. */
export function MiniScale({ min, max, nominal, mean, verdict }: NearestLength) {
  const tolerance = Math.max(
    1,
    ...[min, max].flatMap((limit) => (limit === null ? [] : Math.abs(nominal - limit))),
  );
  const x = (value: number) =>
    WIDTH / 2 + Math.max(-1, Math.min(1, (value - nominal) / (2 * tolerance))) * (WIDTH / 2 - 5);
  const [low, high] = [min === null ? 2 : x(min), max === null ? WIDTH - 2 : x(max)];
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      height={HEIGHT}
      aria-hidden="true"
      className="shrink-0"
    >
      <path d={`M0,8 H${WIDTH}`} stroke="var(--line)" />
      <rect x={low} y="3" width={high - low} height="10" rx="5" fill="var(--in-wash)" stroke="var(--in)" />
      <path d={`M${x(nominal)},3 V13`} stroke="var(--in)" />
      {verdict === "out" ? (
        <rect x={x(mean) - 4} y="4" width="8" height="8" fill={TONE.out} />
      ) : verdict === "unsure" ? (
        <path d={`M${x(mean)},2 l6,6 -6,6 -6,-6 Z`} fill={TONE.unsure} />
      ) : (
        <circle cx={x(mean)} cy="8" r="4" fill="var(--ink)" />
      )}
    </svg>
  );
}

/** A loss beside its limit in small. dB. */
export function MiniLoss({
  loss,
  limit,
  verdict,
}: {
  readonly loss: number;
  readonly limit: number;
  readonly verdict: keyof typeof TONE;
}) {
  const full = 64;
  const x = (dB: number) => Math.max(0, Math.min(full, (dB / (limit * 1.3 || 1)) * full));
  return (
    <svg viewBox={`0 0 ${full} 12`} width={full} height="12" aria-hidden="true" className="shrink-0">
      <rect x="0" y="4" width={full} height="4" fill="var(--line)" />
      <rect
        x="0"
        y="4"
        width={x(limit)}
        height="4"
        fill="var(--in-wash)"
        stroke="var(--in)"
        strokeWidth="0.6"
      />
      <circle
        cx={Math.max(4, Math.min(full - 4, x(loss)))}
        cy="6"
        r="4"
        fill={verdict === "in" ? "var(--ink)" : TONE[verdict]}
      />
    </svg>
  );
}
