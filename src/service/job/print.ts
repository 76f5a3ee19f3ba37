import {
  type ClosureAnswer,
  type ClosureAtWork,
  fibreEndText,
  type JobId,
  type PlaceSide,
  problemOf,
  type RunSheet,
  type Splice,
  splicedIn,
  type TrayList,
  toMm,
  trayLists,
} from "@/core";
import type { Store } from "@/store/database/store";
import { findJob } from "@/store/plan/plans";
import { wholeLibrary } from "@/store/shelf/shelf";
import { sheetOnce } from "../known";
import { aheadInClosure } from "./begin-closure";
import { closureAtWork } from "./closure-at-work";
import { getClosure, getClosures } from "./closures";
import { findCutList } from "./cut-list";
import { allPieces } from "./jobs";
import { aheadAtPlace, plannedPlaces } from "./places";

/** A style of a job: its run sheet, the address of that sheet, and how many ends are made by it. */
interface JobSheet {
  readonly sheet: RunSheet;
  readonly address: string;
  readonly ends: number;
}

/** Contents of a job's print. */
interface JobPrint {
  readonly name: string;
  readonly sheets: readonly JobSheet[];
  readonly labels: readonly { readonly title: string; readonly place: string; readonly foot: string }[];
  readonly cuts: readonly {
    readonly name: string;
    readonly cable: string;
    readonly metres: string;
    readonly from: string;
    readonly to: string;
  }[];
  readonly trays: readonly PrintedTray[];
  readonly closures: readonly PrintedClosure[];
}

/** A tray of a closure with its splices, slot by slot. */
interface PrintedTray {
  readonly closure: string;
  readonly list: TrayList<Splice>;
  readonly limitDb: number;
  /** The name of an end of a splice. */
  readonly endText: (end: Splice["a"]) => string;
}

/** A closure with the sheets its cables are opened by; a cable whose sheet does not go together is left out. */
interface PrintedClosure {
  readonly name: string;
  readonly entry: string;
  readonly address: string;
  readonly cables: readonly { readonly title: string; readonly ports: string; readonly sheet: RunSheet }[];
}

type Ahead = ReturnType<typeof aheadAtPlace>;

/** The styles, labels and cuts of a job; null where there is none. A place that does not go together is left out. */
export function findJobPrint(store: Store, id: JobId): JobPrint | null {
  const job = findJob(store, id);
  if (!job) return null;
  const pieces = allPieces(store, id);
  const places = plannedPlaces(store, pieces);
  const sheets = new Map<string, JobSheet>();
  const library = wholeLibrary(store);
  const add = ({ procedure, cable, core, choices }: Ahead, ends: number) => {
    const key = JSON.stringify([procedure.id, cable.id, core, choices]);
    const before = sheets.get(key);
    const address = `/?${new URLSearchParams({ cable: cable.id, style: procedure.id })}`;
    const sheet = before?.sheet ?? sheetOnce(library, { procedure, cable, core, choices });
    sheets.set(key, { sheet, address, ends: (before?.ends ?? 0) + ends });
  };
  const attemptIt = (make: () => void): void => {
    try {
      make();
    } catch (error) {
      if (!problemOf(error)) throw error;
    }
  };
  for (const { id: piece } of pieces) {
    // All places of one side and style are made by one sheet.
    const groups = new Map<string, { readonly side: PlaceSide; readonly at: string; ends: number }>();
    for (const { side, procedure, text } of places.get(piece) ?? []) {
      const group = groups.get(`${side} ${procedure}`);
      if (group) group.ends += 1;
      else groups.set(`${side} ${procedure}`, { side, at: text, ends: 1 });
    }
    for (const { ends, ...place } of groups.values())
      attemptIt(() => add(aheadAtPlace(store, piece, place), ends));
  }
  const trays: PrintedTray[] = [];
  const closures: PrintedClosure[] = [];
  for (const { id: opening } of getClosures(store, id)) {
    const closure = getClosure(store, opening);
    const opened: [string, RunSheet][] = [];
    for (const { id: cable, joins } of closure.plan.cables)
      attemptIt(() => {
        const ahead = aheadInClosure(store, closure.id, { cable });
        opened.push([cable, sheetOnce(library, ahead)]);
        // A place of a piece has its sheet already.
        if (!joins) add(ahead, 1);
      });
    attemptIt(() => {
      const at = closureAtWork(store, closure);
      trays.push(...traysOf(closure, at));
      closures.push(openedClosure(closure, at, new Map(opened)));
    });
  }
  const nameOf = (cable: string) => library.cables.find((each) => each.id === cable)?.name ?? cable;
  return {
    name: job.name,
    sheets: [...sheets.values()],
    trays,
    closures: closures.filter(({ cables }) => cables.length > 0),
    labels: pieces.flatMap(({ id: piece, plan }) =>
      (places.get(piece) ?? []).map(({ side, text, procedure }) => ({
        title: plan.name,
        place: [sideName(plan, side), text].filter(Boolean).join(", "),
        foot: [job.name, library.procedures.find(({ id: style }) => style === procedure)?.name ?? ""]
          .filter(Boolean)
          .join(" · "),
      })),
    ),
    cuts: (findCutList(store, id)?.groups ?? []).flatMap(({ cable, lines }) =>
      lines.map(({ plan, cut }) => ({
        ...{ name: plan.name, cable: nameOf(cable) },
        metres: cut === null ? "" : (toMm(cut) / 1_000).toFixed(2),
        ...{ from: plan.sides.A.place, to: plan.sides.B.place },
      })),
    ),
  };
}

function traysOf({ plan }: ClosureAnswer, at: ClosureAtWork): PrintedTray[] {
  const { trays } = at.entry;
  if (!trays) return [];
  const cables = splicedIn(at);
  return trayLists(trays, plan.splicing.splices).map((list) => ({
    ...{ closure: plan.name, list, limitDb: plan.splicing.limitDb },
    endText: (end) => fibreEndText(cables, end),
  }));
}

const openedClosure = (
  { id, job, plan }: ClosureAnswer,
  at: ClosureAtWork,
  sheets: ReadonlyMap<string, RunSheet>,
): PrintedClosure => ({
  ...{ name: plan.name, entry: at.entry.name, address: `/jobs/${job}/closures/${id}` },
  cables: at.cables.flatMap(({ id: cable, number, name, ports }) => {
    const sheet = sheets.get(cable);
    return sheet ? [{ title: `${number}  ${name}`, ports: ports.join(", "), sheet }] : [];
  }),
});

type Plan = ReturnType<typeof allPieces>[number]["plan"];

/** A side of a piece as its label says it: the place it is at, or its letter. */
function sideName({ sides, stations }: Plan, side: string): string {
  if (side === "A" || side === "B") return sides[side].place || side;
  return stations.find(({ id }) => id === side)?.place ?? "";
}
