"use client";

import { scaleLinear, scaleLog } from "d3-scale";
import type { Length, PieceNeeds, PiecePlan } from "@/core";
import { t } from "@/messages/jobs";
import { chanceText, metresText } from "../plan/metres";

const WIDTH = 300;
const HEIGHT = 150;
const LEFT = 52;
const LEAST = 1e-4;

interface RetryCurveProps {
  readonly curve: Pick<PieceNeeds, "curve" | "enough">;
  /** What is cut as planned. */
  readonly cut: Length;
  readonly plan: Pick<PiecePlan, "risk" | "yield">;
  /** Tries to spare as planned; null where nobody has said. */
  readonly chosen: number | null;
  /** What may come out short. */
  readonly of: string;
  readonly onPick: (retries: number) => void;
}

/** How likely it is to fall short with so many tries to spare, and what each of them costs in cable. */
export function RetryCurve({ curve: { curve, enough }, cut, plan, chosen, of, onPick }: RetryCurveProps) {
  if (curve.length === 0 || plan.yield === null)
    return <p className="text-soft">{t("say-what-ends-a-side-how")}</p>;
  const x = scaleLinear([0, curve.length - 1], [LEFT, WIDTH - 12]);
  const y = scaleLog([LEAST, 1], [HEIGHT - 22, 10]).clamp(true);
  return (
    <div className="mt-3 first-of-type:mt-0">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full max-w-96" aria-hidden="true">
        {[1, 0.1, 0.01, 0.001].map((at) => (
          <g key={at}>
            <line x1={LEFT} x2={WIDTH} y1={y(at)} y2={y(at)} stroke="var(--line)" />
            <text x={LEFT - 6} y={y(at) + 4} textAnchor="end" className="figures fill-soft text-xs">
              {at * 100} %
            </text>
          </g>
        ))}
        <line
          x1={LEFT}
          x2={WIDTH}
          y1={y(plan.risk)}
          y2={y(plan.risk)}
          stroke="var(--now)"
          strokeDasharray="4 3"
        />
        <polyline
          points={curve.map(({ retries, short }) => `${x(retries)},${y(short)}`).join(" ")}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2"
        />
        {curve.map(({ retries, short }) => (
          <circle
            key={retries}
            cx={x(retries)}
            cy={y(short)}
            r={retries === chosen ? 6 : 4}
            fill={retries === chosen ? "var(--now)" : "var(--ink)"}
          />
        ))}
      </svg>
      <RetryTable curve={curve} enough={enough} cut={cut} of={of} onPick={onPick} />
      <p className="mt-1 text-soft text-sm">
        {enough === null
          ? t("even-tries-leave-more-than", { value: curve.length - 1, chanceText: chanceText(plan.risk) })
          : t("other-enough-for", { enough, chanceText: chanceText(plan.risk) })}{" "}
        {"p" in plan.yield
          ? t("counted-with-good-at-first-as", { value: (plan.yield.p * 100).toFixed(0) })
          : t("counted-from-good-of", { good: plan.yield.good, tried: plan.yield.tried })}
      </p>
    </div>
  );
}

type RetryTableProps = RetryCurveProps["curve"] & Pick<RetryCurveProps, "cut" | "of" | "onPick">;

/** The chance and the cable of each number of tries, to be picked. */
function RetryTable({ curve, enough, cut, of, onPick }: RetryTableProps) {
  return (
    <table className="w-full text-sm">
      <caption className="pb-1 text-left text-soft">{t("chance-that-comes-out-short-by", { of })}</caption>
      <thead className="sr-only">
        <tr>
          <th>{t("tries")}</th>
          <th>{t("chance")}</th>
          <th>{t("cut")}</th>
        </tr>
      </thead>
      <tbody>
        {curve.slice(0, 5).map((retryChoice) => (
          <tr key={retryChoice.retries} className={retryChoice.retries === enough ? "font-bold" : ""}>
            <td>
              <button
                type="button"
                className="min-h-9 w-full text-left underline"
                onClick={() => onPick(retryChoice.retries)}
              >
                {retryChoice.retries} {retryChoice.retries === 1 ? "try" : "tries"}
              </button>
            </td>
            <td className="figures">{chanceText(retryChoice.short)}</td>
            <td className="figures text-right">
              {retryChoice.cut === cut
                ? t("as-planned")
                : `${retryChoice.cut > cut ? "+" : "−"}${metresText(Math.abs(retryChoice.cut - cut))} m`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
