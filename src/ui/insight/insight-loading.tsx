import { t } from "@/messages/insight";

/** Shown while a large record is worked through; it comes after a moment, so that a quick answer never flickers. */
export function InsightLoading() {
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <h1 className="font-bold text-2xl">{t("insight")}</h1>
      <div role="status" className="fade-in-late mt-4">
        <p className="text-lg">{t("working-it-out")}</p>
        <span aria-hidden="true" className="mt-2 block h-3 w-64 overflow-hidden rounded-full bg-line">
          <span className="block h-full w-1/3 animate-pulse bg-now motion-reduce:animate-none" />
        </span>
      </div>
    </main>
  );
}
