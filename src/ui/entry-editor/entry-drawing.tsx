"use client";

import { useMemo, useState } from "react";
import { attempt, type Cable, compileRunSheet, type Entry, misfits, type RunSheet, zProcedure } from "@/core";
import { t } from "@/messages/entry-editor";
import { Select } from "../controls/select";
import { Opened } from "../entry-drawing/opened";
import { PortFace } from "../entry-drawing/port-face";

const NONE = new Map();
const nothing = () => {};

interface EntryDrawingProps {
  /** As it last could be read. */
  readonly entry: Entry;
  readonly faded: boolean;
  readonly cables: readonly Cable[];
  /** How a cable is prepared for it, or why it cannot be. */
  readonly sheetOf: (entry: Entry, cable: Cable) => RunSheet;
}

/** An entry as it is written: its port face, and a cable opened for it. */
export function EntryDrawing({ entry, faded, cables, sheetOf }: EntryDrawingProps) {
  const fitting = cables.filter(({ construction }) => entry.takes.includes(construction));
  const [picked, setPicked] = useState("");
  const cable = fitting.find(({ id }) => id === picked) ?? fitting[0];
  const drawn = useMemo(() => {
    if (!cable) return { sheet: null, why: t("no-cable-on-the-shelf-is") };
    const { value, problem } = attempt(() => sheetOf(entry, cable));
    return { sheet: value, why: problem?.message ?? null };
  }, [entry, cable, sheetOf]);
  return (
    <div
      className={`grid border-line border-y bg-raised md:grid-cols-[17rem_minmax(0,1fr)] ${faded ? "opacity-40" : ""}`}
    >
      <div className="border-line p-4 md:border-r">
        <PortFace entry={entry} inPort={NONE} room={230} />
      </div>
      <div className="min-w-0 p-4">
        <Select
          title={t("drawn-on")}
          small
          value={cable?.id ?? ""}
          options={fitting}
          onPick={setPicked}
          className="max-w-sm"
        />
        {drawn.sheet && cable ? (
          <Opened
            lit={null}
            onPoint={nothing}
            cables={[{ id: cable.id, name: cable.name, ports: [""], sheet: drawn.sheet, turns: null }]}
          />
        ) : (
          <p className="mt-3">{drawn.why}</p>
        )}
      </div>
    </div>
  );
}

/** How a cable is prepared, from what an entry comes to. @throws InputError where it does not go in. */
export function sheetFrom(
  document: unknown,
  cable: Cable,
  tools: Parameters<typeof compileRunSheet>[0]["tools"],
) {
  const procedure = zProcedure.parse(document);
  const core = cable.cores.find((core) => misfits(procedure, cable, core).length === 0) ?? cable.cores[0];
  if (!core) throw new Error("a cable has a core");
  return compileRunSheet({ procedure, cable, core, choices: {}, tools });
}
