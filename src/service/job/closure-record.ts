import Papa from "papaparse";
import { type ClosureId, type ClosureRecord, closureRecord, personBy } from "@/core";
import type { Store } from "@/store/database/store";
import { closureEventsOf } from "@/store/plan/closure-events";
import { people } from "../crew/people";
import { BYTE_ORDER_MARK, CSV_SETTINGS } from "../ledger/record-csv";
import { checksOfClosureEvent } from "../workshop/closure-checks";
import { closureAtWork } from "./closure-at-work";
import { getClosure } from "./closures";
import { jobName } from "./places";

/** The whole record of a closure. @throws InputError `not-found`. */
export function closureRecordOf(store: Store, id: ClosureId): ClosureRecord {
  const closure = getClosure(store, id);
  const everybody = people(store);
  return closureRecord(
    {
      id: closure.id,
      name: closure.plan.name,
      job: jobName(store, closure.job),
      ends: new Map(closure.cables.map((cable) => [cable.id, cable.end])),
      nameOf: (person) => (person === null ? null : (personBy(everybody, person)?.name ?? null)),
      checksOf: (recorded) => checksOfClosureEvent(store, recorded),
    },
    closureAtWork(store, closure),
    closureEventsOf(store, closure.id),
  );
}

const COLUMNS = [
  "closure",
  "job",
  "entry",
  "row",
  "number",
  "stage",
  "text",
  "standing",
  "reading",
  "unit",
  "least",
  "most",
  "side_a",
  "colour_a",
  "side_b",
  "colour_b",
  "slot",
  "try",
  "estimate_db",
  "limit_db",
  "simulated",
  "tools_failed",
  "left_a_mm",
  "left_b_mm",
  "tries_left",
  "reason",
  "by",
  "at",
] as const;
type Row = Partial<Record<(typeof COLUMNS)[number], string | number>>;

/**
 * A closure's record as CSV: a row a cable, a thing done, a try at a splice, a spare and an opening; a splice nobody has
 * tried has one row. A cell that a spreadsheet would run is made plain text.
 */
export function closureCsv(record: ClosureRecord): string {
  const of = { closure: record.name, job: record.job, entry: record.entry };
  const rows = [...cableRows(record), ...itemRows(record), ...spliceRows(record), ...endRows(record)];
  const lines = Papa.unparse(
    {
      fields: [...COLUMNS],
      data: rows.map((row) => COLUMNS.map((column) => ({ ...of, ...row })[column] ?? "")),
    },
    CSV_SETTINGS,
  );
  return `${BYTE_ORDER_MARK}${lines}\r\n`;
}

const cableRows = ({ cables }: ClosureRecord): Row[] =>
  cables.map(({ number, name, cable, prepared }) => ({
    row: "cable",
    number,
    text: `${name}, ${cable}`,
    standing: prepared ? "prepared" : "open",
  }));

const itemRows = ({ items }: ClosureRecord): Row[] =>
  items.map(({ stage, text, done, reading, unit, least, most, last }) => ({
    row: "item",
    stage,
    text,
    standing: done ? "done" : "open",
    ...(reading === null ? {} : { reading }),
    ...(unit === null ? {} : { unit }),
    ...(least === null ? {} : { least }),
    ...(most === null ? {} : { most }),
    by: last?.by ?? "",
    at: last?.at ?? "",
  }));

function spliceRows({ splices, limitDb }: ClosureRecord): Row[] {
  return splices.flatMap(({ number, a, b, colours, slot, tries, standing, reason, left, triesLeft }) => {
    const splice: Row = {
      row: "splice",
      number,
      stage: "splices",
      standing,
      side_a: a,
      colour_a: colours.a ?? "",
      side_b: b,
      colour_b: colours.b ?? "",
      slot: slot ?? "",
      limit_db: limitDb,
      ...(left ? { left_a_mm: left.a, left_b_mm: left.b } : {}),
      ...(triesLeft === null ? {} : { tries_left: triesLeft }),
      reason,
    };
    const rows = tries.map(
      ({ estimateDb, simulated, toolsFailed, by, at }, i): Row => ({
        ...splice,
        try: i + 1,
        estimate_db: estimateDb,
        simulated: simulated ? "simulated" : "",
        tools_failed: toolsFailed.join(", "),
        by: by ?? "",
        at,
      }),
    );
    return rows.length > 0 ? rows : [splice];
  });
}

const endRows = ({ spares, reopened }: ClosureRecord): Row[] => [
  ...spares.map(({ cable, fibres, reason }) => ({ row: "spare", text: `${cable}: ${fibres}`, reason })),
  ...reopened.map(({ reason, by, at }) => ({ row: "opened again", reason, by: by ?? "", at })),
];
