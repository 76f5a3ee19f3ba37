import { formatMm } from "../length/format";
import { checksOf } from "../procedure/step";
import { fromDatum, placedAt } from "../runsheet/placing";
import type { Stated } from "../runsheet/stated";
import { t } from "../words/review";
import type { Advice } from "./advice";
import type { Placement } from "./placements";

/** A length read at the end whose limits are tighter than what it is made of: each part may be right and it be out. */
interface Strain {
  readonly dimension: string;
  readonly name: string;
  /** What feeds it, by name. */
  readonly from: readonly string[];
  /** How far beyond its limits the worst of them together lies, micrometres. */
  readonly over: number;
  /** Half-width of its limits, the worst case of what feeds it, and the root of the sum of its squares. */
  readonly half: number;
  readonly worst: number;
  readonly rss: number;
}

/** One link of the chain a length is made of: a feature and the one it is laid off from. */
interface Link {
  readonly parent: string;
  /** Null where a part is only pushed against the fibre end: it adds nothing. */
  readonly by: Stated | null;
}

const PUSHED = ["insert", "actuate", "crimp"];

/** What each feature is laid off from; a part pushed onto the fibre goes with the fibre end. */
function linksOf({ steps, dimensions, placed }: Placement): Map<string, Link> {
  const end = [...placed.values()]
    .filter(({ feature, until }) => feature.kind === "end" && !Number.isFinite(until))
    .at(-1)?.feature.id;
  const links = new Map<string, Link>();
  for (const { feature, own, from } of placed.values()) {
    if (own) {
      const by = own.dimension;
      links.set(feature.id, { parent: by.from === feature.id ? by.to : by.from, by });
    } else if (feature.kind === "part" && from >= 0) {
      if (PUSHED.includes(steps[from]?.kind ?? "") && end !== undefined)
        links.set(feature.id, { parent: end, by: null });
      else {
        const by = dimensions.find(
          (dimension) => dimension.from === feature.id || dimension.to === feature.id,
        );
        if (by) links.set(feature.id, { parent: by.from === feature.id ? by.to : by.from, by });
      }
    }
  }
  return links;
}

function chain(links: ReadonlyMap<string, Link>, from: string): string[] {
  const path = [from];
  for (let at = links.get(from); at && !path.includes(at.parent); at = links.get(at.parent))
    path.push(at.parent);
  return path;
}

/** The links between two features, each with the way it counts: +1 going back, −1 going forward. */
function between(
  links: ReadonlyMap<string, Link>,
  a: string,
  b: string,
): { by: Stated; child: string; way: 1 | -1 }[] | null {
  const [up, down] = [chain(links, a), chain(links, b)];
  const meet = up.find((feature) => down.includes(feature));
  if (meet === undefined) return null;
  const leg = (all: string[], way: 1 | -1) =>
    all.slice(0, all.indexOf(meet)).flatMap((child) => {
      const by = links.get(child)?.by;
      return by ? [{ by, child, way }] : [];
    });
  return [...leg(up, -1), ...leg(down, 1)];
}

/**
 * Lengths read at a step whose limits are tighter than the tolerances that feed them, worst case: the stack of what is
 * stated, not of what the tools do. A length made by its own figure feeds itself and is left out.
 * @example strainsOf(placement).map(({ dimension }) => dimension) // []
 */
export function strainsOf(placement: Placement): Strain[] {
  const { steps, dimensions, placed } = placement;
  const links = linksOf(placement);
  const read = new Set(steps.flatMap(checksOf));
  return dimensions.flatMap((dimension): Strain[] => {
    const { id, from, to, nominal, plus, minus, name } = dimension;
    if (!read.has(id) || (plus === null && minus === null)) return [];
    const fed = between(links, from, to);
    if (!fed || fed.length === 0 || fed.some(({ by }) => by.id === id)) return [];
    let [high, low, squares] = [0, 0, 0];
    for (const { by, child, way } of fed) {
      const turned = fromDatum(by, by.from === child ? by.to : by.from);
      const [more, less] = way === 1 ? [turned.plus, turned.minus] : [turned.minus, turned.plus];
      if (more === null || less === null) return [];
      high += more;
      low += less;
      squares += ((more + less) / 2) ** 2;
    }
    const count = placedAt(placed, to).position - placedAt(placed, from).position - nominal;
    const over = Math.max(plus === null ? 0 : count + high - plus, minus === null ? 0 : low - count - minus);
    if (over <= 0) return [];
    return [
      {
        dimension: id,
        name,
        from: fed.map(({ by }) => by.name),
        over,
        half: ((plus ?? minus ?? 0) + (minus ?? plus ?? 0)) / 2,
        worst: (high + low) / 2,
        rss: Math.sqrt(squares),
      },
    ];
  });
}

/** What a colleague would say of a limit tighter than what feeds it. */
export const strainAdvice = (strains: readonly Strain[]): Advice[] =>
  [...new Map(strains.map((strain) => [strain.dimension, strain])).values()].map(
    ({ dimension, name, from, over, half, worst, rss }) => ({
      about: "dimension",
      id: dimension,
      message:
        rss <= half
          ? t("may-be-out-by-while-are-each", {
              name,
              over: formatMm(over),
              from: from.join(" and "),
              worst: formatMm(worst),
            })
          : t("may-be-out-by-while-are-each-by-both", {
              name,
              over: formatMm(over),
              from: from.join(" and "),
              worst: formatMm(worst),
              rss: formatMm(Math.round(rss)),
            }),
    }),
  );
