import type { Cause } from "@/core";
import { t } from "@/messages/insight";
import { Answer, Card } from "./card";
import { conditionText, tryText } from "./conditions";
import { EndLinks } from "./end-links";

interface SharedCausesProps {
  readonly ends: number;
  readonly failed: number;
  readonly tests: number;
  readonly causes: readonly Cause[];
}

/** The conditions failed ends share more than good ones, each with its numbers and what to try; or that there is none. */
export function SharedCauses({ ends, failed, tests, causes }: SharedCausesProps) {
  const [first] = causes;
  return (
    <Card question={t("shared-question")}>
      {!first ? (
        <>
          <Answer answer={failed === 0 ? t("none-failed") : t("none-shared")} />
          <p className="mt-1 text-soft">{t("none-shared-note", { failed, ends, tests })}</p>
        </>
      ) : (
        <>
          <Answer
            answer={t("cause-head", { condition: conditionText(first.question, first.value) })}
            more={tryText(first.question)}
          />
          <ul className="mt-2 divide-y divide-line">
            {causes.slice(0, 3).map((cause) => (
              <CauseItem key={cause.question + cause.value} cause={cause} tests={tests} />
            ))}
          </ul>
        </>
      )}
    </Card>
  );
}

function CauseItem({ cause, tests }: { readonly cause: Cause; readonly tests: number }) {
  const { question, value, under, failedUnder, others, failedOthers, corrected, ends } = cause;
  return (
    <li className="grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-1 py-2 sm:grid-cols-[15rem_minmax(0,1fr)]">
      <svg
        viewBox="0 0 200 44"
        className="w-full max-w-60"
        role="img"
        aria-label={conditionText(question, value)}
      >
        <title>{conditionText(question, value)}</title>
        <Share y={2} failed={failedUnder} of={under} />
        <Share y={24} failed={failedOthers} of={others} />
      </svg>
      <div>
        <p className="font-semibold">{conditionText(question, value)}</p>
        <p>{t("cause-numbers", { failedUnder, under, failedOthers, others })}</p>
        <p className="text-soft text-sm">{t("cause-sure", { chance: chanceText(corrected), tests })}</p>
        <EndLinks ids={ends} />
      </div>
    </li>
  );
}

/** Failed ends as a share of all, with its numbers. */
function Share({ y, failed, of }: { readonly y: number; readonly failed: number; readonly of: number }) {
  return (
    <g aria-hidden="true">
      <rect x="0" y={y} width="150" height="16" fill="var(--ground)" stroke="var(--line)" />
      <rect x="0" y={y} width={(failed / Math.max(1, of)) * 150} height="16" fill="var(--out)" />
      <text x="156" y={y + 13} className="figures fill-ink text-[11px]">
        {`${failed} / ${of}`}
      </text>
    </g>
  );
}

const chanceText = (chance: number): string =>
  chance < 0.0005
    ? t("chance-under", { times: 2_000 })
    : t("chance-one-in", { times: Math.max(1, Math.round(1 / chance)) });
