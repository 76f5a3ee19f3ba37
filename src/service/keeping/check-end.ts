import { sql } from "drizzle-orm";
import { LRUCache } from "lru-cache";
import {
  compileRunSheet,
  ENVELOPED_FROM,
  type EndState,
  endState,
  followsFrom,
  isRecord,
  isSetBack,
  type KeptVerdict,
  projectionsOf,
  type Recorded,
  type RunSheet,
  readEvent,
  sheetDocument,
  signOff,
} from "@/core";
import { canonical } from "@/store/database/hash";
import { PROGRAM } from "@/store/database/program";
import type { Store } from "@/store/database/store";
import { type ChainedRow, endDigest, eventHash, foundingHash } from "@/store/record/chain";
import { hasDocument, keptCable, keptProcedure, keptTools } from "@/store/record/documents";
import type { EndRow } from "@/store/record/ends";
import { foundingColumns, zFounding } from "@/store/record/founding";
import { hasHeads, headsOf } from "@/store/record/heads";
import { photoBytes } from "@/store/record/photos";
import { projectedOf } from "@/store/record/projections";
import { registerLines } from "@/store/record/register";
import { judgedOf } from "../end/ends";
import { sheetOf, sheetText } from "../end/kept-sheets";

interface EndFinding {
  readonly seq?: number;
  readonly what: string;
  /** Whether nothing was altered. */
  readonly note?: boolean;
}

/** An end whose events could all be read: its sheet, its history, and where that leaves it. */
interface ReadEnd {
  readonly sheet: RunSheet;
  readonly history: readonly Recorded[];
  readonly state: EndState;
}

/**
 * Checks one end: its chain of hashes from what it was started as to its last event, its columns and documents, what
 * follows from its events, its photographs, and whether this program compiles and judges it as it was.
 */
export function checkEnd(store: Store, row: EndRow, events: readonly ChainedRow[]): EndFinding[] {
  const chain = [...foundingOff(row), ...brokenLinks(row, events), ...envelopesOff(events)];
  const entered = [...registerOff(store, row, events), ...headsOff(store, row, events)];
  const written = textsOff(store, row);
  const gone = (["procedureHash", "cableHash", "toolsHash", "sheetHash"] as const).flatMap((key) => {
    const hash = row[key];
    return hash !== null && !hasDocument(store, hash)
      ? [{ what: `A document it was made with is missing (${key}).` }]
      : [];
  });
  const sheetless =
    row.sheetHash === null
      ? [{ what: "The sheet it was worked to was never stored: its documents no longer compile." }]
      : [];
  const findings = [...chain, ...entered, ...written, ...gone, ...sheetless];
  // What follows from a history that was changed would only say the same once more.
  if (findings.length > 0) return findings;
  const history = events.map(readEvent);
  const unread = history.flatMap(({ seq, event }): EndFinding[] =>
    event.kind !== "unread"
      ? []
      : event.why === "newer"
        ? [
            {
              seq,
              what: "Written by a newer version of Arlent. Kept unchanged; that version reads it.",
              note: true,
            },
          ]
        : [{ seq, what: "This event cannot be read." }],
  );
  if (unread.length > 0) return unread;
  const end = { sheet: sheetOf(store, row), history, state: endState(history) };
  return [
    ...clockSetBack(history),
    ...photosGone(store, history),
    ...rowOff(row, end),
    ...projectionsOff(store, row, end),
    ...compiledOtherwise(store, row, end.sheet),
    ...judgedOtherwise(row, end),
  ];
}

/** What the columns say beside the founding that is hashed. */
function foundingOff(row: EndRow): EndFinding[] {
  // The first version knew no piece.
  if (row.founding === null)
    return row.piece === null && row.plan === null && row.side === null && row.address === null
      ? []
      : [{ what: "Its start was altered: it was an end by itself." }];
  const founding = zFounding.safeParse(parsed(row.founding));
  if (!founding.success)
    return [
      { what: "Started by a newer version of Arlent. Kept unchanged; that version reads it.", note: true },
    ];
  const stands = new Map<string, unknown>(Object.entries(row));
  const columns = Object.entries(foundingColumns(founding.data));
  const off = columns.filter(
    ([key, value]) => canonical(stands.get(key) ?? null) !== canonical(value ?? null),
  );
  return off.length > 0
    ? [{ what: `What it was started as was changed: ${off.map(([key]) => key).join(", ")}.` }]
    : [];
}

/** The first link that does not hold: an event changed, put in, taken out, or the end itself changed. */
function brokenLinks(row: EndRow, events: readonly ChainedRow[]): EndFinding[] {
  let before = foundingHash(row);
  for (const [i, event] of events.entries()) {
    if (i === 0 && event.before !== before)
      return [{ what: "The end's start was altered, or its first event is missing." }];
    if (event.before !== before)
      return [{ seq: event.seq, what: "An event before this one was removed or altered." }];
    if (eventHash(event) !== event.hash) return [{ seq: event.seq, what: "This event was changed." }];
    before = event.hash;
  }
  if (before === row.lastHash) return [];
  return [
    {
      what:
        events.length === 0
          ? "The end's start was altered, or its events are missing."
          : "Events at the end of its history are missing.",
    },
  ];
}

/** Columns of an event beside its envelope, and envelopes that are not written as they are hashed. */
const envelopesOff = (events: readonly ChainedRow[]): EndFinding[] =>
  events.flatMap(({ v, seq, body, id, endId, at, client }) => {
    if (v < ENVELOPED_FROM) return [];
    const content = parsed(body);
    if (!isRecord(content)) return [{ seq, what: "This event was changed: body." }];
    const columns = { v, id, end: endId, seq, at, client };
    const off = Object.entries(columns).flatMap(([key, value]) => (content[key] === value ? [] : [key]));
    if (canonical(content) !== body) off.push("body");
    return off.length > 0 ? [{ seq, what: `This event was changed: ${off.join(", ")}.` }] : [];
  });

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
};

/** What the register keeps of it: that it was begun, and that it was signed off. */
function registerOff(store: Store, row: EndRow, events: readonly ChainedRow[]): EndFinding[] {
  const [begun] = registerLines(store, "end", row.id);
  const signs = events.filter(({ v, body }) => kindIn(v, body) === "sign");
  const byVersion1 = signs.some(({ v }) => v < ENVELOPED_FROM);
  const off: EndFinding[] = [];
  if (!begun) off.push({ what: "The register does not know it: it was put in." });
  else if (begun.digest !== endDigest(row, byVersion1))
    off.push({
      what: "It is not as it was entered in the register: what it was started as, its sheet or its verdicts were changed.",
    });
  for (const { digest } of registerLines(store, "signed", row.id))
    if (!signs.some(({ hash }) => hash === digest))
      off.push({ what: "The register knows of a sign-off that is gone or was changed." });
  return off;
}

/** How far the register knows its chain had come, each time: every step of that must still be there, the last one last. */
function headsOff(store: Store, row: EndRow, events: readonly ChainedRow[]): EndFinding[] {
  if (!hasHeads(store)) return [];
  const chain = events.map(({ hash }) => hash);
  const heads = headsOf(store, row.id);
  const places = heads.map((head) => chain.indexOf(head));
  const inOrder = places.every((place, i) => place > (places[i - 1] ?? -1));
  const last = heads.at(-1) ?? foundingHash(row);
  return inOrder && last === row.lastHash
    ? []
    : [
        {
          what: "Its history is not as far as the register knows it: events were removed, added or changed.",
        },
      ];
}

/** Columns whose text is JSON: they are looked up and counted as text, so they are compared as text. */
const TEXTS = ["picked", "rule", "verdicts", "address", "timers"] as const;

/** Such columns that are not written as this program writes them: read, they would say the same. */
function textsOff(store: Store, row: EndRow): EndFinding[] {
  const there = store.get<Record<(typeof TEXTS)[number], string | null>>(
    sql`SELECT picked, rule, verdicts, address, timers FROM ends WHERE id = ${row.id}`,
  );
  const off = TEXTS.filter((key) => {
    const text = there?.[key] ?? null;
    return text !== null && text !== JSON.stringify(key === "address" ? addressOf(row) : row[key]);
  });
  return off.length > 0 ? [{ what: `Its row was changed: ${off.join(", ")} is written otherwise.` }] : [];
}

/** Its address as a place is looked up by it. */
const addressOf = ({ address }: EndRow) =>
  address?.map(({ kind, position, towards }) => ({ kind, position, ...(towards && { towards }) })) ?? null;

function kindIn(v: number, body: string): unknown {
  const content = parsed(body);
  const event = isRecord(content) && v >= ENVELOPED_FROM ? content.event : content;
  return isRecord(event) ? event.kind : undefined;
}

/** Events that say an earlier time than the one before: the machine's clock was set back by more than a week. */
const clockSetBack = (history: readonly Recorded[]): EndFinding[] =>
  history
    .filter((_, i) => isSetBack(history, i))
    .map(({ seq }) => ({
      seq,
      what: "Its time is earlier than the one before it: the clock of the machine was set back. Nothing was altered.",
      note: true,
    }));

const photosGone = (store: Store, history: readonly Recorded[]): EndFinding[] =>
  history.flatMap(({ seq, event }) => {
    if (event.kind !== "photo") return [];
    const original = event.original?.sha256;
    return [
      ...(photoBytes(store, event.sha256) ? [] : [{ seq, what: "Its photograph is gone or was changed." }]),
      ...(original === undefined || photoBytes(store, original)
        ? []
        : [{ seq, what: "The original of its photograph is gone or was changed." }]),
    ];
  });

/** The row beside the events: what it says of the sign-off must be what they say. */
function rowOff(row: EndRow, { sheet, history, state }: ReadEnd): EndFinding[] {
  const sign = signOff(history);
  const follows = followsFrom(sheet, state, row.rule, judgedOf(row, sign));
  const columns = (["job", "label", "signedBy", "signedAt", "at"] as const).filter(
    (key) => row[key] !== follows[key],
  );
  if (sign?.by !== null && row.signer !== (sign?.by ?? null)) columns.push("signedBy");
  if (canonical(row.timers) !== canonical(follows.timers)) columns.push("at");
  if (columns.length > 0) return [{ what: `Its row was changed: ${[...new Set(columns)].join(", ")}.` }];
  if (row.result !== follows.result || canonical(row.verdicts) !== canonical(follows.verdicts))
    return [{ what: "Its kept verdicts are not those of its sign-off: changed." }];
  return [];
}

const byKey = <T extends object>(rows: readonly T[]): string[] => rows.map((row) => canonical(row)).sort();

/** The tables that follow from its events. */
function projectionsOff(store: Store, row: EndRow, { sheet, history, state }: ReadEnd): EndFinding[] {
  const there = projectedOf(store, row.id);
  const { rule, purpose, verdicts } = row;
  const should = projectionsOf({ sheet, rule, purpose, events: history, verdicts }, state);
  const off = (["readings", "verdicts", "attempts", "uses"] as const).filter(
    (table) => canonical(byKey<object>(there[table])) !== canonical(byKey<object>(should[table])),
  );
  return off.length > 0
    ? [
        {
          what: `What is listed of it (${off.join(", ")}) does not follow from its events. Rebuild the lists.`,
        },
      ]
    : [];
}

/** Whether its documents still compile to the sheet it was worked by. Under another program that is no alteration. */
function compiledOtherwise(store: Store, row: EndRow, sheet: RunSheet): EndFinding[] {
  const now = compiledAgain(store, row);
  if (now === sheetText(sheet)) return [];
  const same = row.program === PROGRAM;
  return [
    {
      what: same
        ? "Its documents do not compile to the sheet kept with it."
        : `${PROGRAM} would compile its documents to another sheet than ${row.program || "the program of its day"} did; it was worked by the one kept.`,
      note: !same,
    },
  ];
}

const recompiled = new LRUCache<string, string>({ max: 500 });

/** What its kept documents compile to now; documents never change, so it is remembered under their hashes. */
function compiledAgain(store: Store, row: EndRow): string {
  const { procedureHash, cableHash, toolsHash, picked } = row;
  const key = canonical([procedureHash, cableHash, toolsHash, picked]);
  const cached = recompiled.get(key);
  if (cached !== undefined) return cached;
  const text = compiledText(store, row);
  recompiled.set(key, text);
  return text;
}

function compiledText(store: Store, { procedureHash, cableHash, toolsHash, picked }: EndRow): string {
  try {
    const sheet = compileRunSheet({
      procedure: keptProcedure(store, procedureHash),
      cable: keptCable(store, cableHash),
      tools: keptTools(store, toolsHash),
      ...picked,
    });
    return canonical(sheetDocument(sheet));
  } catch {
    return "";
  }
}

/** The last digits of a probability are another machine's or another package's. */
const LAST_DIGITS = 1e-9;

const sameVerdicts = (a: readonly KeptVerdict[], b: readonly KeptVerdict[]): boolean =>
  a.length === b.length &&
  a.every((reading) => {
    const other = b.find(({ check }) => check === reading.check);
    return (
      other?.verdict === reading.verdict &&
      (["mean", "u", "probability"] as const).every(
        (key) => Math.abs(other[key] - reading[key]) < LAST_DIGITS,
      )
    );
  });

/** Whether this program would judge a signed end as it was judged. Under another program that is no alteration. */
function judgedOtherwise(row: EndRow, { sheet, history, state }: ReadEnd): EndFinding[] {
  if (row.signedAt === null) return [];
  const { result, verdicts } = followsFrom(sheet, state, row.rule, null);
  if (row.result === result && sameVerdicts(row.verdicts ?? [], verdicts ?? [])) return [];
  const sign = signOff(history);
  const same = sign?.judged?.program === PROGRAM;
  return [
    {
      what: same
        ? "Its verdicts are not what its readings give."
        : `${PROGRAM} would judge it otherwise than it was judged when it was signed off: ${result ?? "not at all"} instead of ${row.result ?? "nothing"}. What was judged then stands.`,
      note: !same,
    },
  ];
}
