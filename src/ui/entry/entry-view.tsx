"use client";

import { Undo2 } from "lucide-react";
import { useMemo, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import {
  type Cable,
  compileRunSheet,
  type Entry,
  midSpanId,
  midSpanOf,
  misfits,
  mustHoldAt,
  type Procedure,
  portsBy,
  type RunSheet,
  type Tool,
} from "@/core";
import { Button } from "../controls/button";
import { usePrefs } from "../prefs/prefs-context";
import { AddCable } from "./add-cable";
import { type CableRow, CableRows } from "./cable-rows";
import { type EntryCable, type NamedCable, sheathOf } from "./entry-cables";
import { MidSpan, type Through, throughOf, windowOf } from "./mid-span";
import { Opened } from "./opened";
import { PortFace } from "./port-face";
import { openingOf, preparedRows, throughRows } from "./prepared";
import { PreparedTable } from "./prepared-table";
import { useEntryCables } from "./use-entry-cables";
import { usePortDrop } from "./use-port-drop";

/** The sheet of a cable that goes through, opened in the middle of its run. */
const throughSheet = (going: Procedure, cable: Cable, tools: readonly Tool[]): RunSheet | null => {
  const of = midSpanOf(cable);
  return misfits(going, of).length === 0
    ? compileRunSheet({ procedure: going, cable: of, core: coreOf(going, of), choices: {}, tools })
    : null;
};

interface EntryViewProps {
  readonly entry: Entry;
  /** What the entry comes to, as it stands on the shelf. */
  readonly procedure: Procedure;
  /** What it comes to for a cable that goes through; null where none does. */
  readonly going: Procedure | null;
  /** Every cable of the shelf that it takes by its kind. */
  readonly cables: readonly Cable[];
  readonly tools: readonly Tool[];
  readonly initial: readonly EntryCable[];
}

const coreOf = (procedure: Procedure, cable: Cable): string =>
  cable.cores.find((core) => misfits(procedure, cable, core).length === 0) ?? mustHoldAt(cable.cores, 0);

/** A closure from its port face and opened: which cable goes where, and what is prepared of each. */
export function EntryView({ entry, procedure, going, cables: shelf, tools, initial }: EntryViewProps) {
  const { prefs } = usePrefs();
  const { cables, named, placed, change, undo, mayUndo, problem } = useEntryCables(
    initial,
    entry.ports,
    shelf,
  );
  const [picked, setPicked] = useState<string | null>(null);
  const [pointed, setPointed] = useState<string | null>(null);
  const [through, setThrough] = useState<Through>(throughOf(entry));
  useHotkeys("z", undo, [undo]);
  const sheets = useMemo(() => {
    const known = new Map<string, RunSheet>();
    for (const { of } of named)
      if (!known.has(of.id))
        known.set(
          of.id,
          compileRunSheet({ procedure, cable: of, core: coreOf(procedure, of), choices: {}, tools }),
        );
    return known;
  }, [named, procedure, tools]);
  const rows = named.map((cable, i): CableRow => {
    const at = placed?.at[i];
    return {
      cable,
      ports: at?.ports ?? [],
      bushed: at?.way.bushed ?? false,
      otherRole: at?.way.otherRole ?? false,
    };
  });
  const inPort = new Map(
    rows.flatMap(({ cable, ports, bushed }) => ports.map((port) => [port, { cable, bushed }] as const)),
  );
  const edit = (id: string, changed: Partial<EntryCable>) =>
    change(cables.map((one, i) => (named[i]?.id === id ? { ...one, ...changed } : one)));
  const put = (id: string, port: string) => {
    const cable = named.find((one) => one.id === id);
    if (!cable) return;
    const asPort = { ...cable, diameter: sheathOf(cable) };
    edit(id, { fixed: portsBy(asPort, entry.ports, port) });
  };
  const { gripOf } = usePortDrop(put);
  const at = rows.find(({ cable }) => cable.id === picked) ?? rows[0];
  const sheet = at && sheets.get(at.cable.of.id);
  const window = windowOf(entry, through);
  const opens = at?.cable.through && going ? throughSheet(going, at.cable.of, tools) : null;
  const hrefOf = ({ of, through: goes }: NamedCable) =>
    `/?${new URLSearchParams(
      goes && going ? { cable: midSpanId(of.id), style: going.id } : { cable: of.id, style: entry.id },
    )}`;
  return (
    <main className="min-w-0 flex-1">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2 sm:px-6">
        <h1 className="min-w-0 truncate font-bold text-xl">{entry.name}</h1>
        <p className="mr-auto min-w-0 truncate text-soft">
          {entry.ports.length} ports ·{" "}
          <span className={entry.source.kind === "representative" ? "representative" : ""}>
            {entry.source.kind === "representative" ? "check the part's sheet" : "figures confirmed"}
          </span>
        </p>
        <Button look="quiet" disabled={!mayUndo} onClick={undo} className="no-print">
          <Undo2 aria-hidden="true" className="size-4" /> Undo
        </Button>
        {rows.length > 0 && (
          <Button className="no-print" onClick={() => globalThis.print()}>
            Print
          </Button>
        )}
      </header>
      <div className="grid border-line border-y bg-raised md:grid-cols-[19rem_minmax(0,1fr)]">
        <section aria-labelledby="face" className="border-line p-4 md:border-r">
          <h2 id="face" className="font-bold">
            Port face
          </h2>
          <p className="mb-2 text-soft text-sm">to scale, seen from the cables</p>
          <PortFace
            entry={entry}
            inPort={inPort}
            lit={pointed ?? at?.cable.id ?? null}
            onTake={gripOf}
            room={270}
          />
          {placed && rows.length > 0 && (
            <p className="mt-2 text-sm">
              {placed.bushed === 0 ? "No bushing" : `${placed.bushed} with a bushing`},{" "}
              {placed.otherRole === 0 ? "each in a port of its own kind" : `${placed.otherRole} in another's`}
              . <span className="text-soft">{placed.valid} ways there are.</span>
            </p>
          )}
        </section>
        <section aria-labelledby="opened" className="min-w-0 p-4">
          <h2 id="opened" className="font-bold">
            Opened
          </h2>
          {rows.length === 0 ? (
            <p className="mt-2 text-soft">
              No cable yet: add the first below, and it is drawn here as it will lie.
            </p>
          ) : (
            <Opened
              lit={pointed ?? at?.cable.id ?? null}
              onPoint={setPointed}
              cables={rows.flatMap(({ cable, ports }) => {
                const own = sheets.get(cable.of.id);
                return own
                  ? [
                      {
                        id: cable.id,
                        name: cable.name,
                        ports,
                        sheet: own,
                        turns: cable.through ? through.turns : null,
                      },
                    ]
                  : [];
              })}
            />
          )}
        </section>
      </div>
      {problem && (
        <p role="alert" className="mx-4 mt-3 rounded-md border-2 border-out px-3 py-2 sm:mx-6">
          <strong>That cannot be; nothing was changed.</strong> {problem}
        </p>
      )}
      <div className="grid gap-6 px-4 py-4 sm:px-6 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1.2fr)_minmax(0,0.9fr)]">
        <section aria-labelledby="cables" className="min-w-0">
          <h2 id="cables" className="font-bold text-lg">
            Cables
          </h2>
          <CableRows
            rows={rows}
            ports={entry.ports}
            picked={at?.cable.id ?? null}
            sheetHref={hrefOf}
            gripOf={gripOf}
            onPick={setPicked}
            onChange={edit}
            onDrop={(id) => change(cables.filter((_, i) => named[i]?.id !== id))}
          />
          <AddCable
            cables={shelf}
            first={rows.length === 0}
            onAdd={(cable, role, count) =>
              change([
                ...cables,
                ...Array.from({ length: count }, () => ({
                  cable,
                  role,
                  through: false,
                  fixed: null,
                })),
              ])
            }
          />
        </section>
        {at && sheet && (
          <section aria-labelledby="prepare" className="min-w-0">
            <h2 id="prepare" className="mb-1 font-bold text-lg">
              {at.cable.name}
              {at.cable.through && ", through"}: what to prepare
            </h2>
            <PreparedTable
              rows={at.cable.through ? throughRows(sheet, window) : preparedRows(sheet)}
              units={prefs.units}
            />
          </section>
        )}
        {at?.cable.through && (
          <MidSpan
            entry={entry}
            cable={at.cable.of}
            through={through}
            window={window}
            opens={opens && openingOf(opens)}
            onChange={(changed) => setThrough((before) => ({ ...before, ...changed }))}
          />
        )}
      </div>
    </main>
  );
}
