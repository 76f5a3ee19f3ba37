import {
  type EndState,
  type Projected,
  projectionsOf,
  type Recorded,
  readingRow,
  usedIn,
  verdictRow,
} from "@/core";
import type { Store } from "@/store/database/store";
import type { EndRow } from "@/store/record/ends";
import { project, projectReading, projectUses, projectVerdict } from "@/store/record/projections";

/** Writes what follows from one event: a reading and its length, what was used, or where more changes, all again. */
export function projectEvent(
  store: Store,
  { id, rule, purpose, verdicts }: EndRow,
  {
    sheet,
    state,
    events,
    event: recorded,
  }: Pick<Projected, "sheet" | "events"> & {
    state: EndState;
    event: Recorded;
  },
): void {
  const { event } = recorded;
  const end: Projected = { sheet, rule, purpose, events, verdicts };
  switch (event.kind) {
    case "reading": {
      const length = sheet.checks.find((check) => check.id === event.check);
      const row = readingRow(recorded, "stands");
      if (!length || !row) return;
      projectReading(store, id, row, verdictRow(end, state, length));
      // What the two sides of an opening make together is judged again on both.
      for (const other of sheet.checks)
        if (length.joint && other.dimension === length.dimension && other.id !== length.id)
          projectVerdict(store, id, verdictRow(end, state, other));
      return;
    }
    case "use":
      projectUses(store, id, usedIn(recorded, purpose));
      return;
    case "strike":
    case "retry":
    case "restart":
    case "rework":
    case "take-back":
    case "sign":
      project(store, id, projectionsOf(end));
  }
}
