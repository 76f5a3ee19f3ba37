import { markedName, personBy, type ToolStanding } from "@/core";
import { t } from "@/messages/shift";
import { Button } from "../controls/button";
import { usePeople } from "../people/people-context";
import { LocalTime } from "../words/local-time";
import { AnotherTool } from "./another-tool";
import type { Shift } from "./use-shift";

/** Name of the tool at hand, its last check, and what was not stored. */
export function ToolHead({ tool, shift }: { readonly tool: ToolStanding; readonly shift: Shift }) {
  const { people } = usePeople();
  const by = personBy(people, tool.last?.by ?? "")?.name;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-3 text-soft">
        <strong className="text-ink first-letter:uppercase">{markedName(tool.name, tool.mark)}</strong>
        {tool.last ? (
          <span>
            {tool.last.good ? t("last-good") : t("last-failed")} <LocalTime iso={tool.last.at} />
            {by && ` · ${by}`}
          </span>
        ) : (
          t("never-checked")
        )}
        <AnotherTool tool={tool} shift={shift} />
      </div>
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
