import { type Length, type Need, type NeedFigure, um } from "@/core";

const UM = 1e6;

/** A length nobody has said. */
export const UNSAID = um(-1);

/** A length in metres, two decimals unless it was stated finer. */
export function metresText(length: number): string {
  const metres = length / UM;
  const finer = Math.round(length / 1000) % 10 !== 0;
  return metres.toFixed(finer ? 3 : 2);
}

/** Feet and inches to the nearest inch (an inch is 25.4 mm, NIST SP 811). */
export function feetText(length: number): string {
  const inches = Math.round(length / 25_400);
  return `${Math.floor(inches / 12)} ft ${inches % 12} in`;
}

/**
 * What was typed as metres, with a point or a comma, to the millimetre.
 * @returns null where it is no length, or a negative one.
 */
export function readMetres(text: string): Length | null {
  const plain = text.trim().replace(",", ".");
  if (!/^\d{1,6}(\.\d{0,3})?$/.test(plain)) return null;
  return um(Math.round(Number(plain) * 1000) * 1000);
}

/** So many per cent that were typed, from 0 to 100; null where it is none. */
export function readPerCent(text: string): number | null {
  const value = Number(text.trim().replace(",", "."));
  return text.trim() !== "" && value >= 0 && value <= 100 ? value : null;
}

/** The same as a share of 1. */
export function readShare(text: string): number | null {
  const value = readPerCent(text);
  return value === null ? null : value / 100;
}

export const shareText = (share: number): string => String(Math.round(share * 1e4) / 100);

/** A whole number that was typed, within a limit; null where it is none. */
export function readCount(text: string, most: number): number | null {
  const plain = text.trim();
  return /^\d{1,4}$/.test(plain) && Number(plain) <= most ? Number(plain) : null;
}

const WORDS: Record<NeedFigure["what"], string> = {
  prepared: "prepared",
  squared: "squared",
  grip: "pulling grip",
  entry: "entry",
  retry: "tries",
  "opened-retry": "tries of each opened",
  stretch: "route",
  allowance: "allowance",
  sag: "sag",
  turn: "turns",
};

const ONCE = { retry: "try", "opened-retry": "try of each opened", turn: "turns" } as const;

/** What an item is made of: `prepared 0.062 + squared 0.05 + 2 tries × 0.10`. */
export const figuresText = ({ figures }: Need): string =>
  figures
    .map(({ what, length, times }) =>
      what === "retry" || what === "opened-retry" || what === "turn"
        ? `${times} ${times === 1 ? ONCE[what] : WORDS[what]} × ${metresText(length)}`
        : `${WORDS[what]} ${metresText(length)}`,
    )
    .join(" + ");

/** A chance as people say it: 0.3 %, under 0.01 %. */
export const chanceText = (chance: number): string =>
  chance < 0.0001 ? "under 0.01 %" : `${(chance * 100).toPrecision(2)} %`;
