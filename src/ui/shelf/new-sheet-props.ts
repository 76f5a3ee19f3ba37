import type { Cable, DraftKit, Tool } from "@/core";

export interface NewSheetProps {
  readonly cables: readonly Cable[];
  readonly tools: readonly Tool[];
  readonly taken: readonly string[];
  readonly kit: DraftKit;
}
