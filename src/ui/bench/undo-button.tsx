import { Undo2 } from "lucide-react";
import { t } from "@/messages/bench";
import type { BenchWork } from "../work/use-work";

/** Takes the last act back; says which before it does. */
export function UndoButton({ work, className = "" }: { work: BenchWork; className?: string }) {
  if (work.undoes === null) return null;
  return (
    <button
      type="button"
      onClick={work.undo}
      aria-keyshortcuts="Z"
      className={`flex min-h-12 min-w-12 items-center gap-1.5 rounded-md px-2 text-sm ${className}`}
    >
      <Undo2 aria-hidden="true" className="size-5 shrink-0" />
      <span className="truncate">{t("undo-2", { undoes: work.undoes })}</span>
    </button>
  );
}
