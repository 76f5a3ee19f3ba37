import type { Cable } from "../cable/cable";
import type { PieceParts, SideSheet } from "./needs";
import type { PiecePlan, SideName } from "./plan";

/** A procedure's sheet by its id. */
interface ProcedureSheet {
  readonly id: string;
  readonly sheet: SideSheet;
}

/** What a side's sheet is as it is picked there. */
interface PickedSheet {
  readonly procedure: string;
  readonly sheet: SideSheet;
}

/** The sheets a plan is worked out from. */
interface PlanSheets {
  readonly cable: Cable;
  /** Each procedure that goes on the cable, as its defaults have it. */
  readonly styles: readonly (ProcedureSheet & {
    readonly onto: readonly ProcedureSheet[];
    /** How many elements each end made by it opens onto, in the order of their addresses. */
    readonly opens: readonly number[];
  })[];
  /** Each that opens the cable in the middle of its run, and how far to either side it works. */
  readonly midRun: readonly { readonly id: string; readonly reach: number }[];
  /** Each side's sheet as it is picked there. */
  readonly own: Readonly<
    Record<SideName, (PickedSheet & { readonly onto?: PickedSheet | null | undefined }) | null>
  >;
}

/**
 * What a plan is worked out from: each side's sheet as it is picked there, else as the procedure's defaults have it.
 * @example planParts(plan, { cable: loose, styles: [], midRun: [], own: { A: null, B: null } }).sheets
 * // { A: null, B: null }
 */
export function planParts(plan: PiecePlan, { cable, styles, midRun, own }: PlanSheets): PieceParts {
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
