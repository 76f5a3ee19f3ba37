import { t } from "@/messages/entry";
import { Link } from "../controls/link";

interface ClosureTroubleProps {
  readonly job: { readonly id: string; readonly name: string };
  readonly name: string;
}

/** A closure whose entry is on no shelf any more: what is so, and what to do. */
export const ClosureTrouble = ({ job, name }: ClosureTroubleProps) => (
  <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
    <h1 className="font-bold text-2xl">{name}</h1>
    <p className="mt-3 max-w-prose rounded-md border-2 border-out px-3 py-2">
      {t("its-entry-is-not-on-the")}{" "}
      <Link href={`/jobs/${job.id}`} className="underline">
        {job.name}
      </Link>
      .
    </p>
  </main>
);
