import type { Caution, RunSheet } from "@/core";
import { t } from "@/messages/entry";
import type { Units } from "../words/length-text";
import { settingText } from "../words/line-words";

/** The steps that close an entry, in their order: from where the cable is laid in. */
const closingSteps = ({ lines }: Pick<RunSheet, "lines">): RunSheet["lines"] => {
  const fit = lines.findIndex(({ step }) => step.kind === "insert");
  return fit < 0 ? [] : lines.slice(fit).filter(({ step }) => step.kind !== "dispose");
};

interface ClosingProps {
  readonly sheet: RunSheet;
  readonly units: Units;
  readonly cautions: readonly Caution[];
}

/** How the entry is closed, step by step with its torques, and what to mind while it is open. */
export function Closing({ sheet, units, cautions }: ClosingProps) {
  const minded = new Set(sheet.lines.flatMap(({ step }) => step.cautions));
  return (
    <div className="grid gap-6 border-line border-t px-4 py-4 sm:px-6 lg:grid-cols-2">
      <section aria-labelledby="closing">
        <h2 id="closing" className="mb-1 font-bold text-lg">
          {t("closing-in-this-order")}
        </h2>
        <ol className="divide-y divide-line border-line border-y">
          {closingSteps(sheet).map(({ step }, i) => (
            <li key={step.id} className="flex gap-3 py-2">
              <span className="figures w-6 shrink-0 text-soft">{i + 1}</span>
              <span className="min-w-0 flex-1">
                <span className="font-semibold">{step.title}</span>
                {step.how && <span className="block text-soft text-sm">{step.how}</span>}
              </span>
              {step.setting && (
                <span className="figures shrink-0 font-bold">{settingText(step.setting, units)}</span>
              )}
            </li>
          ))}
        </ol>
      </section>
      <section aria-labelledby="minded">
        <h2 id="minded" className="mb-1 font-bold text-lg">
          {t("mind")}
        </h2>
        <ul className="grid gap-2">
          {cautions
            .filter(({ id }) => minded.has(id))
            .map(({ id, title, text }) => (
              <li key={id} className="rounded-lg bg-note px-3 py-2">
                <strong>{title}</strong> {text}
              </li>
            ))}
        </ul>
      </section>
    </div>
  );
}
