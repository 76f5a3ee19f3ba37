import { t } from "@/messages/insight";
import { Link } from "../controls/link";

/** Links to the ends behind a figure, folded. */
export function EndLinks({ ids }: { readonly ids: readonly string[] }) {
  if (ids.length === 0) return null;
  return (
    <details className="no-print text-sm">
      <summary className="min-h-6 cursor-pointer underline">{t("its-ends")}</summary>
      <ul className="flex flex-wrap gap-x-3">
        {ids.map((id, i) => (
          <li key={id}>
            <Link href={`/ledger/${id}`} className="inline-flex min-h-6 items-center px-1 underline">
              {i + 1}
            </Link>
          </li>
        ))}
      </ul>
    </details>
  );
}
