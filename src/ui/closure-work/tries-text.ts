import { t } from "@/messages/closure-work";

/** How many tries are left for a splice, in words; empty where the entry has no trays. */
export function triesText(tries: number | null): string {
  if (tries === null) return "";
  return tries < 0 ? t("fibre-reaches-no-more") : t("tries-left", { count: tries });
}
