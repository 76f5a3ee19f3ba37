import { z } from "zod";
import { zMm } from "../length/length";
import { type CheckKind, zCheckKind } from "../shift/questions";
import { type ToolCheckStanding, worstStanding } from "../shift/standing";

/** Standing of an end by the checks of one tool it was made with. */
export const zToolRecord = z.strictObject({
  tool: z.string(),
  name: z.string(),
  kind: zCheckKind,
  standing: z.enum(["good", "failed", "unchecked"]),
  /** Time of the last check before the work. */
  checked: z.string().nullable(),
  /** Time of the check that failed. */
  failed: z.string().nullable(),
  /** Of an instrument: what its last check before the work found its readings off by. */
  bias: zMm.nullable(),
});
export type ToolRecord = z.output<typeof zToolRecord>;

/** A check of a tool, as a record needs it. */
interface RecordedCheck {
  readonly at: string;
  readonly good: boolean;
  readonly bias: ToolRecord["bias"];
}

/** Standing of work by the checks of one tool, with that tool; its name has its mark, where a crew has several. */
export interface ToolStood extends ToolCheckStanding<RecordedCheck> {
  readonly tool: { readonly id: string; readonly name: string; readonly kind: CheckKind };
}

/** Standings by tool as a record states them. */
export const toolRecords = (stood: readonly ToolStood[]): ToolRecord[] =>
  stood.map(({ tool: { id, name, kind }, standing, before, failed }) => ({
    ...{ tool: id, name, kind, standing },
    checked: before?.at ?? null,
    failed: failed?.at ?? null,
    bias: before?.bias ?? null,
  }));

/** Standings of several pieces of work, one a tool: the worst of each, in the order the tools come. */
export function worstByTool(stood: readonly ToolStood[]): ToolStood[] {
  const byTool = new Map<string, ToolStood[]>();
  for (const each of stood) {
    const { id, name } = each.tool;
    byTool.set(`${id} ${name}`, [...(byTool.get(`${id} ${name}`) ?? []), each]);
  }
  return [...byTool.values()].flatMap((alike) => worstStanding(alike) ?? []);
}
