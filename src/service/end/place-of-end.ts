import type { PieceId } from "@/core";
import { addressText, cableText, isSide, type Place, type Recordable, sideText } from "@/core";
import type { Store } from "@/store/database/store";
import { closureAt, closurePlanIn } from "@/store/plan/closures";
import { planAt, planIn } from "@/store/plan/plans";
import type { EndRow } from "@/store/record/ends";

/** Where an end was made, by the plan it was begun from. */
export function placeOfEnd(store: Store, { piece, plan, side, address }: EndRow): Recordable["where"] {
  if (piece === null || plan === null || side === null || address === null) return null;
  const row = planAt(store, piece, plan);
  if (!row) return madeIn(store, { piece, plan, side, address });
  const place = { piece, name: row.name, plan, address: addressText(address) };
  if (isSide(side)) return { ...place, side, station: "" };
  const stations = row.body ? planIn(row).stations : [];
  return { ...place, side: null, station: sideText(side, { stations }) };
}

/** The same of a cable that is a closure's own, of no piece. */
function madeIn(
  store: Store,
  { piece, plan, side, address }: { piece: PieceId; plan: number } & Place,
): NonNullable<Recordable["where"]> {
  const row = closureAt(store, piece, plan);
  const closure = row?.body ? closurePlanIn(row) : null;
  return {
    piece,
    name: closure?.name ?? "",
    plan,
    side: null,
    station: closure ? cableText(closure, side) : "",
    address: addressText(address),
  };
}
