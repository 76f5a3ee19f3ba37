"use client";

import { Undo2 } from "lucide-react";
import type { Entry } from "@/core";
import { Button } from "../controls/button";

interface EntryHeadProps {
  readonly entry: Pick<Entry, "name" | "ports" | "source">;
  readonly mayUndo: boolean;
  readonly mayPrint: boolean;
  readonly onUndo: () => void;
}

/** Which entry it is, and whose figures it is worked to. */
export const EntryHead = ({ entry, mayUndo, mayPrint, onUndo }: EntryHeadProps) => (
  <header className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2 sm:px-6">
    <h1 className="min-w-0 truncate font-bold text-xl">{entry.name}</h1>
    <p className="mr-auto min-w-0 truncate text-soft">
      {entry.ports.length} ports ·{" "}
      <span className={entry.source.kind === "representative" ? "representative" : ""}>
        {entry.source.kind === "representative" ? "check the part's sheet" : "figures confirmed"}
      </span>
    </p>
    <Button look="quiet" disabled={!mayUndo} onClick={onUndo} className="no-print">
      <Undo2 aria-hidden="true" className="size-4" /> Undo
    </Button>
    {mayPrint && (
      <Button className="no-print" onClick={() => globalThis.print()}>
        Print
      </Button>
    )}
  </header>
);
