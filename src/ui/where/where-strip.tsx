import type { EndState, WhereTold } from "@/core";
import { t } from "@/messages/where";
import { Link } from "../controls/link";
import { farText, mismatches } from "./far-words";
import { slackWords } from "./slack-words";

interface WhereStripProps {
  readonly where: WhereTold;
  readonly state: EndState;
}

/** Which end of which piece this is, what stands at its other end, and how many tries are left. */
export function WhereStrip({ where, state }: WhereStripProps) {
  const slack = slackWords(where.slack, state);
  const off = mismatches(where.far);
  return (
    <div className="border-line border-b px-3 text-sm">
      <p className="flex min-h-8 min-w-0 items-center gap-x-3">
        <Link
          href={`/jobs/${where.job.id}/${where.piece.id}`}
          className="min-w-0 truncate font-semibold underline sm:max-w-[55%] sm:shrink-0"
        >
          {where.piece.name}, {where.text}
        </Link>
        <span className="hidden min-w-0 truncate text-soft sm:inline">
          {t("other-end", { farText: farText(where.far) })}
        </span>
        <span
          role="status"
          className={`ml-auto shrink-0 whitespace-nowrap ${slack.loud ? "font-bold text-out" : "text-soft"}`}
        >
          {slack.text}
        </span>
      </p>
      {off.length > 0 && !state.signed && (
        <p role="alert" className="pb-1 font-bold text-out">
          {t("does-not-go-with-the-other", { value: off.join(" ") })}
        </p>
      )}
    </div>
  );
}
