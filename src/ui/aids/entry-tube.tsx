import { scaleLinear } from "d3-scale";
import { type Check, toMm } from "@/core";
import { t } from "@/messages/aids";
import { lengthText, limitsText, type Units } from "../words/length-text";

interface EntryTubeProps {
  readonly check: Check;
  /** Where the mark was read to stand, micrometres from the entry tube; null before it is read. */
  readonly reading: number | null;
  readonly units: Units;
}

/** The mark at the entry tube, to scale, with the band it may stand in. */
export function EntryTubePicture({ check, reading, units }: EntryTubeProps) {
  const [min, max] = [check.min ?? 0, check.max ?? check.nominal * 2];
  const most = Math.max(toMm(max), toMm(reading ?? 0), 1) * 1.6;
  const x = scaleLinear().domain([0, most]).range([110, 310]);
  const at = x(toMm(reading ?? check.nominal));
  const ticks = x.ticks(Math.min(8, Math.max(3, Math.round(most))));
  return (
    <figure className="w-64">
      <svg
        viewBox="0 0 320 104"
        className="w-full"
        role="img"
        aria-label={t("the-mark-may-stand-from-the", { limitsText: limitsText(check.min, check.max, units) })}
      >
        <rect x="110" y="34" width="210" height="28" fill="#dfe4ee" stroke="#8f9ab3" />
        <rect
          x={x(toMm(min))}
          y="24"
          width={Math.max(2, x(toMm(max)) - x(toMm(min)))}
          height="48"
          fill="var(--in)"
          fillOpacity="0.22"
          stroke="var(--in)"
        />
        <path
          d="M4,22 H96 L110,34 V62 L96,74 H4 Z"
          fill="var(--raised)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
        <text x="52" y="53" textAnchor="middle" fontSize="13" fill="var(--ink)">
          {t("entry-tube")}
        </text>
        <path
          d={`M${at},30 V66`}
          stroke="#1f2328"
          strokeWidth="4"
          strokeDasharray={reading === null ? "4 3" : undefined}
        />
        <path d="M110,80 H310" stroke="var(--ink)" />
        {ticks.map((tick) => (
          <g key={tick}>
            <path d={`M${x(tick)},80 v5`} stroke="var(--ink)" />
            <text x={x(tick)} y="98" textAnchor="middle" fontSize="12" fill="var(--ink)" className="figures">
              {tick}
            </text>
          </g>
        ))}
      </svg>
      <figcaption className="text-soft text-sm leading-tight">
        {t("to-scale-mm-the-mark-may", { limitsText: limitsText(check.min, check.max, units) })}
        {reading !== null && t("read", { lengthText: lengthText(reading, units) })}
      </figcaption>
    </figure>
  );
}
