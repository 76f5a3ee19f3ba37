"use client";

import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import type { Kept } from "./use-keeper";

/** How it stands with what was changed last, in a word. */
export const KeptWord = ({ kept }: { kept: Kept }) => (
  <p role="status" className={kept.now === "refused" ? "font-bold text-out" : "text-soft"}>
    {kept.now === "kept" ? t("kept") : kept.now === "keeping" ? t("keeping") : t("not-kept")}
  </p>
);

/** What to do about a change that was not kept. */
export const KeptTrouble = ({ kept, again }: { kept: Kept; again: () => void }) =>
  kept.now === "refused" ? (
    <p role="alert" className="mx-4 mt-3 rounded-md border-2 border-out px-3 py-2 sm:mx-6">
      <strong>{t("the-last-change-is-not-kept")}</strong> {kept.says}{" "}
      <Button look="text" onClick={kept.movedOn ? () => window.location.reload() : again}>
        {kept.movedOn ? t("load-it-as-it-is-now") : t("try-again")}
      </Button>
    </p>
  ) : null;
