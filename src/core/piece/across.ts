import type { Choice } from "../procedure/procedure";

/** An end of a fibre as far as the other end of it must know. */
export interface EndOfFibre {
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
 */
export function across(here: EndOfFibre, far: EndOfFibre): Across[] {
  const glass = { ...GLASS, here: here.core, far: far.core };
  const chosen = here.choices.flatMap((choice) => {
    const there = far.choices.find(({ id }) => id === choice.id);
    if (!choice.across || !there) return [];
    const [one, other] = [optionOf(choice, here.picked), optionOf(there, far.picked)];
    return one && other ? [{ ...choice, here: one, far: other }] : [];
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
  return options.find((one) => one.id === option)?.name;
};
