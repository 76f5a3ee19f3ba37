import type { Choice, Procedure } from "../procedure/procedure";
import type { PiecePlan, SideName } from "./plan";

/** An end of a fibre as far as the other end of it must know. */
interface EndOfFibre {
  readonly core: string;
  readonly choices: readonly Choice[];
  readonly picked: Readonly<Record<string, string>>;
}

/** Something that goes by both ends of a fibre: what stands here and there, and whether that goes together. */
export interface Across {
  readonly name: string;
  readonly asks: "same" | "other";
  readonly here: string;
  readonly far: string;
  readonly fits: boolean;
}

const GLASS: Pick<Choice, "id" | "name" | "across"> = { id: "core", name: "Glass", across: "same" };

/**
 * All that must go together over the two ends of one fibre, of what both ends say: their glass, and each choice whose
 * document asks for the same, or for another, at the other end.
 * @example across({ choices: [], picked: {} }, { choices: [], picked: {} })
 * // [{ name: "Glass", asks: "same", fits: true }]
 */
export function across(here: EndOfFibre, far: EndOfFibre): Across[] {
  const glass = { ...GLASS, here: here.core, far: far.core };
  const chosen = here.choices.flatMap((choice) => {
    const there = far.choices.find(({ id }) => id === choice.id);
    if (!choice.across || !there) return [];
    const [first, other] = [optionOf(choice, here.picked), optionOf(there, far.picked)];
    return first && other ? [{ ...choice, here: first, far: other }] : [];
  });
  return [glass, ...chosen].map(({ name, across: asks = "same", here: mine, far: theirs }) => ({
    name,
    asks,
    here: mine,
    far: theirs,
    fits: (mine === theirs) === (asks === "same"),
  }));
}

const optionOf = (
  { id, options, default: usual }: Choice,
  picked: EndOfFibre["picked"],
): string | undefined => {
  const option = Object.hasOwn(picked, id) ? picked[id] : usual;
  return options.find((eachOption) => eachOption.id === option)?.name;
};

type AcrossChoice = Pick<Choice, "id" | "default" | "across"> & {
  readonly options: readonly { readonly id: string }[];
};

/**
 * What to begin with at one end of a fibre, from what is picked at the other: the same where both must be the same, another
 * where one must be the other. Only what differs from the usual.
 * @example choicesWith([], { choices: [], picked: {} }) // {}
 */
export function choicesWith(
  here: readonly AcrossChoice[],
  far: { readonly choices: readonly AcrossChoice[]; readonly picked: Readonly<Record<string, string>> },
): Record<string, string> {
  const begun = here.flatMap(({ id, across: asks, options, default: usual }) => {
    const there = far.choices.find((choice) => choice.id === id);
    if (!asks || !there) return [];
    const picked = far.picked[id] ?? there.default;
    const goes = (option: string) => (option === picked) === (asks === "same");
    const option = goes(usual) ? usual : options.find((each) => goes(each.id))?.id;
    return option === undefined || option === usual ? [] : [[id, option] as const];
  });
  return Object.fromEntries(begun);
}

/** What ends a side's fibres: what is put on each opened element where anything is, else what ends the side itself. */
const endingAt = ({ procedure, choices, onto }: PiecePlan["sides"][SideName]) =>
  onto ?? { procedure, choices };

/**
 * All that does not go together over the two sides of a piece as it is planned; empty where a side is not ended.
 * @example sideMismatches(plan, () => undefined) // []
 */
export function sideMismatches(
  { core, sides }: Pick<PiecePlan, "core" | "sides">,
  procedureOf: (id: string) => Pick<Procedure, "choices"> | undefined,
): Across[] {
  const endOf = (side: SideName): EndOfFibre | null => {
    const { procedure, choices: picked } = endingAt(sides[side]);
    const choices = procedure === null ? undefined : procedureOf(procedure)?.choices;
    return choices ? { core, choices, picked } : null;
  };
  const [A, B] = [endOf("A"), endOf("B")];
  return A && B ? across(A, B).filter(({ fits }) => !fits) : [];
}
