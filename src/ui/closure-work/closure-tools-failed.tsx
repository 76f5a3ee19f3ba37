import type { FailedClosureTool } from "@/core";
import { t } from "@/messages/closure-work";
import { FailedCheckNote } from "../shift/failed-check-note";
import { LocalTime } from "../words/local-time";

/** Tools the closure was worked at with whose check failed, with the splices to look at again. */
export function ClosureToolsFailed({ tools }: { readonly tools: readonly FailedClosureTool[] }) {
  if (tools.length === 0) return null;
  return (
    <FailedCheckNote>
      <ul>
        {tools.map(({ name, at, splices }) => (
          <li key={name}>
            <strong>{t("tool-failed-its-check", { name })}</strong> <LocalTime iso={at} />
            <span className="block">
              {splices.length > 0
                ? t("splices-made-with-it", { count: splices.length, splices: splices.join(", ") })
                : t("readings-taken-with-it")}
            </span>
          </li>
        ))}
      </ul>
    </FailedCheckNote>
  );
}
