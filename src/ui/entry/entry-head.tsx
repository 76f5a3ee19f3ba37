"use client";

import { Undo2 } from "lucide-react";
import type { ReactNode } from "react";
import type { Entry } from "@/core";
import { t } from "@/messages/entry";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { NameField } from "./name-field";

interface EntryHeadProps {
  readonly entry: Pick<Entry, "name" | "ports" | "source">;
  readonly mayUndo: boolean;
  readonly mayPrint: boolean;
  readonly onUndo: () => void;
  /** The closure of a job it is kept as. */
  readonly of?: {
    readonly name: string;
    readonly job: { readonly id: string; readonly name: string };
    readonly onRename: (name: string) => void;
  };
  readonly children?: ReactNode;
}

/** Which entry it is, and whose figures it is worked to. */
export const EntryHead = ({ entry, mayUndo, mayPrint, onUndo, of, children }: EntryHeadProps) => (
  <header className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2 sm:px-6">
    {of ? (
      <NameField name={of.name} onTake={of.onRename} />
    ) : (
      <h1 className="min-w-0 truncate font-bold text-xl">{entry.name}</h1>
    )}
    <p className="mr-auto min-w-0 truncate text-soft">
      {of && (
        <>
          {entry.name} ·{" "}
          <Link href={`/jobs/${of.job.id}`} className="underline">
            {of.job.name}
          </Link>{" "}
          ·{" "}
        </>
      )}
      {t("ports", { length: entry.ports.length })}{" "}
      <span className={entry.source.kind === "representative" ? "representative" : ""}>
        {entry.source.kind === "representative" ? t("check-the-part-s-sheet") : "figures confirmed"}
      </span>
    </p>
    {children}
    <Button look="quiet" disabled={!mayUndo} onClick={onUndo} className="no-print">
      <Undo2 aria-hidden="true" className="size-4" /> {t("undo")}
    </Button>
    {mayPrint && (
      <Button className="no-print" onClick={() => globalThis.print()}>
        {t("print")}
      </Button>
    )}
  </header>
);
