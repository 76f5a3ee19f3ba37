import type { FeederPlan } from "@/core";

type Stock = Pick<FeederPlan["stock"][number], "tapPct" | "count">[];

/** The taps of the box as they are typed: `3 × 5, 10` are three taps of 5 % and as many of 10 % as are needed. */
export const boxText = (stock: Readonly<Stock>): string =>
  stock.map(({ tapPct, count }) => (count === null ? String(tapPct) : `${count} × ${tapPct}`)).join(", ");

/** Taps as they are typed, each share once; null where there is none, or a share is not between 0 and 100. */
export function readBox(text: string): Stock | null {
  const words = text
    .replaceAll("%", " ")
    .replaceAll(/\s*[x×]\s*/gi, "×")
    .split(/[\s;]+|,(?!\d)/)
    .filter(Boolean);
  const taps = words.map((word) => {
    const [, count, share = ""] = /^(?:(\d{1,4})×)?(\d{1,2}(?:[.,]\d{1,3})?)$/.exec(word) ?? [];
    return { tapPct: Number(share.replace(",", ".")), count: count === undefined ? null : Number(count) };
  });
  const isRight = taps.length > 0 && taps.length <= 16 && taps.every(({ tapPct }) => tapPct > 0);
  return isRight && new Set(taps.map(({ tapPct }) => tapPct)).size === taps.length ? taps : null;
}
