import { depthOver, type Line, type RunSheet, type Setting, wallOf } from "@/core";
import { t } from "@/messages/aids";
import { sizeText, type Units } from "../words/length-text";
import { settingText } from "../words/line-words";

interface SettingPictureProps {
  readonly setting: Setting;
  /** The line it is set for: what it takes off says what the blade is in. */
  readonly line: Line;
  readonly sheet: RunSheet;
  readonly units: Units;
}

/** What the tool is set to, drawn from its figure; nothing where there is nothing to draw. */
export function SettingPicture({ setting, line, sheet, units }: SettingPictureProps) {
  const picture = pictureOf(setting, line, sheet, units);
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

function pictureOf(setting: Setting, line: Line, sheet: RunSheet, units: Units) {
  switch (setting.kind) {
    case "hole":
      return holePicture(setting.diameter, sheet);
    case "die":
      return { drawn: <Die shape={setting.shape} />, says: t("across-the-flats-closed") };
    case "depth":
      return depthPicture(setting.depth, line, sheet, units);
    case "film":
      return {
        drawn: <Film grain={setting.grain} films={filmsOf(sheet)} />,
        says: filmSays(setting.grain, sheet),
      };
    default:
      return null;
  }
}

/** The hole around what stays, in the layer it cuts, all to one scale. */
function holePicture(diameter: number, sheet: RunSheet) {
  const inside = sheet.layers
    .filter((layer) => layer.diameter < diameter)
    .sort((a, b) => b.diameter - a.diameter)[0];
  const cut = sheet.layers
    .filter((layer) => layer.diameter > diameter)
    .sort((a, b) => a.diameter - b.diameter)[0];
  const scale = 66 / (cut?.diameter ?? diameter);
  const hole = (diameter * scale) / 2;
  return {
    drawn: (
      <g>
        {cut && (
          <circle
            cx="60"
            cy="42"
            r={(cut.diameter * scale) / 2}
            fill="#dfe4ee"
            stroke="#8f9ab3"
            strokeWidth="1"
          />
        )}
        {[-1, 1].map((side) => (
          <path
            key={side}
            d={`M4,${42 + side * 40} V${42 + side} H${60 - hole} A${hole},${hole} 0 0 ${side < 0 ? 1 : 0} ${60 + hole},${42 + side} H116 V${42 + side * 40} Z`}
            fill="var(--line)"
            fillOpacity="0.6"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
        ))}
        {inside && (
          <circle
            cx="60"
            cy="42"
            r={(inside.diameter * scale) / 2}
            fill="#a8d3dd"
            stroke="#4f8a99"
            strokeWidth="1"
          />
        )}
      </g>
    ),
    says: inside
      ? t("clears-the-to-one-scale", {
          name: inside.name,
          value: cut ? t("cuts-the", { name: cut.name }) : "",
        })
      : t("the-stripper-s-hole"),
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

/** The blade in the wall it cuts, to scale across: how much is left under it. */
function depthPicture(depth: number, { bares }: Line, sheet: RunSheet, units: Units) {
  const layer = sheet.layers.find(({ kind }) => bares.some((bare) => bare.layer === kind));
  const wall = layer ? wallOf(sheet, layer.kind) : null;
  const under = layer ? depthOver(sheet, layer.kind) : null;
  const spared = wall !== null && under !== null && under < wall;
  const scale = 40 / (wall ?? depth / 0.75);
  const tip = 22 + depth * scale;
  const floor = 22 + (wall ?? depth / 0.75) * scale;
  return {
    drawn: (
      <g stroke="var(--ink)" strokeWidth="2">
        <rect x="4" y="22" width="112" height={floor - 22} fill="#c9a12c" />
        <rect x="4" y={floor} width="112" height="16" fill="#dfe4ee" strokeWidth="1" />
        {spared && under !== null && (
          <circle cx="92" cy={floor - 7} r="6" fill="var(--raised)" strokeDasharray="3 2" />
        )}
        <path d={`M60,${tip} l-10,${-(tip - 2)} h20 z`} fill="var(--ground)" />
        <path d={`M60,22 V${tip}`} stroke="var(--now)" strokeWidth="3" />
      </g>
    ),
    says:
      wall === null
        ? t("deep-the-blade-stops-short-of")
        : t("deep-in-a-wall-of", {
            sizeText: sizeText(wall, units),
            value: spared ? t("it-spares-the-ripcords") : t("the-rest-parts-when-it-is"),
          }),
  };
}

/** Grains of every film of this sheet, in the order they are used. */
const filmsOf = ({ lines }: RunSheet): number[] => [
  ...new Set(lines.flatMap(({ step }) => (step.setting?.kind === "film" ? [step.setting.grain] : []))),
];

function filmSays(grain: number, sheet: RunSheet): string {
  const films = filmsOf(sheet);
  return t("film-of-coarse-to-fine-m", {
    value: films.indexOf(grain) + 1,
    length: films.length,
    value2: films.join(" → "),
  });
}

function Film({ grain, films }: { grain: number; films: readonly number[] }) {
  const width = 108 / Math.max(1, films.length);
  return (
    <g>
      {films.map((film, i) => (
        <g key={film}>
          <rect
            x={6 + i * width + 2}
            y="10"
            width={width - 4}
            height="64"
            rx="4"
            fill={film === grain ? "var(--now-wash)" : "var(--ground)"}
            stroke={film === grain ? "var(--now)" : "var(--soft)"}
            strokeWidth={film === grain ? 3 : 1}
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
