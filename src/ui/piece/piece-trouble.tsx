import { t } from "@/messages/jobs";
import { Link } from "../controls/link";

interface PieceTroubleProps {
  readonly job: { readonly id: string; readonly name: string };
  readonly name: string;
  readonly message: string;
}

/** A piece that cannot be worked out any more: why, and the way back. */
export const PieceTrouble = ({ job, name, message }: PieceTroubleProps) => (
  <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
    <h1 className="font-bold text-2xl">{name}</h1>
    <p className="mt-3 max-w-prose text-lg">{t("what-it-needs-cannot-be-told", { says: message })}</p>
    <Link href={`/jobs/${job.id}`} className="mt-3 inline-block min-h-12 underline">
      {t("back-to", { name: job.name })}
    </Link>
  </main>
);
