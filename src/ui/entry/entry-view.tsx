"use client";

import { type PortedCables, showInAddress, useEntryCables } from "../entry-drawing/use-entry-cables";
import { EntryHead } from "./entry-head";
import { type EntryShown, EntryWork } from "./entry-work";
import { KeepInJob } from "./keep-in-job";

interface EntryViewProps extends EntryShown {
  readonly initial: PortedCables;
  /** Jobs it can be kept in. */
  readonly jobs: readonly { readonly id: string; readonly name: string }[];
}

/** An entry that is kept nowhere: its cables are in the address bar. */
export function EntryView({ initial, jobs, ...shown }: EntryViewProps) {
  const { entry, cables } = shown;
  const state = useEntryCables(initial, entry.ports, cables, showInAddress);
  return (
    <EntryWork
      {...shown}
      state={state}
      head={
        <EntryHead
          entry={entry}
          mayUndo={state.mayUndo}
          mayPrint={state.named.length > 0}
          onUndo={state.undo}
        />
      }
      bring={<KeepInJob entry={entry} cables={state.cables} jobs={jobs} />}
    />
  );
}
