import type { Across, Cable, PieceAnswer, PieceId, PiecePlan, SideName, SideSheet } from "@/core";
import type { SideStyle } from "./part-editor";
import type { MidRunStyle } from "./stations";
import type { usePlan } from "./use-plan";

interface Picked {
  readonly procedure: string;
  readonly sheet: SideSheet;
}

export interface PieceViewProps {
  readonly job: { readonly id: string; readonly name: string };
  readonly piece: PieceId;
  readonly revision: number;
  readonly plan: PiecePlan;
  readonly cable: Cable;
  readonly places: PieceAnswer["places"];
  /** Each procedure that goes on this cable, with what of its sheet a plan is worked out from. */
  readonly styles: readonly (Omit<SideStyle, "onto"> & {
    readonly sheet: SideSheet;
    readonly onto: readonly (SideStyle["onto"][number] & { readonly sheet: SideSheet })[];
    /** How many elements each end made by it opens onto, in the order of their addresses. */
    readonly opens: readonly number[];
  })[];
  /** Each that opens this cable in the middle of its run. */
  readonly midRun: readonly MidRunStyle[];
  /** What goes on a fibre that is parted in an opening. */
  readonly onParted: SideStyle["onto"];
  /** Each side's sheet as it is picked there. */
  readonly own: Readonly<Record<SideName, (Picked & { readonly onto?: Picked | null | undefined }) | null>>;
  /** What does not go together over its two sides, as the plan is kept. */
  readonly mismatches: readonly Across[];
  /** What this crew's own record says of each side's style. */
  readonly record: Readonly<Record<SideName, { readonly good: number; readonly tried: number } | null>>;
}

type Planning = ReturnType<typeof usePlan>;

/** What a column of the page shows: the plan as it is worked on, and which part of it is picked and pointed at. */
export interface ColumnProps {
  readonly view: PieceViewProps;
  readonly planning: Planning;
  readonly picked: string;
  readonly onPick: (key: string) => void;
  readonly pointed: string | null;
  readonly onPoint: (key: string | null) => void;
}
