import type { PieceParts, PiecePlan, SideName } from "@/core";
import type { PieceViewProps } from "./piece-props";

/** What a plan is worked out from: each side's sheet as it is picked there, else as the procedure's defaults have it. */
export function partsIn(
  plan: PiecePlan,
  { cable, styles, midRun, own }: Pick<PieceViewProps, "cable" | "styles" | "midRun" | "own">,
): PieceParts {
  const sheetAt = (side: SideName) => {
    const { procedure } = plan.sides[side];
    if (own[side] && own[side].procedure === procedure) return own[side].sheet;
    return styles.find(({ id }) => id === procedure)?.sheet ?? null;
  };
  const reach = Object.fromEntries(midRun.map((style) => [style.id, style.reach]));
  const openedAt = (side: SideName) => {
    const { procedure, onto, ends } = plan.sides[side];
    const style = styles.find(({ id }) => id === procedure);
    const picked = own[side]?.procedure === procedure ? own[side]?.onto : null;
    const sheet =
      picked && picked.procedure === onto?.procedure
        ? picked.sheet
        : style?.onto.find(({ id }) => id === onto?.procedure)?.sheet;
    return style && sheet ? { sheet, ends: style.opens.slice(0, ends).reduce((sum, n) => sum + n, 0) } : null;
  };
  return {
    cable,
    reach,
    sheets: { A: sheetAt("A"), B: sheetAt("B") },
    opened: { A: openedAt("A"), B: openedAt("B") },
  };
}
