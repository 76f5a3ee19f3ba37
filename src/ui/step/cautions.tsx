import { TriangleAlert } from "lucide-react";
import type { Caution } from "@/core";
import { t } from "@/messages/bench";

/** Where this step can hurt. Local codes and the part's own sheet come first. */
export function Cautions({ cautions }: { cautions: readonly Caution[] }) {
  if (cautions.length === 0) return null;
  return (
    <ul aria-label={t("cautions")} className="mt-3 grid gap-1">
      {cautions.map(({ id, title, text }) => (
        <li key={id} className="flex gap-2 text-sm leading-snug">
          <TriangleAlert aria-hidden="true" className="mt-0.5 size-4 shrink-0 text-now" />
          <span>
            <strong>{title}.</strong> {text}
          </span>
        </li>
      ))}
    </ul>
  );
}
