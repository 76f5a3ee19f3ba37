import { type EndState, type SlackTold, slackBehind } from "@/core";

/** How many tries the slack of a place is still enough for, and how loud that is to be said. */
export interface SlackSaid {
  readonly text: string;
  readonly loud: boolean;
}

/** The slack behind an end as it stands, in words. */
export function slackWords(told: SlackTold, state: Pick<EndState, "lost" | "spare">): SlackSaid {
  const { left, attempts } = slackBehind(told, state);
  if (left === null) return { text: "slack not said", loud: false };
  const length = `${(Math.max(0, left) / 1000).toFixed(0)} mm slack`;
  if (attempts === null) return { text: length, loud: false };
  if (attempts === 0) return { text: `${length}: no further try`, loud: true };
  return {
    text: `${length}: ${attempts === 1 ? "the last try" : `${attempts} more tries`}`,
    loud: attempts === 1,
  };
}
