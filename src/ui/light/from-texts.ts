import type { EndRecord } from "@/core";
import { t } from "@/messages/light";

/** From which end light went in, in words. */
export const FROM_TEXTS: Readonly<Record<EndRecord["lightStands"][number]["from"], () => string>> = {
  here: () => t("from-here"),
  far: () => t("from-far"),
  both: () => t("from-both"),
};
