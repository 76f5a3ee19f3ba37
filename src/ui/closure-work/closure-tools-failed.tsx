import { TriangleAlert } from "lucide-react";
import type { FailedClosureTool } from "@/core";
import { t } from "@/messages/closure-work";
import { Link } from "../controls/link";
import { LocalTime } from "../words/local-time";

/** Tools the closure was worked at with whose check failed, with the splices to look at again. */
export function ClosureToolsFailed({ tools }: { readonly tools: readonly FailedClosureTool[] }) {
  if (tools.length === 0) return null;
  return (
    <div
      role="status"
      className="mb-3 flex flex-wrap items-center gap-x-3 rounded-lg border-2 border-unsure p-3"
    >
      <TriangleAlert aria-hidden="true" className="size-6 shrink-0 text-unsure" />
      <ul className="min-w-0 flex-1">
        {tools.map(({ id, name, at, splices }) => (
          <li key={id}>
            <strong>{t("tool-failed-its-check", { name })}</strong> <LocalTime iso={at} />
            <span className="block">
              {splices.length > 0
                ? t("splices-made-with-it", { count: splices.length, splices: splices.join(", ") })
                : t("readings-taken-with-it")}
            </span>
          </li>
        ))}
      </ul>
      <Link href="/bench/tools" className="no-print min-h-11 content-center underline">
        {t("see-the-tools")}
      </Link>
    </div>
  );
}
