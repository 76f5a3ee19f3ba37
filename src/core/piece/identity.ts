import { z } from "zod";
import { FIBRE_COLOURS, fibreColour } from "../cable/colours";
import { coded, type ErrorCode } from "../problem/codes";
import { said, t } from "../words/core";

const zCount = (noun: () => string) =>
  z
    .int(said("must-be-a-whole-number", { noun }))
    .min(1, said("must-be-at-least-1", { noun }))
    .max(10_000, said("must-be-at-most-10-000", { noun }));

export const zIdentityInput = z
  .strictObject({
    perTube: zCount(() => t("the-number-of-fibres-in-a-tube")),
    tubes: zCount(() => t("the-number-of-tubes")),
    number: z.int(said("a-fibres-number-must-be-whole")).optional(),
    tube: z.int(said("a-tubes-position-must-be-whole")).optional(),
    fibre: z.int(said("a-fibres-position-must-be-whole")).optional(),
  })
  .superRefine(({ perTube, tubes, number, tube, fibre }, context) => {
    const issue = (path: string, message: string, code: ErrorCode) =>
      context.addIssue({ code: "custom", path: [path], message, params: coded(code) });
    const within = (path: string, value: number, most: number, noun: string) => {
      if (value < 1 || value > most)
        issue(path, t("this-cable-has-1-to-not", { noun, most, value }), "no-such-element");
    };
    const byNumber = number !== undefined;
    if (byNumber === (tube !== undefined || fibre !== undefined))
      issue("number", t("give-a-fibre-by-its-number-or"), "bad-input");
    else if (byNumber) within("number", number, perTube * tubes, "fibres");
    else if (tube === undefined || fibre === undefined)
      issue(tube === undefined ? "tube" : "fibre", t("give-both-the-tube-and-the-fibre"), "bad-input");
    else {
      within("tube", tube, tubes, "tubes");
      within("fibre", fibre, perTube, "fibres in a tube");
    }
  });

type IdentityInput = z.output<typeof zIdentityInput>;

/** What distinguishes one of many from the others: its place, its colour, and so many tracers on it. */
export interface Marked {
  /** From 1. */
  readonly position: number;
  readonly code: string;
  /** Black tracers; yellow on black. */
  readonly tracers: number;
}

export interface Identity {
  /** From 1, over the whole cable. */
  readonly number: number;
  readonly tube: Marked;
  readonly fibre: Marked;
}

/**
 * The colour of the nth of many, counted from 1: twelve colours in order, then the same again with one tracer more
 * (TIA-598, from memory).
 * @example marked(14) // { position: 14, code: "OR", tracers: 1 }
 */
export const marked = (position: number): Marked => ({
  position,
  code: fibreColour(position).code,
  tracers: Math.floor((position - 1) / FIBRE_COLOURS.length),
});

/** A fibre by its number and by its tube and place, whichever was said. */
export function identity({ perTube, number, tube = 1, fibre = 1 }: IdentityInput): Identity {
  const n = number ?? (tube - 1) * perTube + fibre;
  return {
    number: n,
    tube: marked(Math.floor((n - 1) / perTube) + 1),
    fibre: marked(((n - 1) % perTube) + 1),
  };
}
