import { z } from "zod";

/** Kinds of tool that are checked before the first strip of a shift. */
export const CHECK_KINDS = [
  "light-source",
  "die",
  "cleaver",
  "stripper",
  "arc",
  "length",
  "meter",
  "torque",
] as const;
export const zCheckKind = z.enum(CHECK_KINDS);
export type CheckKind = z.output<typeof zCheckKind>;

/** A question of a tool check, with its answers, a good one first. */
interface CheckQuestion {
  readonly id: string;
  readonly answers: readonly { readonly id: string; readonly good: boolean }[];
}

const question = (id: string, good: readonly string[], bad: readonly string[]): CheckQuestion => ({
  id,
  answers: [
    ...good.map((answer) => ({ id: answer, good: true })),
    ...bad.map((answer) => ({ id: answer, good: false })),
  ],
});

/** Questions of each kind, in the order they are answered: common practice, no source. */
const QUESTIONS: Readonly<Record<CheckKind, readonly CheckQuestion[]>> = {
  "light-source": [question("light", ["on"], ["dark"]), question("coupling", ["locked"], ["loose"])],
  die: [question("die", ["right"], ["other", "worn"])],
  cleaver: [question("place", ["as-counted"], ["other"]), question("cleave", ["flat"], ["lip", "cracked"])],
  stripper: [question("strip", ["clean"], ["coating-left", "nicked"])],
  arc: [question("arc", ["passed"], ["failed"])],
  meter: [question("zero", ["dark"], ["not-dark"])],
  length: [],
  torque: [],
};

/**
 * The questions a kind of tool is checked by; a length or torque is read instead.
 * @example questionsOf("arc").map(({ id }) => id) // ["arc"]
 */
export const questionsOf = (kind: CheckKind): readonly CheckQuestion[] => QUESTIONS[kind];
