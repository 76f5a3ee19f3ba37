import type { EndState, SlackTold } from "@/core";

/** How many tries the slack of a place is still enough for, and how loud that is to be said. */
export interface SlackSaid {
  readonly text: string;
  readonly loud: boolean;
}

/**
 * The slack behind an end as it stands: what was allowed but for what the ends before it and its own retries took.
 * What somebody at the bench said is left to spare goes before what was planned.
 */
export function slackWords(
  { allowed, before, perAttempt }: SlackTold,
  { lost, spare }: Pick<EndState, "lost" | "spare">,
): SlackSaid {
  const there = spare ?? (allowed === null ? null : allowed - before - lost);
  if (there === null) return { text: "slack not said", loud: false };
  const tries = perAttempt > 0 ? Math.max(0, Math.floor(there / perAttempt)) : null;
  const length = `${(Math.max(0, there) / 1000).toFixed(0)} mm slack`;
  if (tries === null) return { text: length, loud: false };
  if (tries === 0) return { text: `${length}: no further try`, loud: true };
  return { text: `${length}: ${tries === 1 ? "the last try" : `${tries} more tries`}`, loud: tries === 1 };
}
