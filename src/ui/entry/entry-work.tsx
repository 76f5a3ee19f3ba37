"use client";

import { type ReactNode, useMemo, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import {
  asRole,
  type Cable,
  type Caution,
  type ClosureCable,
  ENDING_ROLES,
  type Entry,
  midSpanId,
  openingOf,
  type Parted,
  PORT_ROLES,
  type Procedure,
  portsBy,
  preparedRows,
  type Tool,
  throughRows,
} from "@/core";
import { t } from "@/messages/entry";
import { CannotBe } from "../controls/cannot-be";
import { type CableRow, CableRows } from "../entry-drawing/cable-rows";
import { broughtIn, type NamedCable, sheathOf } from "../entry-drawing/entry-cables";
import { EntryDrawn } from "../entry-drawing/entry-drawn";
import { openingIn, throughOf } from "../entry-drawing/through";
import type { EntryCables } from "../entry-drawing/use-entry-cables";
import { usePortDrop } from "../entry-drawing/use-port-drop";
import { usePrefs } from "../prefs/prefs-context";
import { Prepared } from "../prepared/prepared-print";
import { PreparedTable } from "../prepared/prepared-table";
import { AddCable } from "./add-cable";
import { Bends } from "./bends";
import { Closing } from "./closing";
import { endingSheets, throughSheet } from "./entry-sheets";
import { MidSpan } from "./mid-span";

/** An entry with all that is shown of it. */
export interface EntryShown {
  readonly entry: Entry;
  /** What the entry comes to, as it stands on the shelf. */
  readonly procedure: Procedure;
  /** What it comes to for a cable that goes through; null where none does. */
  readonly going: Procedure | null;
  /** Every cable of the shelf that it takes by its kind. */
  readonly cables: readonly Cable[];
  readonly tools: readonly Tool[];
  readonly cautions: readonly Caution[];
}

interface EntryWorkProps extends EntryShown {
  /** The cables that come in, under the hand. */
  readonly state: EntryCables;
  /** Which entry it is, above all else. */
  readonly head: ReactNode;
  /** Fibres that are parted of a cable that goes through; none where no plan says which. */
  readonly partedOf?: (cable: NamedCable) => readonly Parted[];
  /** What else is said of a cable, in its row. */
  readonly beside?: (cable: NamedCable) => ReactNode;
  /** What else comes in, below what is brought in from the shelf. */
  readonly bring?: ReactNode;
}

const nothingSaid = (): readonly Parted[] => [];

/** A closure from its port face and opened: which cable goes where, and what is prepared of each. */
export function EntryWork({
  entry,
  procedure,
  going,
  cables: shelf,
  tools,
  cautions,
  state,
  head,
  partedOf = nothingSaid,
  beside,
  bring,
}: EntryWorkProps) {
  const { prefs } = usePrefs();
  const { cables, named, placed, change, undo, problem } = state;
  const [picked, setPicked] = useState<string | null>(null);
  const [pointed, setPointed] = useState<string | null>(null);
  useHotkeys("z", undo, [undo]);
  const sheets = useMemo(
    () =>
      endingSheets(
        named.map(({ of }) => of),
        procedure,
        tools,
      ),
    [named, procedure, tools],
  );
  const rows = named.map((cable, i): CableRow => {
    const at = placed?.at[i];
    return {
      cable,
      ports: at?.ports ?? [],
      bushed: at?.way.bushed ?? false,
      otherRole: at?.way.otherRole ?? false,
    };
  });
  const edit = (id: string, changed: Partial<ClosureCable>) =>
    change(cables.map((cable) => (cable.id === id ? { ...cable, ...changed } : cable)));
  const put = (id: string, port: string) => {
    const cable = named.find((namedCable) => namedCable.id === id);
    if (!cable) return;
    const asPort = { ...cable, diameter: sheathOf(cable) };
    edit(id, { fixed: portsBy(asPort, entry.ports, port) });
  };
  const { gripOf } = usePortDrop(put);
  const at = rows.find(({ cable }) => cable.id === picked) ?? rows[0];
  const sheet = at && sheets.get(at.cable.of.id);
  const through = at?.cable.opening ?? throughOf(entry, at?.cable.of);
  const opens = at?.cable.through && going ? throughSheet(going, at.cable.of, tools) : null;
  const opening = openingIn(entry, through, opens && openingOf(opens));
  const hrefOf = ({ of, through: goes }: NamedCable): string | null => {
    if (!goes) return `/?${new URLSearchParams({ cable: of.id, style: entry.id })}`;
    if (!going || !throughSheet(going, of, tools)) return null;
    return `/?${new URLSearchParams({ cable: midSpanId(of.id), style: going.id })}`;
  };
  return (
    <main className="min-w-0 flex-1">
      {head}
      <EntryDrawn
        entry={entry}
        rows={rows}
        placed={placed}
        sheets={sheets}
        lit={pointed ?? at?.cable.id ?? null}
        gripOf={gripOf}
        onPoint={setPointed}
      />
      <CannotBe says={problem} />
      <div className="grid gap-6 px-4 py-4 sm:px-6 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1.2fr)_minmax(0,0.9fr)]">
        <section aria-labelledby="cables" className="min-w-0">
          <h2 id="cables" className="font-bold text-lg">
            {t("cables")}
          </h2>
          <CableRows
            rows={rows}
            ports={entry.ports}
            picked={at?.cable.id ?? null}
            sheetHref={hrefOf}
            mayGoThrough={going !== null}
            gripOf={gripOf}
            onPick={setPicked}
            onChange={edit}
            onDrop={(id) => change(cables.filter((cable) => cable.id !== id))}
            beside={beside}
          />
          <AddCable
            cables={shelf}
            roles={going ? PORT_ROLES : ENDING_ROLES}
            first={rows.length === 0}
            onAdd={(cable, role, count) =>
              change([
                ...cables,
                ...Array.from({ length: count }, () =>
                  broughtIn({ cable, ...asRole(role), opening: null, joins: null }),
                ),
              ])
            }
          />
          {bring}
        </section>
        {at && sheet && (
          <section aria-labelledby="prepare" className="no-print min-w-0">
            <h2 id="prepare" className="mb-1 font-bold text-lg">
              {at.cable.name}
              {at.cable.through && t("through")}
              {t("what-to-prepare")}
            </h2>
            {at.cable.through && !opens && (
              <p role="alert" className="mb-2 rounded-md border-2 border-out px-3 py-2">
                {t("has-no-sheet-for-going-through", { name: entry.name, name2: at.cable.of.name })}
              </p>
            )}
            <PreparedTable
              rows={at.cable.through ? throughRows(opens ?? sheet, opening.half) : preparedRows(sheet)}
              units={prefs.units}
            />
            <Bends cable={at.cable.of} units={prefs.units} />
          </section>
        )}
        {at?.cable.through && (
          <MidSpan
            // What was said of one cable's colours is nothing of another's.
            key={`${at.cable.id} ${at.cable.of.id}`}
            entry={entry}
            cable={at.cable.of}
            through={through}
            opening={opening}
            parted={partedOf(at.cable)}
            onChange={(changed) => edit(at.cable.id, { opening: { ...through, ...changed } })}
          />
        )}
      </div>
      <Prepared
        entry={entry}
        rows={rows}
        sheetOf={({ of, through: goes }) =>
          (goes && going ? throughSheet(going, of, tools) : null) ?? sheets.get(of.id) ?? null
        }
        partedOf={partedOf}
        units={prefs.units}
      />
      {sheet && <Closing sheet={opens ?? sheet} units={prefs.units} cautions={cautions} />}
    </main>
  );
}
