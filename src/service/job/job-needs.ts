import {
  effortFor,
  type ItemCount,
  isDone,
  itemSums,
  type JobId,
  pooledRecords,
  problemOf,
  type RunSheet,
  type StyleNeed,
  throughId,
  toMm,
} from "@/core";
import type { Store } from "@/store/database/store";
import { findJob } from "@/store/plan/plans";
import { usedOnPieces } from "@/store/record/facts";
import { wholeLibrary } from "@/store/shelf/shelf";
import { insightOf } from "../insight/insight";
import { sheetOnce } from "../known";
import { blades } from "../workshop/tools";
import { findCutList } from "./cut-list";
import { allPieces } from "./jobs";
import { aheadAtPlace, plannedPlaces } from "./places";
import { spliceNeeds } from "./splice-needs";

/** The chance of running short of parts that is planned with. */
const RISK = 0.05;

/** Parts, consumables, hours and cable that a job still takes. */
interface JobNeeds {
  readonly name: string;
  readonly styles: readonly StyleNeed[];
  /** Metres of pieces with no end begun; null where one cannot be worked out. */
  readonly metres: number | null;
  readonly blades: readonly { readonly name: string; readonly left: number }[];
  /** Used up on the job so far. */
  readonly used: readonly ItemCount[];
}

/** Hours, parts, consumables and cable a job still takes, by the crew's own record; null where there is no such job. */
export function findJobNeeds(store: Store, id: JobId): JobNeeds | null {
  const job = findJob(store, id);
  if (!job) return null;
  const pieces = allPieces(store, id);
  const places = plannedPlaces(store, pieces);
  const { ways } = insightOf(store);
  // The last is of a connector without any record: it is planned by that of all.
  const pooled = pooledRecords([...ways, { good: 0, tried: 0 }]);
  const { procedures, entries } = wholeLibrary(store);
  const closures = new Set(entries.flatMap((entry) => [entry.id, throughId(entry.id)]));
  const all = pieces.flatMap(({ id: piece }) =>
    (places.get(piece) ?? []).map((place) => ({ piece, ...place })),
  );
  const styles = [...new Set(all.map(({ procedure }) => procedure))].flatMap((style): StyleNeed[] => {
    const own = all.filter(({ procedure }) => procedure === style);
    const open = own.filter(({ standing }) => !isDone(standing));
    const [first] = open;
    if (!first) return [];
    const way = ways.find((each) => each.style === style) ?? { good: 0, tried: 0, minutes: null };
    const at = ways.findIndex((each) => each.style === style);
    const record = pooled.at(at) ?? { good: 0, tried: 0 };
    const effort =
      record.tried > 0 ? effortFor(open.length, { ...record, minutes: way.minutes }, RISK) : null;
    const sheet = sheetAt(store, first.piece, { side: first.side, at: first.text });
    return [
      {
        tries: effort?.tries ?? null,
        hours: effort?.hours ?? null,
        // A try that fails uses no closure up.
        parts: closures.has(style) ? open.length : (effort?.parts ?? null),
        ...{ of: "end", style, name: procedures.find((each) => each.id === style)?.name ?? style },
        ...{ left: open.length, planned: own.length, good: way.good, tried: way.tried },
        consumables: sheet ? consumablesOf(sheet, Math.ceil(effort?.tries.most ?? open.length)) : [],
      },
    ];
  });
  const splices = spliceNeeds(store, id, ways, RISK);
  const untouched = new Set(
    pieces
      .filter(({ id: piece }) => (places.get(piece) ?? []).every(({ standing }) => standing === "planned"))
      .map(({ id: piece }) => piece),
  );
  const cuts = (findCutList(store, id)?.groups ?? [])
    .flatMap(({ lines }) => lines)
    .filter(({ id: piece }) => untouched.has(piece));
  return {
    name: job.name,
    styles: [...styles, ...splices.styles],
    metres: cuts.some(({ cut }) => cut === null)
      ? null
      : cuts.reduce((sum, { cut }) => sum + toMm(cut ?? 0) / 1_000, 0),
    blades: blades(store).map(({ name, standing }) => ({ name, left: standing.left })),
    used: itemSums([
      ...usedOnPieces(
        store,
        pieces.map(({ id: piece }) => piece),
      ),
      ...splices.used,
    ]).sort((a, b) => b.count - a.count),
  };
}

/** Sums of a job's open ends and splices: hours with a range, parts, metres of cable. */
interface JobLeft {
  /** Of connectors that were timed; null where none was. */
  readonly hours: { readonly least: number; readonly most: number } | null;
  /** Null where the record cannot say for a connector. */
  readonly parts: number | null;
  readonly metres: number | null;
  readonly ends: number;
  readonly splices: number;
}

/** Sums of a job's open ends and splices; null where none is left, or there is no such job. */
export function jobLeft(store: Store, id: JobId): JobLeft | null {
  const needs = findJobNeeds(store, id);
  if (!needs || needs.styles.length === 0) return null;
  const timed = needs.styles.flatMap(({ hours }) => hours ?? []);
  const sum = (of: readonly number[]) => of.reduce((total, value) => total + value, 0);
  const parts = needs.styles.map((style) => style.parts);
  return {
    hours:
      timed.length === 0
        ? null
        : { least: sum(timed.map(({ least }) => least)), most: sum(timed.map(({ most }) => most)) },
    parts: parts.includes(null) ? null : sum(parts.map((count) => count ?? 0)),
    metres: needs.metres,
    ends: sum(needs.styles.map((style) => (style.of === "end" ? style.left : 0))),
    splices: sum(needs.styles.map((style) => (style.of === "splice" ? style.left : 0))),
  };
}

function sheetAt(store: Store, piece: string, place: Parameters<typeof aheadAtPlace>[2]): RunSheet | null {
  try {
    return sheetOnce(wholeLibrary(store), aheadAtPlace(store, piece, place));
  } catch (error) {
    if (problemOf(error)) return null;
    throw error;
  }
}

/** Consumables of so many tries, by item. */
const consumablesOf = ({ lines }: RunSheet, tries: number): StyleNeed["consumables"] =>
  itemSums(lines.flatMap(({ step }) => step.uses.map(({ item, count }) => ({ item, count: count * tries }))));
