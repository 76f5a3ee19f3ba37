import type { ItemCount } from "../consumable/consumables";
import type { effortFor } from "./effort";

type Effort = ReturnType<typeof effortFor>;

/** A connector, closure or splicing procedure of a job with the ends or splices still to be made by it. */
export interface StyleNeed extends Pick<Effort, "parts" | "hours"> {
  /** Null where nothing at all is on record. */
  readonly tries: Effort["tries"] | null;
  readonly of: "end" | "splice";
  readonly style: string;
  readonly name: string;
  readonly left: number;
  readonly planned: number;
  readonly good: number;
  readonly tried: number;
  readonly consumables: readonly ItemCount[];
}
