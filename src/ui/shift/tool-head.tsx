import type { ToolStanding } from "@/core";
import { t } from "@/messages/shift";
import { Button } from "../controls/button";
import { LocalTime } from "../words/local-time";
import type { Shift } from "./use-shift";

/** Name of the tool at hand, its last check, and what was not stored. */
export function ToolHead({ tool, shift }: { readonly tool: ToolStanding; readonly shift: Shift }) {
  return (
    <>
      <p className="flex flex-wrap gap-x-3 text-soft">
        <strong className="text-ink first-letter:uppercase">{tool.name}</strong>
        {tool.last ? (
          <span>
            {tool.last.good ? t("last-good") : t("last-failed")} <LocalTime iso={tool.last.at} />
          </span>
        ) : (
          t("never-checked")
        )}
      </p>
      {shift.problem && (
        <p role="alert" className="mt-2 rounded-lg border-2 border-out px-3 py-2">
          {shift.problem.message}{" "}
          <Button look="link" onClick={shift.retry}>
            {t("try-again")}
          </Button>
        </p>
      )}
    </>
  );
}
