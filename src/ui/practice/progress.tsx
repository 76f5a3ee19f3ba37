import { BUFFER_GRIPS, FIBRE_COLOURS, HIDDEN_FAULTS, PAIR_PLACES } from "@/core";
import { t } from "@/messages/practice";
import { Button } from "../controls/button";
import { endName, faultName } from "./drill-words";
import { PRACTICE_ENDS, type Practised, sureOf } from "./schedule";

/** A share of right answers under this is weak, from so many tries on. */
const [WEAK, ENOUGH] = [0.7, 3];
/** Results drawn of one line. */
const DRAWN = 9;

const LINES: readonly { readonly name: () => string; readonly tasks: readonly string[] }[] = [
  { name: () => t("task-rule-mm"), tasks: ["rule/mm"] },
  { name: () => t("task-rule-in"), tasks: ["rule/in"] },
  { name: () => t("task-grip"), tasks: BUFFER_GRIPS.map((grip) => `grip/${grip}`) },
  { name: () => t("task-eye"), tasks: ["mark/eye"] },
  { name: () => t("task-colours-first"), tasks: FIBRE_COLOURS.map((_, i) => `colour/${i + 1}`) },
  { name: () => t("task-colours-second"), tasks: FIBRE_COLOURS.map((_, i) => `colour/${i + 13}`) },
  { name: () => t("task-polarity"), tasks: PAIR_PLACES.map((place) => `polarity/${place}`) },
  { name: () => t("task-cleave"), tasks: ["cleave/series"] },
  ...HIDDEN_FAULTS.map((fault) => ({ name: () => faultName(fault), tasks: [`fault/${fault}`] })),
  ...PRACTICE_ENDS.map((end) => ({ name: () => endName(end), tasks: [`end/${end}`] })),
];

interface ProgressLinesProps {
  readonly practised: Practised;
  /** Begins a drill of a line's tasks; none where they are only shown. */
  readonly onPractise?: (tasks: readonly string[]) => void;
}

/** Results of what was practised, line by line, and the certainty left of it. */
export function ProgressLines({ practised, onPractise }: ProgressLinesProps) {
  const now = new Date();
  return (
    <ul className="divide-y divide-line">
      {LINES.map(({ name, tasks }) => {
        const results = tasks.flatMap((task) => practised[task]?.results ?? []);
        const sure = tasks.flatMap((task) => sureOf(practised, task, now) ?? []);
        const right = results.filter(Boolean).length;
        const isWeak = results.length >= ENOUGH && right / results.length < WEAK;
        return (
          <li key={name()} className="flex flex-wrap items-center gap-x-3 py-0.5">
            {onPractise ? (
              <button
                type="button"
                onClick={() => onPractise(tasks)}
                className="min-h-9 min-w-0 flex-1 basis-32 text-left font-semibold underline decoration-line first-letter:uppercase print:no-underline"
              >
                {name()}
              </button>
            ) : (
              <span className="min-w-0 flex-1 basis-32 font-semibold first-letter:uppercase">{name()}</span>
            )}
            <Results results={results} />
            <span className="ml-auto text-right text-sm">
              {results.length === 0 ? t("not-tried") : t("right-of", { right, tried: results.length })}{" "}
              {isWeak && <strong className="text-out">{t("weak")}</strong>}
              {results.at(-1) && sure.length > 0 && (
                <span className="block text-soft">
                  {t("still-known", {
                    sure: Math.round((sure.reduce((sum, each) => sum + each, 0) / sure.length) * 100),
                  })}
                </span>
              )}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

/** The last results, the newest on the right: a dot for a right one, a cross for a wrong one. */
const Results = ({ results }: { readonly results: readonly boolean[] }) => (
  <svg
    viewBox="0 0 126 12"
    width={results.length === 0 ? 0 : 126}
    height="12"
    aria-hidden="true"
    className="shrink-0"
  >
    {results.slice(-DRAWN).map((good, i) =>
      good ? (
        // biome-ignore lint/suspicious/noArrayIndexKey: results go by their place
        <circle key={i} cx={7 + i * 14} cy="6" r="5" fill="var(--ink)" />
      ) : (
        // biome-ignore lint/suspicious/noArrayIndexKey: results go by their place
        <path key={i} d={`M${3 + i * 14},2 l8,8 m0,-8 l-8,8`} stroke="var(--out)" strokeWidth="2" />
      ),
    )}
  </svg>
);

interface PracticeProgressProps extends ProgressLinesProps {
  readonly onForget: () => void;
}

/** Results of whoever practises: each line begins its drill; on paper it is for the trainer. */
export function PracticeProgress({ practised, onPractise, onForget }: PracticeProgressProps) {
  return (
    <section aria-label={t("progress")}>
      <h2 className="font-bold text-lg">{t("progress")}</h2>
      <ProgressLines practised={practised} {...(onPractise && { onPractise })} />
      <p className="mt-2 text-soft text-sm">{t("trainer-note")}</p>
      <Button look="text" onClick={onForget} className="no-print mt-2">
        {t("start-again")}
      </Button>
    </section>
  );
}
