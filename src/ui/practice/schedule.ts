import { type Card, createEmptyCard, fsrs, Rating, State } from "ts-fsrs";
import { z } from "zod";
import { FIBRE_COLOURS, HIDDEN_FAULTS } from "@/core";

/** Results of one task that are shown. */
const SHOWN = 12;

const zCard = z.object({
  due: z.coerce.date(),
  stability: z.number(),
  difficulty: z.number(),
  elapsed_days: z.number(),
  scheduled_days: z.number(),
  learning_steps: z.number(),
  reps: z.number(),
  lapses: z.number(),
  state: z.enum(State),
  last_review: z.coerce.date().optional(),
});

/** Tasks practised by somebody: the card and the last results of each. */
export const zPractised = z.record(
  z.string().max(40),
  z.object({ card: zCard, results: z.array(z.boolean()).max(SHOWN) }),
);
export type Practised = z.output<typeof zPractised>;

/** Every task, in the order a beginner meets them. */
export const TASKS: readonly string[] = [
  "rule/mm",
  "rule/in",
  ...FIBRE_COLOURS.map((_, i) => `colour/${i + 1}`),
  ...HIDDEN_FAULTS.map((fault) => `fault/${fault}`),
  ...FIBRE_COLOURS.map((_, i) => `colour/${i + 13}`),
];

const scheduler = fsrs({ enable_fuzz: false });

const cardOf = (practised: Practised, task: string): Card | null => {
  const card = practised[task]?.card;
  if (!card) return null;
  const { last_review: last, ...rest } = card;
  return { ...rest, ...(last === undefined ? {} : { last_review: last }) };
};

/** A result put to what was practised: what was missed comes again soon, what is known later and later (FSRS, the package's own). */
export function withResult(practised: Practised, task: string, right: boolean, now: Date): Practised {
  const card: Card = cardOf(practised, task) ?? createEmptyCard(now);
  const next = scheduler.next(card, now, right ? Rating.Good : Rating.Again).card;
  const results = [...(practised[task]?.results ?? []), right].slice(-SHOWN);
  return { ...practised, [task]: { card: next, results } };
}

/** The task that teaches most now: what is due longest, else the next new one, else what is due first. */
export function nextTask(practised: Practised, now: Date, last: string | null): string {
  const others = TASKS.filter((task) => task !== last);
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
  const card = cardOf(practised, task);
  if (card === null || card.state === State.New) return null;
  return scheduler.get_retrievability(card, now, false);
}
