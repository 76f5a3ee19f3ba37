import { t } from "@/messages/insight";

type Told = (value: string) => string;

/** Each condition in words, and what to try where failed ends share it. */
const CONDITIONS: Readonly<Record<string, { readonly told: Told; readonly tries: () => string }>> = {
  "blade-due": { told: (value) => t("cond-blade-due", { value }), tries: () => t("try-blade-due") },
  "cleaver-place": {
    told: (value) => t("cond-cleaver-place", { value }),
    tries: () => t("try-cleaver-place"),
  },
  "launch-cord": { told: (value) => t("cond-launch-cord", { value }), tries: () => t("try-launch-cord") },
  "cold-day": { told: (value) => t("cond-cold-day", { value }), tries: () => t("try-cold-day") },
  "new-to-it": { told: (value) => t("cond-new-to-it", { value }), tries: () => t("try-new-to-it") },
  person: { told: (value) => t("cond-person", { value }), tries: () => t("try-person") },
  style: { told: (value) => t("cond-style", { value }), tries: () => t("try-style") },
  interface: {
    told: (value) => t("cond-interface", { value: value.toUpperCase() }),
    tries: () => t("try-interface"),
  },
  cable: { told: (value) => t("cond-cable", { value }), tries: () => t("try-cable") },
  cleaver: { told: (value) => t("cond-cleaver", { value }), tries: () => t("try-cleaver") },
  day: { told: (value) => t("cond-day", { value }), tries: () => t("try-day") },
};

/** A condition in words. */
export const conditionText = (question: string, value: string): string =>
  CONDITIONS[question]?.told(value) ?? `${question}: ${value}`;

/** Advice for failed ends that share a condition. */
export const tryText = (question: string): string => CONDITIONS[question]?.tries() ?? "";
