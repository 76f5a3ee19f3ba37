import type { Cable, EntryDocument, EntryLength } from "@/core";
import { t } from "@/messages/entry-editor";
import { conditionWords } from "../words/condition-words";

type Figure = NonNullable<EntryDocument["lengths"][EntryLength]>;
export type Case = NonNullable<Figure["cases"]>[number];

/** Wider than any layer is: a layer of any size. */
const ANY = { min: 0.1, max: 60 };

const isAny = ({ min, max }: { readonly min: number; readonly max: number }): boolean =>
  min <= ANY.min && max >= ANY.max;

/** For which cables a figure is: `with ribbon`, `with rods 5 to 60 mm`, `without armour`. */
export function caseWords({ when }: Pick<Case, "when">): string {
  const { layer, ...rest } = when;
  const others = conditionWords(rest, { choices: [] }, String);
  if (!layer) return others;
  const { min, max } = layer.diameter;
  const size = isAny(layer.diameter) ? "" : t("to-mm", { min, max });
  return [`with ${layer.kind}${size}`, others].filter(Boolean).join("; ");
}

interface Wished {
  readonly id: string;
  readonly name: string;
  readonly when: Case["when"];
}

/** What of some cables a figure can go by: a layer that is there, and one that some of them have not. */
export function conditionsOn(cables: readonly Cable[]): Wished[] {
  const kinds = [...new Set(cables.flatMap(({ layers }) => layers.map(({ kind }) => kind)))];
  const every = (kind: (typeof kinds)[number]) =>
    cables.every(({ layers }) => layers.some((layer) => layer.kind === kind));
  return kinds.flatMap((kind): Wished[] => [
    { id: `with ${kind}`, name: `with ${kind}`, when: { layer: { kind, diameter: ANY } } },
    ...(every(kind) ? [] : [{ id: `without ${kind}`, name: `without ${kind}`, when: { without: [kind] } }]),
  ]);
}

/** A figure for some cables, begun as the length's own. */
export const newCase = ({ nominal, plus, minus }: Figure, when: Case["when"]): Case => ({
  when,
  nominal,
  plus,
  minus,
});
