import {
  endState,
  type PieceNeeds,
  type PiecePlan,
  type Progress,
  type RunSheet,
  reworkedSheet,
  trimming,
} from "@/core";
import type { Store } from "@/store/database/store";
import { benchPage } from "../end/bench-page";
import { getEnd } from "../end/ends";
import { getJob, jobsPage } from "./jobs";
import { type NextOfJob, nextOfJob } from "./places";
import { needsOf } from "./planning";

/** The end that was worked on last, as it stands now. */
interface LastEnd {
  readonly id: string;
  readonly batch: string | null;
  /** Its job and name; empty where nobody named it. */
  readonly name: string;
  readonly style: string;
  readonly cable: string;
  readonly at: string;
  readonly step: { readonly number: number; readonly of: number; readonly title: string };
  readonly sheet: RunSheet;
  /** The line it stands at, of that sheet. */
  readonly line: number;
}

/** The newest job that has something to do, and the end to go on with. */
interface UpcomingJob {
  readonly id: string;
  readonly name: string;
  readonly progress: Progress;
  readonly next: NextOfJob;
  /** The piece that end is of; null needs where they cannot be worked out. */
  readonly piece: { readonly plan: PiecePlan; readonly needs: PieceNeeds | null } | null;
}

export interface Home {
  readonly last: LastEnd | null;
  readonly next: UpcomingJob | null;
}

/** Open ends and jobs looked at for the last and the next. */
const LOOKED_AT = 10;

function lastInHand(store: Store): LastEnd | null {
  const open = benchPage(store, {})
    .rows.filter(({ parked }) => parked === null)
    .slice(0, LOOKED_AT);
  const ends = open.map((row) => {
    const end = getEnd(store, row.id);
    return { row, end, at: end.events.at(-1)?.at ?? row.createdAt };
  });
  const [latest] = ends.sort((a, b) => b.at.localeCompare(a.at));
  if (!latest) return null;
  const { row, end, at } = latest;
  const state = endState(end.events);
  const trim = trimming(end.sheet, state);
  const sheet = trim?.sheet ?? reworkedSheet(end.sheet, state);
  return {
    id: row.id,
    batch: row.batch,
    name: [row.job, row.label].filter(Boolean).join(" · "),
    style: [row.styleName, ...end.sheet.as].join(" · "),
    cable: row.cableName,
    at,
    step: { ...row.step, title: trim?.line.step.title ?? row.step.title },
    sheet,
    line: trim?.line.index ?? Math.min(state.at, sheet.lines.length - 1),
  };
}

function nextJob(store: Store): UpcomingJob | null {
  for (const { id, name, progress } of jobsPage(store, {}).rows.slice(0, LOOKED_AT)) {
    const next = nextOfJob(store, id);
    if (!next) continue;
    const piece = getJob(store, id).pieces.find((each) => each.id === next.piece);
    const reported = piece && needsOf(store, piece.plan);
    const needs = reported && "needs" in reported ? reported.needs : null;
    return { id, name, progress, next, piece: piece ? { plan: piece.plan, needs } : null };
  }
  return null;
}

/** What the first page goes on with. */
export const homeOf = (store: Store): Home => ({ last: lastInHand(store), next: nextJob(store) });
