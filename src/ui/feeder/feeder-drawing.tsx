"use client";

import { scaleLinear } from "d3-scale";
import { dropLoss, type FeederAnswer, type FeederPlan, type JointLight } from "@/core";
import { t } from "@/messages/feeder";
import { decimal } from "@/messages/numbers";
import { useWidth } from "../band/use-width";
import { labelHeights } from "./label-heights";

interface FeederDrawingProps {
  readonly plan: FeederPlan;
  readonly lights: readonly JointLight[];
  readonly readings: FeederAnswer["readings"];
  readonly picked: number;
  readonly onPick: (at: number) => void;
}

const CABLE = 74;
const AXIS = 164;
const BARS = { top: 210, bottom: 350 };
const HEIGHT = 376;
const LEFT = 64;

/** The feeder along its length: each joint with its tap as a slice, the light left in the cable, and every drop's margin as a bar. */
export function FeederDrawing({ plan, lights, readings, picked, onPick }: FeederDrawingProps) {
  const { ref, width } = useWidth<HTMLElement>(1_200);
  const end = lights.at(-1)?.along ?? 0;
  const x = scaleLinear([0, Math.max(1, end)], [LEFT, width - 48]);
  const most = Math.max(plan.margin + 2, ...lights.map(({ margin }) => margin));
  const least = Math.min(0, ...lights.map(({ margin }) => margin));
  const y = scaleLinear([least, most], [BARS.bottom, BARS.top]);
  const rows = rowsOf(lights.map(({ along }) => x(along)));
  const heights = labelHeights(
    lights.map(({ along, margin }) => ({ x: x(along), top: Math.min(y(margin), y(0)) })),
  );
  return (
    <figure ref={ref} className="border-line border-y bg-raised">
      <svg width={width} height={HEIGHT} viewBox={`0 0 ${width} ${HEIGHT}`} className="block h-auto w-full">
        <title>{t("the-feeder-along-its-length")}</title>
        <Cable plan={plan} lights={lights} x={x} />
        {x.ticks(Math.max(2, Math.floor(width / 130))).map((tick) => (
          <g key={tick} aria-hidden="true">
            <path d={`M${x(tick)},${AXIS} v8`} stroke="var(--ink)" />
            <text x={x(tick)} y={AXIS + 22} textAnchor="middle" className="figures fill-soft text-xs">
              {tick} m
            </text>
          </g>
        ))}
        <path d={`M${LEFT},${AXIS} H${width - 48}`} stroke="var(--ink)" aria-hidden="true" />
        <rect
          x={0}
          width={width}
          y={y(most)}
          height={Math.max(0, y(plan.margin) - y(most))}
          fill="var(--in)"
          opacity="0.1"
          aria-hidden="true"
        />
        <path d={`M0,${y(plan.margin)} H${width}`} stroke="var(--in)" strokeWidth="1.5" aria-hidden="true" />
        <text x={4} y={y(plan.margin) - 4} className="fill-in font-semibold text-xs">
          {t("wanted", { margin: decimal(plan.margin.toFixed(1)) })}
        </text>
        <path d={`M0,${y(0)} H${width}`} stroke="var(--ink)" aria-hidden="true" />
        {lights.map((light, i) => (
          <Joint
            // biome-ignore lint/suspicious/noArrayIndexKey: joints go by their place
            key={i}
            {...{ plan, light, i, y }}
            x={x(light.along)}
            row={rows[i] ?? 0}
            height={heights[i] ?? null}
            isPicked={i === picked}
            onPick={() => onPick(i)}
          />
        ))}
        <PowersRead {...{ plan, lights, readings, x, y }} />
      </svg>
    </figure>
  );
}

/** Words of joints nearer than this would lie over each other. */
const NEAR = 110;

/** On which of two lines each joint's words stand: near ones by turns. */
function rowsOf(places: readonly number[]): (0 | 1)[] {
  const rows: (0 | 1)[] = [];
  for (const [i, place] of places.entries()) {
    const isNear = place - (places[i - 1] ?? Number.NEGATIVE_INFINITY) < NEAR;
    rows.push(isNear && rows[i - 1] === 0 ? 1 : 0);
  }
  return rows;
}

/** The cable from the source to the last joint: the blue in it is the light that is left. */
function Cable({
  plan,
  lights,
  x,
}: Pick<FeederDrawingProps, "plan" | "lights"> & { x: (metres: number) => number }) {
  const range = Math.max(1, plan.launchDbm - plan.sensitivityDbm);
  const before = [{ along: 0, through: plan.launchDbm }, ...lights];
  return (
    <g aria-hidden="true">
      <rect x={x(0) - 44} y={CABLE - 16} width="36" height="32" fill="var(--ground)" stroke="var(--ink)" />
      <text x={4} y={14} className="fill-ink text-xs">
        {t("source-and-power", { source: plan.source, power: decimal(plan.launchDbm.toFixed(1)) })}
      </text>
      {lights.map(({ along }, i) => {
        const from = before[i];
        if (!from) return null;
        const light = Math.max(0, Math.min(1, (from.through - plan.sensitivityDbm) / range));
        const start = i === 0 ? x(0) - 8 : x(from.along);
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: stretches go by their place
          <g key={i}>
            <path d={`M${start},${CABLE} H${x(along)}`} stroke="var(--ink)" strokeWidth="9" />
            <path
              d={`M${start},${CABLE} H${x(along)}`}
              stroke="var(--glass, #8fd0dc)"
              strokeWidth={1 + 6 * light}
            />
          </g>
        );
      })}
    </g>
  );
}

interface JointProps {
  readonly plan: FeederPlan;
  readonly light: JointLight;
  readonly i: number;
  readonly x: number;
  readonly y: (margin: number) => number;
  /** 1 where its words stand a line away from those of the joint before. */
  readonly row: 0 | 1;
  /** Where its margin stands; null where there is no room for it. */
  readonly height: number | null;
  readonly isPicked: boolean;
  readonly onPick: () => void;
}

const RADIUS = 17;
/** Standard uncertainty of a power read with a meter of the bench, dB: our own representative figure. */
const POWER_U = 0.25;

interface PowersReadProps extends Pick<FeederDrawingProps, "plan" | "lights" | "readings"> {
  readonly x: (metres: number) => number;
  readonly y: (margin: number) => number;
}

/** Distance of a reading from its joint's bar, pixels. */
const BESIDE = 24;

/** Powers read at the outputs, as margins at their receivers: a point each, with twice its uncertainty. */
const PowersRead = ({ plan, lights, readings, x, y }: PowersReadProps) => (
  <g aria-hidden="true">
    {readings.map(({ joint, label, dBm }) => {
      const [light, planned] = [lights[joint], plan.joints[joint]];
      if (!light || !planned) return null;
      const margin = dBm - plan.sensitivityDbm - dropLoss(plan, planned);
      return (
        <g key={`${joint} ${label}`} transform={`translate(${x(light.along) + BESIDE},0)`}>
          <path
            d={`M0,${y(margin + 2 * POWER_U)} V${y(margin - 2 * POWER_U)}`}
            stroke="var(--ground)"
            strokeWidth="6"
          />
          <path
            d={`M0,${y(margin + 2 * POWER_U)} V${y(margin - 2 * POWER_U)} M-5,${y(margin + 2 * POWER_U)} h10 M-5,${y(margin - 2 * POWER_U)} h10`}
            stroke="var(--ink)"
            strokeWidth="2"
          />
          <path
            d={`M0,${y(margin) - 6} l6,6 l-6,6 l-6,-6 z`}
            fill="var(--ground)"
            stroke="var(--ink)"
            strokeWidth="2"
          />
        </g>
      );
    })}
  </g>
);

/** A slice of a circle from the top, clockwise. */
function slicePath(share: number): string {
  const angle = 2 * Math.PI * Math.min(0.999, share);
  const [dx, dy] = [Math.sin(angle) * RADIUS, -Math.cos(angle) * RADIUS];
  return `M0,0 L0,${-RADIUS} A${RADIUS},${RADIUS} 0 ${share > 0.5 ? 1 : 0} 1 ${dx},${dy} Z`;
}

/** The most drops drawn as branches of their own. */
const MOST_BRANCHES = 8;

/** From the tap to its drops: one line, or as many as there are outputs. */
function branchPath(drops: number): string {
  const fork = RADIUS + 12;
  const bottom = AXIS - CABLE - 36;
  if (drops === 1) return `M0,${RADIUS} V${bottom}`;
  const shown = Math.min(drops, MOST_BRANCHES);
  const branches = Array.from({ length: shown }, (_, i) => {
    const dx = ((i / (shown - 1)) * 2 - 1) * Math.min(20, 4 * shown);
    return `M0,${fork} L${dx},${fork + 8} V${bottom}`;
  });
  return `M0,${RADIUS} V${fork} ${branches.join(" ")}`;
}

function Joint({ plan, light, i, x, y, row, height, isPicked, onPick }: JointProps) {
  const joint = plan.joints[i];
  if (!joint) return null;
  const ink = isPicked ? "var(--now)" : "var(--ink)";
  const bar = light.trouble === null ? (isPicked ? "var(--now)" : "var(--strong)") : "var(--out)";
  const [top, bottom] = [Math.min(y(light.margin), y(0)), Math.max(y(light.margin), y(0))];
  const margin = decimal(light.margin.toFixed(1));
  return (
    <g>
      <g aria-hidden="true">
        <g transform={`translate(${x},${CABLE})`}>
          <circle r={RADIUS} fill="var(--raised)" stroke={ink} strokeWidth={isPicked ? 3.5 : 2} />
          <path
            d={slicePath(joint.tapPct / 100)}
            fill={isPicked ? "var(--now)" : "var(--glass, #8fd0dc)"}
            stroke={ink}
          />
          <text
            y={-RADIUS - 8 - row * 18}
            textAnchor="middle"
            className="figures font-bold"
            fill={ink}
            fontSize={isPicked ? 20 : 15}
          >
            {decimal(String(joint.tapPct))} %
          </text>
          <path d={branchPath(joint.drops)} stroke={ink} fill="none" />
          <text y={AXIS - CABLE - 8 - (1 - row) * 14} textAnchor="middle" fontSize="12" fill={ink}>
            {joint.name || i + 1}
            {joint.drops > 1 ? ` · 1:${joint.drops}` : ""}
          </text>
        </g>
        <rect x={x - 13} width="26" y={top} height={Math.max(1, bottom - top)} fill={bar} />
        {(height !== null || isPicked) && (
          <text
            x={x}
            y={height ?? top - 6}
            textAnchor="middle"
            className="figures font-bold"
            fontSize="15"
            fill={light.trouble ? "var(--out)" : ink}
          >
            {margin}
          </text>
        )}
      </g>
      {/* biome-ignore lint/a11y/useSemanticElements: a part of a drawing */}
      <rect
        x={x - 26}
        width="52"
        y="20"
        height={HEIGHT - 26}
        fill="transparent"
        role="button"
        tabIndex={-1}
        aria-pressed={isPicked}
        aria-label={t("joint-told", { joint: i + 1, tap: decimal(String(joint.tapPct)), margin })}
        onClick={onPick}
        onKeyDown={(event) => {
          if (event.key === "Enter") onPick();
        }}
        className="cursor-pointer"
      />
    </g>
  );
}
