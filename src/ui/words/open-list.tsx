import type { OpenTold } from "@/core";
import { t } from "@/messages/words";
import { openLines } from "./open-words";

/** What keeps an end from being in, by name. */
export function OpenList({ points }: { points: readonly OpenTold[] }) {
  const lines = openLines(points);
  if (lines.length === 0) return null;
  return (
    <ul aria-label={t("what-keeps-it-from-being-in")} className="text-lg leading-snug">
      {lines.map((line) => {
        const [head, names] = line.split(/: (.*)/);
        return (
          <li key={head}>
            <strong>{head}:</strong> {names}
          </li>
        );
      })}
    </ul>
  );
}
