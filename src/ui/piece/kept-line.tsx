"use client";

import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import type { Kept } from "./use-keeper";

/** How it stands with what was changed last, in a word. */
export const KeptWord = ({ save: saveState }: { save: Kept }) => (
  <p role="status" className={saveState.now === "refused" ? "font-bold text-out" : "text-soft"}>
    {saveState.now === "kept" ? t("kept") : saveState.now === "keeping" ? t("keeping") : t("not-kept")}
  </p>
);

/** What to do about a change that was not kept. */
export const KeptTrouble = ({ save: saveState, again }: { save: Kept; again: () => void }) =>
  saveState.now === "refused" ? (
    <p role="alert" className="mx-4 mt-3 rounded-md border-2 border-out px-3 py-2 sm:mx-6">
      <strong>{t("the-last-change-is-not-kept")}</strong> {saveState.message}{" "}
      <Button look="text" onClick={saveState.movedOn ? () => window.location.reload() : again}>
        {saveState.movedOn ? t("load-it-as-it-is-now") : t("try-again")}
      </Button>
    </p>
  ) : null;
