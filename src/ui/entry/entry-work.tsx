"use client";

import { Hourglass } from "lucide-react";
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
  openingIn,
  openingOf,
  type Parted,
  PORT_ROLES,
  type Procedure,
  portsBy,
  preparedRows,
  type Tool,
  throughOf,
  throughRows,
} from "@/core";
import { t } from "@/messages/entry";
import { Button } from "../controls/button";
import { CannotBe } from "../controls/cannot-be";
import { type CableRow, CableRows } from "../entry-drawing/cable-rows";
import { broughtIn, type NamedCable, sheathOf } from "../entry-drawing/entry-cables";
import { EntryDrawn } from "../entry-drawing/entry-drawn";
import type { EntryCables } from "../entry-drawing/use-entry-cables";
import { usePortDrop } from "../entry-drawing/use-port-drop";
import { usePrefs } from "../prefs/prefs-context";
import { Prepared } from "../prepared/prepared-print";
import { PreparedTable } from "../prepared/prepared-table";
import type { Units } from "../words/length-text";
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
  /** The cables that come in, as they are being planned. */
  readonly state: EntryCables;
  /** Which entry it is, above all else. */
  readonly head: ReactNode;
  /** Fibres that are parted of a cable that goes through; none where no plan says which. */
  readonly partedOf?: (cable: NamedCable) => readonly Parted[];
  /** What else is said of a cable, in its row. */
  readonly beside?: (cable: NamedCable) => ReactNode;
  /** Shown below the field that adds cables from the shelf. */
  readonly bring?: ReactNode;
}

const nothingSaid = (): readonly Parted[] => [];

/** A closure's port face and the opened closure: which cable goes where, and what is prepared of each. */
export function EntryWork(props: EntryWorkProps) {
  const { entry, procedure, going, tools, cautions, state, partedOf = nothingSaid } = props;
  const { prefs } = usePrefs();
  const { named, placed, undo } = state;
  const [picked, setPicked] = useState<string | null>(null);
  const [pointed, setPointed] = useState<string | null>(null);
  useHotkeys("z", undo, [undo]);
  const cablesOf = useMemo(() => named.map(({ of }) => of), [named]);
  const sheets = useMemo(() => endingSheets(cablesOf, procedure, tools), [cablesOf, procedure, tools]);
  const rows = named.map((cable, i): CableRow => rowOf(cable, placed?.at[i]));
  const { edit, put } = editsOf(entry, state);
  const { gripOf } = usePortDrop(put);
  const at = rows.find(({ cable }) => cable.id === picked) ?? rows[0];
  const sheet = at && sheets.get(at.cable.of.id);
  const through = at?.cable.opening ?? throughOf(entry, at?.cable.of);
  const opens = at?.cable.through && going ? throughSheet(going, at.cable.of, tools) : null;
  const opening = openingIn(entry, through, opens && openingOf(opens));
  return (
    <main className="min-w-0 flex-1">
      {props.head}
      <EntryDrawn
        entry={entry}
        rows={rows}
        placed={placed}
        sheets={sheets}
        lit={pointed ?? at?.cable.id ?? null}
        gripOf={gripOf}
        onPoint={setPointed}
      />
      <CannotBe message={state.problem} />
      {state.busy && <LookingForPorts onStop={state.stop} />}
      <div className="grid gap-6 px-4 py-4 sm:px-6 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1.2fr)_minmax(0,0.9fr)]">
        <EntryCablesList
          {...props}
          rows={rows}
          picked={at?.cable.id ?? null}
          gripOf={gripOf}
          onPick={setPicked}
          onEdit={edit}
        />
        {at && sheet && (
          <WhatToPrepare
            entry={entry}
            cable={at.cable}
            noSheet={at.cable.through && !opens}
            rows={at.cable.through ? throughRows(opens ?? sheet, opening.half) : preparedRows(sheet)}
            units={prefs.units}
          />
        )}
        {at?.cable.through && (
          <MidSpan
            // Colours confirmed for one cable say nothing of another's.
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

/** The message while the worker looks for ports, with a way to stop it. */
const LookingForPorts = ({ onStop }: { readonly onStop: () => void }) => (
  <p role="status" className="mx-4 mt-3 flex items-center gap-3 sm:mx-6">
    <Hourglass aria-hidden="true" className="size-5" /> {t("ports-are-looked-for")}
    <Button size="small" onClick={onStop}>
      {t("stop")}
    </Button>
  </p>
);

/** Changes one cable, or puts it into a port. */
function editsOf({ ports }: Entry, { cables, named, change }: EntryCables) {
  const edit = (id: string, changed: Partial<ClosureCable>) =>
    void change(cables.map((cable) => (cable.id === id ? { ...cable, ...changed } : cable)));
  const put = (id: string, port: string) => {
    const cable = named.find((namedCable) => namedCable.id === id);
    if (cable) edit(id, { fixed: portsBy({ ...cable, diameter: sheathOf(cable) }, ports, port) });
  };
  return { edit, put };
}

/** A cable with the ports it was placed in; none while it is not placed. */
const rowOf = (
  cable: NamedCable,
  at: NonNullable<EntryCables["placed"]>["at"][number] | undefined,
): CableRow => ({
  cable,
  ports: at?.ports ?? [],
  bushed: at?.way.bushed ?? false,
  otherRole: at?.way.otherRole ?? false,
});

interface EntryCablesListProps extends EntryWorkProps {
  readonly rows: readonly CableRow[];
  readonly picked: string | null;
  readonly gripOf: ReturnType<typeof usePortDrop>["gripOf"];
  readonly onPick: (id: string) => void;
  readonly onEdit: (id: string, changed: Partial<ClosureCable>) => void;
}

/** The cables that come in, and the field that adds one from the shelf. */
function EntryCablesList(props: EntryCablesListProps) {
  const { entry, going, tools, state, rows } = props;
  const { cables, change } = state;
  const hrefOf = ({ of, through: goes }: NamedCable): string | null => {
    if (!goes) return `/?${new URLSearchParams({ cable: of.id, style: entry.id })}`;
    if (!going || !throughSheet(going, of, tools)) return null;
    return `/?${new URLSearchParams({ cable: midSpanId(of.id), style: going.id })}`;
  };
  return (
    <section aria-labelledby="cables" className="min-w-0">
      <h2 id="cables" className="font-bold text-lg">
        {t("cables")}
      </h2>
      <CableRows
        rows={rows}
        ports={entry.ports}
        picked={props.picked}
        sheetHref={hrefOf}
        mayGoThrough={going !== null}
        gripOf={props.gripOf}
        onPick={props.onPick}
        onChange={props.onEdit}
        onDrop={(id) => void change(cables.filter((cable) => cable.id !== id))}
        beside={props.beside}
      />
      <AddCable
        cables={props.cables}
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
      {props.bring}
    </section>
  );
}

interface WhatToPrepareProps {
  readonly entry: Entry;
  readonly cable: NamedCable;
  /** It goes through and has no sheet for that. */
  readonly noSheet: boolean;
  readonly rows: ReturnType<typeof preparedRows>;
  readonly units: Units;
}

/** The lengths to prepare of one cable, and how far it may be bent. */
function WhatToPrepare({ entry, cable, noSheet, rows, units }: WhatToPrepareProps) {
  return (
    <section aria-labelledby="prepare" className="no-print min-w-0">
      <h2 id="prepare" className="mb-1 font-bold text-lg">
        {cable.name}
        {cable.through && t("through")}
        {t("what-to-prepare")}
      </h2>
      {noSheet && (
        <p role="alert" className="mb-2 rounded-md border-2 border-out px-3 py-2">
          {t("has-no-sheet-for-going-through", { name: entry.name, name2: cable.of.name })}
        </p>
      )}
      <PreparedTable rows={rows} units={units} />
      <Bends cable={cable.of} units={units} />
    </section>
  );
}
