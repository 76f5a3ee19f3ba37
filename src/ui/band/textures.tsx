import type { Cable } from "@/core";

type Hue = Cable["layers"][number]["hue"];

/** Light, middle and shade of each material's colour: the same in every theme, as the cable is. */
const HUES = {
  yellow: ["#f1d97a", "#c9a12c", "#86690f"],
  orange: ["#ffbd7d", "#e07a1f", "#8f460a"],
  aqua: ["#a6e3e4", "#38a9ad", "#1a6266"],
  grey: ["#cfd2d6", "#8b9198", "#52575d"],
  black: ["#6a6d70", "#33363a", "#15171a"],
  white: ["#ffffff", "#dfe4ee", "#8f9ab3"],
  blue: ["#a8c8f5", "#3f7fd0", "#1d4680"],
  gold: ["#e2c26c", "#b8953f", "#7d6220"],
  clear: ["#e6f4f7", "#a8d3dd", "#4f8a99"],
} as const satisfies Record<Hue, readonly [string, string, string]>;

export const shadeOf = (hue: Hue): string => HUES[hue][2];
export const middleOf = (hue: Hue): string => HUES[hue][1];

/** A material's outline on screen: a black one has an edge of its own in a dark look, where its shade is the ground's. */
export const edgeOf = (hue: Hue): string => (hue === "black" ? "var(--black-edge)" : shadeOf(hue));

/** Gradients and rib patterns that draw materials by texture as well as colour. */
export function Textures({ id }: { id: string }) {
  return (
    <defs>
      {Object.entries(HUES).map(([hue, [light, middle, shade]]) => {
        return (
          <linearGradient key={hue} id={`${id}-${hue}`} x1="0" x2="0" y1="0" y2="1">
            <stop offset="0" stopColor={middle} />
            <stop offset="0.28" stopColor={light} />
            <stop offset="0.62" stopColor={middle} />
            <stop offset="1" stopColor={shade} />
          </linearGradient>
        );
      })}
      <pattern id={`${id}-ribs`} width="5" height="8" patternUnits="userSpaceOnUse">
        <line x1="1" x2="1" y1="0" y2="8" stroke="#000" strokeOpacity="0.2" strokeWidth="1" />
      </pattern>
      <pattern id={`${id}-corrugated`} width="10" height="8" patternUnits="userSpaceOnUse">
        <rect width="5" height="8" fill="#000" fillOpacity="0.22" />
      </pattern>
      <pattern id={`${id}-braid`} width="6" height="6" patternUnits="userSpaceOnUse">
        <path d="M0,0 L6,6 M6,0 L0,6" stroke="#000" strokeOpacity="0.35" strokeWidth="1" />
      </pattern>
      <pattern id={`${id}-tape`} width="12" height="12" patternUnits="userSpaceOnUse">
        <path d="M0,12 L12,0" stroke="#000" strokeOpacity="0.22" strokeWidth="2" />
      </pattern>
      <pattern id={`${id}-twist`} width="9" height="9" patternUnits="userSpaceOnUse">
        <path d="M0,9 L9,0" stroke="#fff" strokeOpacity="0.45" strokeWidth="1.5" />
      </pattern>
    </defs>
  );
}
