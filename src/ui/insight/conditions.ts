import { t } from "@/messages/insight";

type ConditionText = (value: string) => string;

/** Each condition in words, and what to try where failed ends share it. */
const CONDITIONS: Readonly<Record<string, { readonly text: ConditionText; readonly advice: () => string }>> =
  {
    "blade-due": { text: (value) => t("cond-blade-due", { value }), advice: () => t("try-blade-due") },
    "cleaver-place": {
      text: (value) => t("cond-cleaver-place", { value }),
      advice: () => t("try-cleaver-place"),
    },
    "launch-cord": { text: (value) => t("cond-launch-cord", { value }), advice: () => t("try-launch-cord") },
    "cold-day": { text: (value) => t("cond-cold-day", { value }), advice: () => t("try-cold-day") },
    "new-to-it": { text: (value) => t("cond-new-to-it", { value }), advice: () => t("try-new-to-it") },
    person: { text: (value) => t("cond-person", { value }), advice: () => t("try-person") },
    style: { text: (value) => t("cond-style", { value }), advice: () => t("try-style") },
    interface: {
      text: (value) => t("cond-interface", { value: value.toUpperCase() }),
      advice: () => t("try-interface"),
    },
    cable: { text: (value) => t("cond-cable", { value }), advice: () => t("try-cable") },
    cleaver: { text: (value) => t("cond-cleaver", { value }), advice: () => t("try-cleaver") },
    lot: { text: (value) => t("cond-lot", { value }), advice: () => t("try-lot") },
    "tool-failed": {
      text: () => t("cond-tool-failed"),
      advice: () => t("try-tool-failed"),
    },
    adhesive: { text: (value) => t("cond-adhesive", { value }), advice: () => t("try-adhesive") },
    day: { text: (value) => t("cond-day", { value }), advice: () => t("try-day") },
  };

/** A condition in words. */
export const conditionText = (question: string, value: string): string =>
  CONDITIONS[question]?.text(value) ?? `${question}: ${value}`;

/** Advice for failed ends that share a condition. */
export const tryText = (question: string): string => CONDITIONS[question]?.advice() ?? "";
