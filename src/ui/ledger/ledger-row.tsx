"use client";

import type { Result } from "@/core";
import { t } from "@/messages/ledger";
import { decimal } from "@/messages/numbers";
import { EndThumb } from "../band/end-thumb";
import type { Thumb } from "../band/thumb";
import { Link } from "../controls/link";
import { usePrefs } from "../prefs/prefs-context";
import { figureText } from "../words/length-text";
import { LocalClock, LocalTime } from "../words/local-time";
import { VerdictSign } from "../words/verdict-sign";
import { RESULT_WORDS } from "../words/verdict-words";
import { MiniLoss, MiniScale, type NearestLength } from "./mini-scale";

/** An end on record. */
export interface LedgerLine {
  readonly id: string;
  readonly styleName: string;
  readonly cableName: string;
  readonly job: string;
  readonly label: string;
  readonly result: Result | null;
  readonly signedBy: string | null;
  readonly signedAt: string | null;
  /** Options picked for the procedure, by name: its interface first. */
  readonly as: readonly string[];
  /** Index of its drawing. */
  readonly thumb: number;
  readonly tries: number;
  readonly nearest: NearestLength | null;
  /** dB. */
  readonly loss: {
    readonly loss: number;
    readonly limit: number;
    readonly verdict: "in" | "out" | "unsure";
  } | null;
}

interface LedgerRowProps {
  readonly row: LedgerLine;
  readonly thumb: Thumb | undefined;
  /** All rows are of one day: the time alone is written. */
  readonly oneDay: boolean;
}

/** One row: drawn, named, its result, the length nearest to its limits, its loss, who signed it and when. */
export function LedgerRow({ row, thumb, oneDay }: LedgerRowProps) {
  const { id, styleName, cableName, job, label, result, signedBy, signedAt, as, tries, nearest, loss } = row;
  const verdict = result ?? "unmeasured";
  return (
    <tr className="border-line border-t hover:bg-raised">
      <td className="hidden py-2 pr-3 lg:table-cell">
        <EndThumb thumb={thumb} className="w-28" />
      </td>
      <th scope="row" className="px-2 py-2 font-semibold sm:pl-0">
        <Link
          href={`/ledger/${id}`}
          className="block min-h-6 wrap-anywhere underline decoration-line underline-offset-4 hover:decoration-ink"
        >
          {label || job || t("not-named")}
        </Link>
        <span className="line-clamp-2 font-normal text-soft text-sm" title={t("on", { cableName })}>
          {[label === "" ? "" : job, styleName, ...as].filter(Boolean).join(" · ")}
        </span>
        {signedAt && (
          <span className="block font-normal text-soft text-sm sm:hidden">
            {signedBy}, <LocalTime iso={signedAt} />
          </span>
        )}
      </th>
      <td className="px-2 max-sm:w-8">
        <span className="inline-flex items-center gap-2">
          <VerdictSign verdict={verdict} />
          <span className="font-semibold max-sm:sr-only">
            {RESULT_WORDS[verdict]}
            {tries > 1 && (
              <span className="block font-normal text-soft text-sm">{t("try-number", { tries })}</span>
            )}
          </span>
        </span>
      </td>
      <td className="hidden px-2 lg:table-cell">
        <Nearest nearest={nearest} />
      </td>
      <td className="hidden px-2 md:table-cell">
        <Loss loss={loss} />
      </td>
      <td className="hidden min-w-24 max-w-40 wrap-anywhere px-2 sm:table-cell">{signedBy}</td>
      <td className="hidden px-2 pr-0 lg:whitespace-nowrap text-right text-soft sm:table-cell">
        {signedAt && (oneDay ? <LocalClock iso={signedAt} /> : <LocalTime iso={signedAt} />)}
      </td>
    </tr>
  );
}

const LOSS_TONES = { in: "", out: "text-out", unsure: "text-unsure" } as const;

function Loss({ loss }: Pick<LedgerLine, "loss">) {
  if (!loss) return <span className="text-soft text-sm">{t("loss-not-read")}</span>;
  return (
    <span className="flex items-center gap-3">
      <strong className={`figures ${LOSS_TONES[loss.verdict]}`}>{decimal(loss.loss.toFixed(2))}</strong>
      <MiniLoss {...loss} />
    </span>
  );
}

function Nearest({ nearest }: Pick<LedgerLine, "nearest">) {
  const { prefs } = usePrefs();
  if (!nearest) return <span className="text-soft text-sm">{t("no-length-read")}</span>;
  const { name, leg, spare, verdict } = nearest;
  const units = prefs.units === "in" ? "in" : "mm";
  const much = figureText(Math.round(Math.abs(spare) / 10) * 10, units);
  return (
    <span className="block">
      <span className="block text-soft text-sm">{[name, leg].filter(Boolean).join(", ")}</span>
      <span className="flex items-center gap-3">
        <MiniScale {...nearest} />
        <span className="whitespace-nowrap text-sm">
          <strong className={`figures text-base ${verdict === null ? "" : LOSS_TONES[verdict]}`}>
            {much}
          </strong>{" "}
          {spare < 0 ? t("over-the-limit") : t("to-spare")}
        </span>
      </span>
    </span>
  );
}
