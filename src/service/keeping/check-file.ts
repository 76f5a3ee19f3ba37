import { sql } from "drizzle-orm";
import type { RecordFinding } from "@/core";
import { t } from "@/messages/service";
import { missingGuards, strangeTriggers } from "@/store/database/guards";
import { sha256 } from "@/store/database/hash";
import type { Store } from "@/store/database/store";
import { missingTables } from "@/store/database/whole";
import { fileDigest } from "@/store/opening/lift";
import { schemaObjectsOff, schemaStepsAltered } from "@/store/opening/open";
import { documentDigest } from "@/store/record/documents";
import { digestOf, type RegisterRow, registerFrom, registerHash } from "@/store/record/register";
import {
  batches,
  closureEvents,
  closures,
  crewEvents,
  documents,
  feeders,
  jobs,
  lightReferences,
  plans,
  shelf,
  studies,
  toolChecks,
  toolEvents,
} from "@/store/schema";
import { peopleRows } from "@/store/workshop/people";

const altered = (name: string, detail: string): RecordFinding => ({
  end: "",
  name,
  seq: null,
  what: detail,
  note: false,
});

/** The file itself: that it is whole, and its guards in place. */
export function checkFile(store: Store): RecordFinding[] {
  const lacking = missingTables(store.$client).map((missingTable) =>
    altered(t("the-file"), t("it-has-no", { missingTable })),
  );
  const damaged = store
    .all<{ integrity_check: string }>(sql`PRAGMA integrity_check(20)`)
    .filter(({ integrity_check: message }) => message !== "ok")
    .map(({ integrity_check: message }) => altered(t("the-file"), t("it-is-damaged", { message })));
  const guards = missingGuards(store).map(({ name }) =>
    altered(t("a-guard"), t("the-guard-was-taken-off-or-changed", { name })),
  );
  const strange = strangeTriggers(store).map((name) =>
    altered(t("a-guard"), t("a-trigger-was-put-in-that-is", { name })),
  );
  const objects = schemaObjectsOff(store.$client)
    .filter(({ type, fault }) => type !== "table" || fault === "strange" || lacking.length === 0)
    .map(({ type, name, fault }) => altered(t("the-file"), t("object-off", { type, name, fault })));
  const steps = schemaStepsAltered(store)
    ? [altered(t("the-file"), t("the-list-of-the-steps-its-tables"))]
    : [];
  return [...lacking, ...damaged, ...objects, ...guards, ...strange, ...steps];
}

/** Documents that do not say what their hash says. */
export const checkDocuments = (store: Store): RecordFinding[] =>
  store
    .all<{ hash: string; kind: string; body: string }>(
      sql`SELECT hash, kind, body FROM documents ORDER BY hash`,
    )
    .filter(({ hash, body }) => sha256(String(body)) !== hash)
    .map(({ hash, kind }) =>
      altered(t("document", { hash: hash.slice(0, 12) }), t("a-document-was-changed", { kind })),
    );

const AT_ONCE = 1_000;

function* allLines(store: Store): Generator<RegisterRow> {
  for (let after = 0; ; ) {
    const lines = registerFrom(store, after, AT_ONCE);
    yield* lines;
    const last = lines.at(-1);
    if (!last || lines.length < AT_ONCE) return;
    after = last.n;
  }
}

/** Rows that the register knows by their kind and name, with what it should have of each. */
function registered(store: Store): Readonly<Record<Named, ReadonlyMap<string, string>>> {
  const digests = <T>(all: readonly T[], ref: (row: T) => string, digest: (row: T) => string = digestOf) =>
    new Map(all.map((row) => [ref(row), digest(row)]));
  const saved = store
    .select({ hash: documents.hash, kind: documents.kind, v: documents.v })
    .from(documents)
    .all();
  return {
    file: new Map([["meta", fileDigest(store)]]),
    document: digests(saved, ({ hash }) => hash, documentDigest),
    batch: digests(store.select().from(batches).all(), ({ id }) => id),
    study: digests(store.select().from(studies).all(), ({ id }) => id),
    tool: digests(store.select().from(toolEvents).all(), ({ id }) => id),
    shelf: digests(store.select().from(shelf).all(), ({ row }) => String(row)),
    person: digests(peopleRows(store), ({ id }) => id),
    job: digests(store.select().from(jobs).all(), ({ id }) => id),
    plan: digests(store.select().from(plans).all(), ({ row }) => String(row)),
    closure: digests(store.select().from(closures).all(), ({ row }) => String(row)),
    "closure-event": digests(store.select().from(closureEvents).all(), ({ id }) => id),
    crew: digests(store.select().from(crewEvents).all(), ({ id }) => id),
    feeder: digests(store.select().from(feeders).all(), ({ row }) => String(row)),
    "light-reference": digests(store.select().from(lightReferences).all(), ({ id }) => id),
    "tool-check": digests(store.select().from(toolChecks).all(), ({ id }) => id),
  };
}

const NAMES = {
  file: "the file's own notes",
  document: "document",
  batch: "batch",
  study: "study",
  tool: "blade event",
  shelf: "shelf revision",
  person: "what was said of a person",
  job: "job",
  plan: "revision of a plan",
  closure: "revision of a closure",
  "closure-event": "event of a closure",
  crew: "change to the crew's rules, or line of its log",
  feeder: "revision of a feeder",
  "light-reference": "reference of light",
  "tool-check": "check of a tool",
} as const;
type Named = keyof typeof NAMES;
const isNamed = (kind: string): kind is Named => Object.hasOwn(NAMES, kind);
const KINDS = Object.keys(NAMES).filter(isNamed);

/** What the register says must be there, as it was; and nothing that it does not know. */
export function checkRegister(store: Store): RecordFinding[] {
  const rows = registered(store);
  const cache = new Map(KINDS.map((kind) => [kind, new Set<string>()]));
  const ends = new Set(store.all<{ id: string }>(sql`SELECT id FROM ends`).map(({ id }) => id));
  const findings: RecordFinding[] = [];
  let [before, n] = ["", 0];
  for (const line of allLines(store)) {
    n++;
    if (line.n !== n || line.before !== before)
      findings.push(altered(t("register-line", { n }), t("a-line-of-the-register-was-taken")));
    if (registerHash(line) !== line.hash)
      findings.push(altered(t("register-line", { n: line.n }), t("this-line-of-the-register-was-changed")));
    n = line.n;
    before = line.hash;
    if (isNamed(line.kind)) cache.get(line.kind)?.add(line.ref);
    findings.push(...lineOff(line, rows, ends));
  }
  const strange = KINDS.flatMap((kind) =>
    [...rows[kind].keys()]
      .filter((ref) => !cache.get(kind)?.has(ref))
      .map((ref) => altered(`${NAMES[kind]} ${ref}`, t("the-register-does-not-know-it-it"))),
  );
  return [...findings, ...strange, ...NUMBERED.flatMap((table) => cutShort(store, table))];
}

/** What one line of the register says that is not so. */
function lineOff(
  line: RegisterRow,
  rows: ReturnType<typeof registered>,
  ends: ReadonlySet<string>,
): RecordFinding[] {
  if (line.kind === "guards")
    return [altered(t("a-guard"), t("guards-had-been-taken-off-and-were", { ref: line.ref }))];
  if (line.kind === "end")
    return ends.has(line.ref)
      ? []
      : [
          {
            ...altered(t("an-end"), t("an-end-was-taken-out-whole-the")),
            end: line.ref,
          },
        ];
  if (!isNamed(line.kind)) return [];
  const digest = rows[line.kind].get(line.ref);
  if (digest === line.digest) return [];
  return [
    altered(
      `${NAMES[line.kind]} ${line.ref}`,
      digest === undefined ? t("it-was-taken-out") : t("it-was-changed"),
    ),
  ];
}

/** Tables whose rows are numbered as they come in, without gaps. */
const NUMBERED = [
  "register",
  "events",
  "people_events",
  "shelf",
  "plans",
  "closures",
  "closure_events",
  "feeders",
  "light_references",
  "tool_checks",
] as const;

/** Of them, those whose number is called a row. */
const BY_ROW: readonly (typeof NUMBERED)[number][] = ["shelf", "plans", "closures", "feeders"];

/** Rows taken out of such a table: a gap in its numbers, or fewer than the file remembers having given. */
function cutShort(store: Store, table: (typeof NUMBERED)[number]): RecordFinding[] {
  const number = sql.identifier(BY_ROW.some((name) => name === table) ? "row" : "n");
  const { count, last } = store.get<{ count: number; last: number }>(
    sql`SELECT count(*) AS count, coalesce(max(${number}), 0) AS last FROM ${sql.identifier(table)}`,
  ) ?? { count: 0, last: 0 };
  const given =
    store.get<{ seq: number }>(sql`SELECT seq FROM sqlite_sequence WHERE name = ${table}`)?.seq ?? 0;
  return count === last && last === given
    ? []
    : [
        altered(
          t("the-table", { table }),
          t("rows-are-gone-or-were-renumbered-are", { count, max: Math.max(last, given) }),
        ),
      ];
}

/** What belongs to no end. */
export const checkLoose = (store: Store): RecordFinding[] =>
  (["events", "readings", "verdicts", "attempts", "uses"] as const).flatMap((table) =>
    store
      .all<{ end: string; n: number }>(
        sql`SELECT end_id AS "end", count(*) AS n FROM ${sql.identifier(table)} WHERE end_id NOT IN (SELECT id FROM ends) GROUP BY end_id ORDER BY end_id`,
      )
      .map(
        ({ end, n }): RecordFinding => ({
          end,
          name: "no end",
          seq: null,
          what: `${n} rows of ${table} belong to an end that is not there.`,
          note: false,
        }),
      ),
  );
