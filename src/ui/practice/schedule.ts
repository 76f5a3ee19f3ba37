import { type Card, createEmptyCard, fsrs, Rating, State } from "ts-fsrs";
import { BUFFER_GRIPS, FIBRE_COLOURS, HIDDEN_FAULTS, PAIR_PLACES } from "@/core";

/** Results of one task that are shown. */
const SHOWN = 12;

/** Result of a drill, as it is stored. */
interface DrillDone {
  readonly at: string;
  readonly task: string;
  readonly good: boolean;
}

/** Tasks practised by somebody: the card of the scheduler and the last results of each. */
export type Practised = Readonly<
  Record<string, { readonly card: Card; readonly results: readonly boolean[] }>
>;

/** Whole ends that can be practised, by their procedures. */
export const PRACTICE_ENDS = ["stub-wedge-release-cord", "fusion-splice-on", "adhesive-polish-900"] as const;

/** Every task, in the order a beginner meets them. */
export const TASKS: readonly string[] = [
  "rule/mm",
  "rule/in",
  ...BUFFER_GRIPS.map((grip) => `grip/${grip}`),
  "mark/eye",
  ...FIBRE_COLOURS.map((_, i) => `colour/${i + 1}`),
  ...PAIR_PLACES.map((place) => `polarity/${place}`),
  "cleave/series",
  ...HIDDEN_FAULTS.map((fault) => `fault/${fault}`),
  ...PRACTICE_ENDS.map((end) => `end/${end}`),
  ...FIBRE_COLOURS.map((_, i) => `colour/${i + 13}`),
];

const scheduler = fsrs({ enable_fuzz: false });

/** A result put to what was practised: what was missed comes again soon, what is known later and later (FSRS, the package's own). */
export function withResult(practised: Practised, task: string, right: boolean, now: Date): Practised {
  const card: Card = practised[task]?.card ?? createEmptyCard(now);
  const next = scheduler.next(card, now, right ? Rating.Good : Rating.Again).card;
  const results = [...(practised[task]?.results ?? []), right].slice(-SHOWN);
  return { ...practised, [task]: { card: next, results } };
}

/** All that was practised, from the results in the order they came. */
export const practisedFrom = (results: readonly DrillDone[]): Practised =>
  results.reduce<Practised>(
    (practised, { task, good, at }) => withResult(practised, task, good, new Date(at)),
    {},
  );

/**
 * The task that teaches most now: what is due longest, else the next new one, else what is due first.
 * @param among tasks to choose from.
 */
export function nextTask(
  practised: Practised,
  now: Date,
  last: string | null,
  among: readonly string[] = TASKS,
): string {
  const others = among.length === 1 ? among : among.filter((task) => task !== last);
  const due = others
    .flatMap((task) => {
      const card = practised[task]?.card;
      return card && card.due <= now ? [{ task, at: card.due.getTime() }] : [];
    })
    .sort((a, b) => a.at - b.at);
  const soonest = () =>
    [...others].sort(
      (a, b) => (practised[a]?.card.due.getTime() ?? 0) - (practised[b]?.card.due.getTime() ?? 0),
    )[0];
  return due[0]?.task ?? others.find((task) => !practised[task]) ?? soonest() ?? "rule/mm";
}

/** The chance that a task is still known, 0 to 1; null where it was never tried. */
export function sureOf(practised: Practised, task: string, now: Date): number | null {
  const card = practised[task]?.card;
  if (!card || card.state === State.New) return null;
  return scheduler.get_retrievability(card, now, false);
}
