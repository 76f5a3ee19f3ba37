"use client";

import { t } from "@/messages/app";
import { Button } from "@/ui/controls/button";
export default function Failed({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="min-w-0 flex-1 px-6 py-10">
      <h1 className="font-bold text-2xl">{t("this-page-could-not-be-drawn")}</h1>
      <p className="mt-2 max-w-prose text-lg">{t("something-went-wrong-in-arlent-not")}</p>
      <Button look="next" onClick={reset} className="mt-5">
        {t("try-again")}
      </Button>
    </main>
  );
}
