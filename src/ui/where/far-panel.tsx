import type { WhereTold } from "@/core";
import { t } from "@/messages/where";
import { Link } from "../controls/link";
import { farEndText, mismatches } from "./far-words";

/** On record: what stands at the other end of this one's fibres, and what does not go together. */
export function FarPanel({ where: { job, piece, far } }: { where: WhereTold }) {
  const off = mismatches(far);
  return (
    <section aria-labelledby="far">
      <h2 id="far" className="mt-6 mb-1 font-bold text-lg">
        {t("the-other-end")}
        {far.place && <span className="font-normal text-soft"> {t("at-2", { place: far.place })}</span>}
      </h2>
      {off.length > 0 && (
        <p role="alert" className="mb-1 font-bold text-out">
          {t("does-not-go-together", { value: off.join(" ") })}
        </p>
      )}
      {far.ends.length === 0 && <p className="text-soft">{t("nothing-is-planned-there")}</p>}
      <ul>
        {far.ends.map((end) => (
          <li key={end.text} className="py-0.5">
            <span className="font-semibold">{end.text}</span>: {farEndText(end)}
            {end.end && (
              <>
                {" "}
                <Link href={end.signedAt ? `/ledger/${end.end}` : `/bench/${end.end}`} className="underline">
                  {end.signedAt ? t("record") : t("bench")}
                </Link>
              </>
            )}
          </li>
        ))}
      </ul>
      {far.count > far.ends.length && (
        <p className="text-soft">{t("and-more", { value: far.count - far.ends.length })}</p>
      )}
      <p className="no-print mt-1">
        <Link href={`/jobs/${job.id}/${piece.id}`} className="underline">
          {t("the-whole-piece")}
        </Link>
      </p>
    </section>
  );
}
