import type { z } from "zod";
import { personBy, type YieldHere, yieldInterval, type zYieldQuery } from "@/core";
import type { Store } from "@/store/database/store";
import { allPeople } from "@/store/workshop/people";
import { lineDetails } from "../ledger/ledger-lines";
import { recordedFacts } from "./end-facts";
import { medianOf } from "./insight";
import { minutesOf } from "./runs";

/** Share of certainty of the interval. */
const SURE = 0.9;

/** The yield of a connector at the first attempt, of one person or of all, and the last end that was not good at once. */
export function yieldHere(store: Store, { style, person }: z.output<typeof zYieldQuery>): YieldHere {
  const ids = person === undefined ? null : (personBy(allPeople(store), person)?.ids ?? []);
  const own = recordedFacts(store, "").filter(
    ({ row }) => row.style === style && (ids === null || (row.signer !== null && ids.includes(row.signer))),
  );
  const counts = { good: own.filter(({ good }) => good).length, tried: own.length };
  const last = own.findLast(({ good }) => !good);
  const [details] = last ? lineDetails(store, [last.row.id]) : [];
  return {
    ...counts,
    ...yieldInterval(counts, SURE),
    minutes: medianOf(own.flatMap(({ row }) => minutesOf(row) ?? [])),
    last: last ? { end: last.id, signed: last.row.signed, length: details?.nearest?.name ?? null } : null,
  };
}
