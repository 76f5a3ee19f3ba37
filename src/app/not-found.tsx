import { t } from "@/messages/app";
import { Link } from "@/ui/controls/link";

export default function NotFound() {
  return (
    <main className="min-w-0 flex-1 px-6 py-10">
      <h1 className="font-bold text-2xl">{t("there-is-nothing-at-this-address")}</h1>
      <p className="mt-2 max-w-prose text-lg">{t("the-end-or-page-it-names")}</p>
      <div className="mt-5 flex flex-wrap gap-2">
        <Link href="/" className="flex min-h-12 items-center rounded-lg bg-now px-5 font-bold text-on-now">
          {t("pick-a-cable")}
        </Link>
        <Link
          href="/bench"
          className="flex min-h-12 items-center rounded-lg border-2 border-ink px-5 font-semibold"
        >
          {t("ends-on-the-bench")}
        </Link>
      </div>
    </main>
  );
}
