import type { EndRecord, ToolRecord } from "@/core";
import { t } from "@/messages/ledger";
import { FailedCheckNote } from "../shift/failed-check-note";
import { signedMm } from "../words/length-text";
import { LocalTime } from "../words/local-time";

/** Tools an end was made with whose check failed: no good one lies between that check and the work. */
export function FailedTools({ tools }: Pick<EndRecord, "tools">) {
  const failed = tools.filter(({ standing }) => standing === "failed");
  if (failed.length === 0) return null;
  return (
    <FailedCheckNote className="mx-4 sm:mx-6">
      {failed.map(({ tool, name, failed: at }) => (
        <span key={tool} className="block">
          <strong>{t("made-with-a-tool-that-failed", { name })}</strong>{" "}
          {at !== null && <LocalTime iso={at} />}
        </span>
      ))}
      {t("look-at-this-end-again")}
    </FailedCheckNote>
  );
}

const standing = ({ standing: stands, bias }: ToolRecord): string => {
  if (stands === "failed") return t("tool-failed");
  if (stands === "unchecked") return t("tool-not-checked-before");
  return bias === null || bias === 0 ? t("tool-was-good") : t("tool-was-good-off", { bias: signedMm(bias) });
};

/** Standing of the end by the checks of the tools it was made with. */
export function ToolsTold({ tools }: Pick<EndRecord, "tools">) {
  if (tools.length === 0) return null;
  return (
    <>
      <h2 className="mt-6 mb-2 font-bold text-lg">{t("tools-checked")}</h2>
      <ul className="divide-y divide-line border-line border-y">
        {tools.map((tool) => {
          const at = tool.standing === "failed" ? tool.failed : tool.checked;
          return (
            <li key={tool.tool} className="flex flex-wrap gap-x-3 py-1.5">
              <span className="min-w-0 flex-1 first-letter:uppercase">{tool.name}</span>
              <span className={tool.standing === "failed" ? "font-bold text-out" : ""}>
                {standing(tool)} {at !== null && <LocalTime iso={at} />}
              </span>
            </li>
          );
        })}
      </ul>
    </>
  );
}
