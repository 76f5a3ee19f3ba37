"use client";

import { toast } from "sonner";
import { t } from "@/messages/jobs";
import { type PlanChange, savePlans } from "./save-plans";

const OFFERED_MS = 20_000;

interface Undone {
  /** What was done. */
  readonly label: string;
  /** What takes it back, one piece after the other. */
  readonly changes: readonly PlanChange[];
  readonly by: string | null;
  readonly onDone: () => void;
}

/** Says what was done to pieces of a job, and takes it back where that is wanted: with its progress, and a stop. */
export function offerUndo({ label: message, changes, by, onDone }: Undone): void {
  const undo = async () => {
    let stop = false;
    const id = toast.loading(t("undoing"));
    const { problem } = await savePlans(changes, by, {
      onStep: (done) =>
        toast.loading(t("undoing-of", { done, length: changes.length }), {
          id,
          action: { label: t("stop"), onClick: () => (stop = true) },
        }),
      stopped: () => stop,
    });
    toast.dismiss(id);
    if (problem !== null) toast.error(problem);
    onDone();
  };
  toast(message, { action: { label: t("undo"), onClick: undo }, duration: OFFERED_MS });
}
