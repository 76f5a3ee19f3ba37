import type { Style } from "@/core";
import { t } from "@/messages/sheet";

/**
 * What people in the trade also call a thing, and the words it goes by here (common practice, no source). Each is tried
 * beside what was typed, never instead of it.
 */
const ALSO: readonly (readonly [said: RegExp, here: readonly string[]])[] = [
  [/\bzip ?cords?\b/g, [t("duplex-cord")]],
  [/\b(patch ?(cords?|leads?)|jumpers?)\b/g, [t("simplex-cord"), t("duplex-cord")]],
  [/\bpig ?tails?\b/g, ["fusion splice-on", "tight-buffer 900"]],
  [/\b(epoxy|glue|anaerobic)\b/g, ["adhesive"]],
  [/\bmechanical\b/g, ["stub", t("guided-insertion")]],
  [/\b(fast|field[- ]?install(able|ed)?|no[- ]?epoxy|quick)\b/g, ["stub", t("guided-insertion")]],
  [/\b(tactical|circular)\b/g, ["harness", "backshell"]],
  [/\bsplice[- ]?on\b/g, ["fusion splice-on"]],
  [/\bcalipers?\b/g, ["calliper"]],
  [/\bcallipers?\b/g, ["caliper"]],
  [/\bfan[- ]?out\b/g, [t("breakout-kit"), "furcation"]],
  [/\bbreak[- ]out\b/g, ["breakout"]],
  [/\bfiber\b/g, ["fibre"]],
  [/\barmored\b/g, ["armoured"]],
  [/\bftth\b/g, ["drop"]],
  [/\b(st|bayonet)\b/g, ["bfoc/2.5"]],
  [/\bangled\b/g, ["apc"]],
  [/\bsingle ?mode\b|\bsm\b/g, ["single-mode"]],
  [/\bmulti-?mode\b/g, ["multimode"]],
  [/(^|\s)0?\.9\b/g, [" 900"]],
  [/(^|\s)0?\.25\b/g, [" 250"]],
];

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll(/(\d)\s*(mm|millimet(er|re)s?)\b/g, "$1")
    .replaceAll(/(\d)\s*(µm|um|micron)s?\b/g, "$1")
    // An interface and its end face are written together: SC/APC. A core is not: 9/125.
    .replaceAll(/([a-z])\/([a-z])/g, "$1 $2")
    .trim();

/** A cable's diameter said short: 2 for 2.0. */
const whole = (text: string): string =>
  text.replaceAll(/(^|\s)(\d)(?=\s|$)/g, (_all, before, digit) => `${before}${digit}.0`);

/** What was typed, and every other way the shelf may have it. */
export function wordings(search: string): string[] {
  const typed = plain(search);
  const others = ALSO.flatMap(([said, here]) =>
    typed.match(said) ? here.map((word) => typed.replaceAll(said, word).replaceAll(/\s+/g, " ").trim()) : [],
  );
  return [...new Set([search.trim().toLowerCase(), typed, whole(typed), ...others, ...others.map(whole)])];
}

/** Options of a style that what was typed names outright, by their choice: `sc apc` picks the interface and the end face. */
export function optionsNamed(search: string, { choices }: Pick<Style, "choices">): Record<string, string> {
  const words = wordings(search).flatMap((wording) => wording.split(/\s+/));
  return Object.fromEntries(
    choices.flatMap(({ id, options }) => {
      const option = options.find(({ name }) => words.includes(name.toLowerCase()));
      return option ? [[id, option.id]] : [];
    }),
  );
}
