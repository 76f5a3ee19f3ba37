import {
  across,
  type Cable,
  cableAt,
  type FarSide,
  farEnds,
  fibreIn,
  fibresAt,
  isSide,
  type PiecePlan,
  type Place,
  type PlaceSide,
  partedAt,
  pickedNames,
  placeKey,
  placeText,
  problemOf,
  type SlackTold,
  sideText,
  slackAccount,
  slackAllowed,
  standingOfEnd,
  type WhereTold,
  withDefaults,
} from "@/core";
import type { Store } from "@/store/database/store";
import { findJob, latestPlan } from "@/store/plan/plans";
import { keptProcedure } from "@/store/record/documents";
import { type EndRow, endsOfPieces, findEnd, type PlacedRow } from "@/store/record/ends";
import { historyOf } from "../end/history";
import { sheetOf } from "../end/kept-sheets";
import { pieceOf } from "./jobs";
import { keyOfEnd, newestAt } from "./placed";
import { shelved } from "./planning";

type Placed = Pick<EndRow, "id" | "piece" | "side" | "address" | "picked" | "procedureHash" | "sheetHash">;

/** Null for an end by itself, or where its piece's plan can no longer be worked out. */
export function whereOf(store: Store, end: Placed): WhereTold | null {
  const { piece: id, side, address } = end;
  const row = id === null ? undefined : latestPlan(store, id);
  if (!row || row.body === null || !side || !address) return null;
  const { plan } = pieceOf({ ...row, body: row.body });
  const cable = shelved(store).cable(plan.cable);
  const job = findJob(store, row.job);
  if (!cable || !job) return null;
  const place = { side, address };
  const rows = endsOfPieces(store, [row.piece]);
  try {
    return {
      job: { id: job.id, name: job.name },
      piece: { id: row.piece, name: plan.name },
      place,
      text: placeText(place, plan),
      far: farOf(store, plan, cable, end, place, rows),
      slack: slackOf(store, plan, cable, end, place, rows),
      parted: partedAt(plan, side).map(({ fibre, at }) => ({ at, ...fibreIn(cable, fibre) })),
    };
  } catch (error) {
    if (problemOf(error)) return null;
    throw error;
  }
}

/** The same by its id. */
export function whereById(store: Store, id: string): WhereTold | null {
  const row = findEnd(store, id);
  return row ? whereOf(store, row) : null;
}

/** The most ends of the other side that are shown one by one. */
const FAR_TOLD = 12;

function farOf(
  store: Store,
  plan: PiecePlan,
  cable: Cable,
  { picked, procedureHash }: Placed,
  place: Place,
  rows: readonly PlacedRow[],
): FarSide {
  const shelf = shelved(store);
  const there = newestAt(rows);
  const own = keptProcedure(store, procedureHash);
  const far = farEnds(plan, place, cable, shelf);
  const ends = far.slice(0, FAR_TOLD).map((plannedEnd) => {
    const end = there.get(placeKey(plannedEnd));
    const procedure = end ? keptProcedure(store, end.procedureHash) : shelf.procedure(plannedEnd.procedure);
    const choices = end?.picked.choices ?? (procedure ? withDefaults(procedure, plannedEnd.choices) : {});
    return {
      side: plannedEnd.side,
      text: placeText(plannedEnd, plan),
      standing: standingOfEnd(end),
      style: procedure?.name ?? plannedEnd.procedure,
      as: procedure ? pickedNames(procedure, choices) : [],
      end: end?.id ?? null,
      signedBy: end?.signedBy ?? null,
      signedAt: end?.signedAt ?? null,
      across:
        procedure === undefined
          ? []
          : across(
              { core: picked.core, choices: own.choices, picked: picked.choices },
              { core: end?.picked.core ?? plan.core, choices: procedure.choices, picked: choices },
            ),
    };
  });
  return {
    place: [...new Set(far.map((plannedEnd) => placeName(plan, plannedEnd.side)))].join(" and "),
    fibres: fibresAt(cable, place.address).length,
    count: far.length,
    ends,
  };
}

function slackOf(
  store: Store,
  plan: PiecePlan,
  cable: Cable,
  end: Placed,
  place: Place,
  rows: readonly PlacedRow[],
): SlackTold {
  const { retry } = sheetOf(store, end).uses;
  const others = rows.filter((row) => row.id !== end.id && keyOfEnd(row) === keyOfEnd(end));
  const { used } = slackAccount(
    null,
    others.map((row) => historyOf(store, row).events),
    retry,
  );
  const opened = cableAt(plan, cable, place, shelved(store)) !== cable;
  const allowed = isSide(place.side) ? slackAllowed(plan.sides[place.side], retry, opened) : null;
  return { allowed, before: used, perAttempt: retry };
}

/** What somebody called a side or a station; empty where nobody said. */
const placeName = (plan: PiecePlan, side: PlaceSide): string =>
  isSide(side) ? plan.sides[side].place : sideText(side, plan);
