import type { Recorded } from "@/core";
import { t } from "@/messages/live";

/** What each kind of event is called in a message. */
const WORDS: Record<Recorded["event"]["kind"], string> = {
  thread: t("a-part"),
  step: t("the-step"),
  reading: t("a-reading"),
  "end-face": t("an-end-face"),
  strike: t("a-struck-reading"),
  answer: t("an-answer"),
  label: t("the-label"),
  retry: t("a-retry"),
  restart: t("a-fresh-start"),
  shards: t("the-shards"),
  use: t("what-was-used"),
  timer: t("a-timer"),
  sign: "the sign-off",
  countersign: t("a-second-signature"),
  rework: t("a-rework"),
  trimmed: t("the-end-trimmed"),
  "take-back": t("something-taken-back"),
  park: t("the-end-parked-or-taken-up"),
  counted: t("a-count"),
  fault: t("something-seen"),
  spare: t("the-cable-to-spare"),
  correction: t("a-correction"),
  light: t("a-reading-of-light"),
  photo: t("a-photograph"),
  unread: t("something-a-newer-arlent-wrote"),
};

/** The message about events that came from another window. */
export const changedElsewhere = (events: readonly Recorded[]): string =>
  t("changed-in-another-window", {
    value: [...new Set(events.map(({ event }) => WORDS[event.kind]))].join(", "),
  });
