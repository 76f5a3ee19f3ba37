import { t } from "@/messages/shelf";
import { Link } from "../controls/link";

/** One other thing, and why the two do not go together; nothing where they do. */
interface Fit {
  readonly id: string;
  readonly name: string;
  readonly href: string;
  readonly why: readonly string[];
}

/** What goes together with what is read, and, for the rest, why not. */
export function Fits({ title, fits }: { title: string; fits: readonly Fit[] }) {
  const good = fits.filter(({ why }) => why.length === 0);
  const others = fits.filter(({ why }) => why.length > 0);
  return (
    <section aria-labelledby="fits">
      <h2 id="fits" className="mb-2 font-bold text-lg">
        {title} <span className="font-normal text-soft">{good.length}</span>
      </h2>
      {good.length === 0 && <p className="text-soft">{t("nothing-on-the-shelf-yet")}</p>}
      <ul className="flex flex-wrap gap-2">
        {good.map(({ id, name, href }) => (
          <li key={id}>
            <Link
              href={href}
              className="flex min-h-12 items-center rounded-lg border border-line bg-raised px-3 hover:border-ink"
            >
              {name}
            </Link>
          </li>
        ))}
      </ul>
      {others.length > 0 && (
        <details className="mt-3">
          <summary className="min-h-12 cursor-pointer py-3 font-semibold">
            {t("why-not-the-other", { length: others.length })}
          </summary>
          <dl className="divide-y divide-line border-line border-y text-sm">
            {others.map(({ id, name, why }) => (
              <div key={id} className="grid gap-x-4 py-1.5 sm:grid-cols-[14rem_1fr]">
                <dt className="font-semibold">{name}</dt>
                <dd>{why.join(" ")}</dd>
              </div>
            ))}
          </dl>
        </details>
      )}
    </section>
  );
}
