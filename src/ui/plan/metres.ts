import type { Need, NeedFigure, PiecePlan, Unsaid } from "@/core";
import { t } from "@/messages/jobs";

const UM = 1e6;

/** A length in metres, two decimals unless it was stated finer. */
export function metresText(length: number): string {
  const metres = length / UM;
  const finer = Math.round(length / 1000) % 10 !== 0;
  return metres.toFixed(finer ? 3 : 2);
}

/** Feet and inches to the nearest inch (an inch is 25.4 mm, NIST SP 811). */
export function feetText(length: number): string {
  const inches = Math.round(length / 25_400);
  return t("ft-in", { floor: Math.floor(inches / 12), value: inches % 12 });
}

/** What a field of metres asks for where something else was typed. */
export const ASKS_METRES = t("enter-metres-0-or-more-for");

export const shareText = (share: number): string => String(Math.round(share * 1e4) / 100);

const WORDS: Record<NeedFigure["kind"], string> = {
  prepared: "prepared",
  squared: "squared",
  grip: t("pulling-grip"),
  entry: "entry",
  retry: "tries",
  "opened-retry": t("tries-of-each-opened"),
  stretch: "route",
  allowance: "allowance",
  sag: "sag",
  turn: "turns",
  left: t("slack-left"),
};

const UNSAID_WORDS: Record<Unsaid["kind"], string> = {
  length: "length",
  allowance: "allowance",
  sag: "sag",
  turns: "turns",
  perimeter: t("once-round"),
  entry: t("entry-path"),
  squared: t("cut-square"),
  grip: t("pulling-grip"),
  retry: t("tries-to-spare"),
};

export const unsaidWord = ({ kind }: Unsaid): string => UNSAID_WORDS[kind];

/** A figure nobody has said yet, by what it is of: `duct: length`. */
export function unsaidText({ part, kind }: Unsaid, plan: PiecePlan): string {
  const of =
    part.of === "side"
      ? `side ${part.side}`
      : part.of === "route"
        ? plan.route[part.at]?.name || plan.route[part.at]?.kind
        : plan.loops[part.at]?.name || `loop ${part.at + 1}`;
  return `${of}: ${UNSAID_WORDS[kind]}`;
}

const ONCE = { retry: "try", "opened-retry": t("try-of-each-opened"), turn: "turns" } as const;

/** What an item is made of: `prepared 0.062 + squared 0.05 + 2 tries × 0.10`. */
export const figuresText = ({ figures }: Need): string =>
  figures
    .map(({ kind, length, times }) =>
      kind === "retry" || kind === "opened-retry" || kind === "turn"
        ? `${times} ${times === 1 ? ONCE[kind] : WORDS[kind]} × ${metresText(length)}`
        : `${WORDS[kind]} ${metresText(length)}`,
    )
    .join(" + ");

/** A chance as people say it: 0.3 %, under 0.01 %. */
export const chanceText = (chance: number): string =>
  chance < 0.0001 ? t("under-0-01") : `${(chance * 100).toPrecision(2)} %`;
