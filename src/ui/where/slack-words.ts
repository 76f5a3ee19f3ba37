import { type EndState, type SlackTold, slackBehind } from "@/core";
import { t } from "@/messages/where";

/** How many tries the slack of a place is still enough for, and how loud that is to be said. */
interface SlackSaid {
  readonly text: string;
  readonly loud: boolean;
}

/** The slack behind an end as it stands, in words. */
export function slackWords(slack: SlackTold, state: Pick<EndState, "lost" | "spare">): SlackSaid {
  const { left, attempts } = slackBehind(slack, state);
  if (left === null) return { text: t("slack-not-said"), loud: false };
  const length = t("mm-slack", { value: (Math.max(0, left) / 1000).toFixed(0) });
  if (attempts === null) return { text: length, loud: false };
  if (attempts === 0) return { text: t("no-further-try", { length }), loud: true };
  return {
    text: `${length}: ${attempts === 1 ? t("the-last-try") : t("more-tries", { attempts })}`,
    loud: attempts === 1,
  };
}
