import type { RunSheet, Setting } from "@/core";
import { sizeText, type Units } from "../words/length-text";
import { settingText } from "../words/line-words";

interface SettingPictureProps {
  readonly setting: Setting;
  readonly sheet: RunSheet;
  readonly units: Units;
}

/** What the tool is set to, drawn from its figure; nothing where there is nothing to draw. */
export function SettingPicture({ setting, sheet, units }: SettingPictureProps) {
  const picture = pictureOf(setting, sheet, units);
  if (!picture) return null;
  return (
    <figure className="flex max-w-60 items-center gap-3">
      <svg viewBox="0 0 120 84" className="h-14 shrink-0" aria-hidden="true">
        {picture.drawn}
      </svg>
      <figcaption className="leading-tight">
        <span className="figures block font-bold">{settingText(setting, units)}</span>
        <span className="text-soft text-sm">{picture.says}</span>
      </figcaption>
    </figure>
  );
}

function pictureOf(setting: Setting, sheet: RunSheet, units: Units) {
  switch (setting.kind) {
    case "hole":
      return holePicture(setting.diameter, sheet, units);
    case "die":
      return { drawn: <Die shape={setting.shape} />, says: "across the flats, closed" };
    case "depth":
      return { drawn: <Depth />, says: "deep: the blade stops short of what lies under it" };
    case "film":
      return {
        drawn: <Film grain={setting.grain} films={filmsOf(sheet)} />,
        says: filmSays(setting.grain, sheet),
      };
    default:
      return null;
  }
}

/** The hole around the layer it is for: the thickest that goes through it, both to one scale. */
function holePicture(diameter: number, sheet: RunSheet, units: Units) {
  const inside = sheet.layers
    .filter((layer) => layer.diameter < diameter)
    .sort((a, b) => b.diameter - a.diameter)[0];
  const scale = 56 / diameter;
  return {
    drawn: (
      <g>
        <rect
          x="6"
          y="6"
          width="108"
          height="72"
          rx="6"
          fill="var(--line)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
        <circle
          cx="60"
          cy="42"
          r={(diameter * scale) / 2}
          fill="var(--ground)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
        <path d="M6,42 h26 M88,42 h26" stroke="var(--ink)" strokeWidth="2" />
        {inside && (
          <circle cx="60" cy="42" r={(inside.diameter * scale) / 2} fill="#a8d3dd" stroke="#4f8a99" />
        )}
      </g>
    ),
    says: inside
      ? `clears the ${inside.name} of ${sizeText(inside.diameter, units)}; both to one scale`
      : "the stripper's hole",
  };
}

function Die({ shape }: { shape: "hexagon" | "round" | "square" }) {
  return (
    <g fill="var(--ground)" stroke="var(--ink)" strokeWidth="2">
      <rect x="14" y="4" width="92" height="36" fill="var(--line)" />
      <rect x="14" y="44" width="92" height="36" fill="var(--line)" />
      {shape === "round" ? (
        <circle cx="60" cy="42" r="22" />
      ) : shape === "square" ? (
        <rect x="39" y="21" width="42" height="42" />
      ) : (
        <path d="M46,18 h28 l14,24 l-14,24 h-28 l-14,-24 z" />
      )}
      <path d="M28,42 h64" stroke="var(--now)" strokeWidth="1.5" strokeDasharray="3 3" />
    </g>
  );
}

function Depth() {
  return (
    <g stroke="var(--ink)" strokeWidth="2">
      <rect x="4" y="30" width="112" height="34" fill="#c9a12c" />
      <rect x="4" y="40" width="112" height="14" fill="#dfe4ee" strokeWidth="1" />
      <path d="M60,38 l-9,-30 h18 z" fill="var(--ground)" />
      <path d="M60,30 v8" stroke="var(--now)" strokeWidth="3" />
    </g>
  );
}

/** Grains of every film of this sheet, in the order they are used. */
const filmsOf = ({ lines }: RunSheet): number[] => [
  ...new Set(lines.flatMap(({ step }) => (step.setting?.kind === "film" ? [step.setting.grain] : []))),
];

function filmSays(grain: number, sheet: RunSheet): string {
  const films = filmsOf(sheet);
  return `film ${films.indexOf(grain) + 1} of ${films.length}, coarse to fine: ${films.join(" → ")} µm`;
}

function Film({ grain, films }: { grain: number; films: readonly number[] }) {
  const width = 108 / Math.max(1, films.length);
  return (
    <g>
      {films.map((one, i) => (
        <g key={one}>
          <rect
            x={6 + i * width + 2}
            y="10"
            width={width - 4}
            height="64"
            rx="4"
            fill={one === grain ? "var(--now-wash)" : "var(--ground)"}
            stroke={one === grain ? "var(--now)" : "var(--soft)"}
            strokeWidth={one === grain ? 3 : 1}
          />
          {Array.from({ length: 18 }, (_, n) => (
            <circle
              // biome-ignore lint/suspicious/noArrayIndexKey: grains are alike and never move
              key={n}
              cx={6 + i * width + 6 + ((n * 37) % Math.max(1, width - 12))}
              cy={16 + ((n * 23) % 52)}
              r={Math.max(0.5, 2.6 / (i + 1))}
              fill="var(--ink)"
            />
          ))}
        </g>
      ))}
    </g>
  );
}
