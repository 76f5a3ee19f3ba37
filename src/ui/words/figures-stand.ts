import type { Confirmation, RunSheet } from "@/core";
import { t } from "@/messages/words";

/** Whose the figures of a record are, counted one by one. */
export const figuresStand = (representative: number, of: number): string =>
  representative === 0
    ? t("the-user-s-own")
    : representative === of
      ? t("representative-not-confirmed-against-the-part")
      : t("of-the-user-s-own-the", { value: of - representative, of });

/** How a figure was held against the part's sheet; empty where that is not on record. */
export const confirmationText = (confirmation: Confirmation | null | undefined): string =>
  confirmation
    ? t("by", {
        value: confirmation.asShown ? t("confirmed-as-shown") : t("changed-and-confirmed"),
        by: confirmation.by,
        value2: confirmation.sheet === null ? t("sheet-without-a-number") : `sheet ${confirmation.sheet}`,
        date: confirmation.date,
      })
    : "";

/** The figures of a sheet that were confirmed without being changed, by whom and against what; empty where none was. */
export function asShownText(sheet: RunSheet): string {
  const confirmations = sheet.lines
    .flatMap(({ figure, checks }) => [
      figure?.confirmation,
      ...checks.map(({ confirmation }) => confirmation),
    ])
    .flatMap((confirmation) => (confirmation?.asShown ? [confirmationText(confirmation)] : []));
  const [first] = confirmations;
  return first === undefined
    ? ""
    : t("figures-marked-as-shown-were", { value: [...new Set(confirmations)].join("; ") });
}
