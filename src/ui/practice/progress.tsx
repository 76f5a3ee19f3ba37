import { FIBRE_COLOURS, HIDDEN_FAULTS } from "@/core";
import { t } from "@/messages/practice";
import { Button } from "../controls/button";
import { faultName } from "./drill-words";
import { type Practised, sureOf } from "./schedule";

interface PracticeProgressProps {
  readonly practised: Practised;
  readonly onForget: () => void;
}

/** A share of right answers under this is weak, from so many tries on. */
const [WEAK, ENOUGH] = [0.7, 3];
/** Results drawn of one line. */
const DRAWN = 9;

const LINES: readonly { readonly name: () => string; readonly tasks: readonly string[] }[] = [
  { name: () => t("task-rule-mm"), tasks: ["rule/mm"] },
  { name: () => t("task-rule-in"), tasks: ["rule/in"] },
  { name: () => t("task-colours-first"), tasks: FIBRE_COLOURS.map((_, i) => `colour/${i + 1}`) },
  { name: () => t("task-colours-second"), tasks: FIBRE_COLOURS.map((_, i) => `colour/${i + 13}`) },
  ...HIDDEN_FAULTS.map((fault) => ({ name: () => faultName(fault), tasks: [`fault/${fault}`] })),
];

/** Results of what was practised, and the certainty left of it: for the trainee, and on paper for the trainer. */
export function PracticeProgress({ practised, onForget }: PracticeProgressProps) {
  const now = new Date();
  return (
    <section aria-label={t("progress")}>
      <h2 className="font-bold text-lg">{t("progress")}</h2>
      <ul className="divide-y divide-line">
        {LINES.map(({ name, tasks }) => {
          const results = tasks.flatMap((task) => practised[task]?.results ?? []);
          const sure = tasks.flatMap((task) => sureOf(practised, task, now) ?? []);
          const right = results.filter(Boolean).length;
          const isWeak = results.length >= ENOUGH && right / results.length < WEAK;
          return (
            <li key={name()} className="flex flex-wrap items-center gap-x-3 py-2">
              <span className="min-w-0 flex-1 basis-32 font-semibold first-letter:uppercase">{name()}</span>
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
                    <path
                      // biome-ignore lint/suspicious/noArrayIndexKey: results go by their place
                      key={i}
                      d={`M${3 + i * 14},2 l8,8 m0,-8 l-8,8`}
                      stroke="var(--out)"
                      strokeWidth="2"
                    />
                  ),
                )}
              </svg>
              <span className="ml-auto text-right text-sm">
                {results.length === 0 ? t("not-tried") : t("right-of", { right, tried: results.length })}{" "}
                {isWeak && <strong className="text-out">{t("weak")}</strong>}
                {sure.length > 0 && (
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
      <p className="mt-2 text-soft text-sm">{t("trainer-note")}</p>
      <Button look="text" onClick={onForget} className="no-print mt-2">
        {t("start-again")}
      </Button>
    </section>
  );
}
