import type { WhereTold } from "@/core";
import { Link } from "../controls/link";
import { farEndText, mismatches } from "./far-words";

/** On record: what stands at the other end of this one's fibres, and what does not go together. */
export function FarPanel({ where: { job, piece, far } }: { where: WhereTold }) {
  const off = mismatches(far);
  return (
    <section aria-labelledby="far">
      <h2 id="far" className="mt-6 mb-1 font-bold text-lg">
        The other end{far.place && <span className="font-normal text-soft"> at {far.place}</span>}
      </h2>
      {off.length > 0 && (
        <p role="alert" className="mb-1 font-bold text-out">
          Does not go together. {off.join(" ")}
        </p>
      )}
      {far.ends.length === 0 && <p className="text-soft">Nothing is planned there.</p>}
      <ul>
        {far.ends.map((end) => (
          <li key={end.text} className="py-0.5">
            <span className="font-semibold">{end.text}</span>: {farEndText(end)}
            {end.end && (
              <>
                {" "}
                <Link href={end.signedAt ? `/ledger/${end.end}` : `/bench/${end.end}`} className="underline">
                  {end.signedAt ? "Record" : "Bench"}
                </Link>
              </>
            )}
          </li>
        ))}
      </ul>
      {far.count > far.ends.length && <p className="text-soft">and {far.count - far.ends.length} more.</p>}
      <p className="no-print mt-1">
        <Link href={`/jobs/${job.id}/${piece.id}`} className="underline">
          The whole piece
        </Link>
      </p>
    </section>
  );
}
