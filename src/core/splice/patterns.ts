import { TOWARDS } from "../piece/address";
import { tubesOf } from "../piece/tubes";
import { InputError } from "../problem/problem";
import { say } from "../words/core";
import {
  cutEndsOf,
  type FibreEnd,
  fibreTotal,
  hasRibbons,
  inOneRibbon,
  PIGTAIL,
  type SplicedCable,
} from "./fibres";
import type { Splice } from "./splice-plan";

/** A splice that has no id yet: what goes to what, in one sleeve. */
export type Joint = Pick<Splice, "a" | "b" | "count">;

/** One side of a pattern: a cable, and of one that goes through which of its cut ends. */
interface PatternSide {
  readonly cable: SplicedCable;
  readonly towards: FibreEnd["towards"];
}

const endsOn = ({ cable, towards }: PatternSide): FibreEnd[] =>
  cutEndsOf(cable).filter((end) => end.towards === towards);

/** Ends paired in order, as far as both go; whole ribbons in one sleeve where both sides have them and that is wished. */
function paired(
  a: PatternSide,
  b: PatternSide,
  from: readonly FibreEnd[],
  to: readonly FibreEnd[],
  whole: boolean,
): Joint[] {
  const pairs = from.slice(0, to.length).map((end, i) => ({ a: end, b: to[i] ?? end }));
  const size = tubesOf(a.cable.cable).perTube;
  const ribbons =
    whole &&
    hasRibbons(a.cable.cable) &&
    hasRibbons(b.cable.cable) &&
    size === tubesOf(b.cable.cable).perTube;
  if (!ribbons) return pairs.map((pair) => ({ ...pair, count: 1 }));
  return pairs.flatMap((pair, at): Joint[] => {
    const start = at - ((pair.a.fibre - 1) % size);
    const first = pairs[start];
    const isWhole =
      first !== undefined &&
      start + size <= pairs.length &&
      pairs
        .slice(start, start + size)
        .every(({ a: x, b: y }, i) => x.fibre === first.a.fibre + i && y.fibre === first.b.fibre + i) &&
      inOneRibbon(b.cable.cable, first.b.fibre, size);
    if (!isWhole) return [{ ...pair, count: 1 }];
    return at === start ? [{ ...pair, count: size }] : [];
  });
}

/**
 * Straight through: fibre 1 to fibre 1, and so on as far as both cables go.
 * @param whole whether whole ribbons go into one sleeve each, where both cables have them.
 * @example straight({ cable: pad4, towards: null }, { cable: pad5, towards: null }).length // 36
 */
export const straight = (a: PatternSide, b: PatternSide, whole = false): Joint[] =>
  paired(a, b, endsOn(a), endsOn(b), whole);

/**
 * One tube (or ribbon) of a cable to one of another: each fibre to its like.
 * @example tubeToTube({ cable: pad4, towards: null, tube: 2 }, { cable: pad5, towards: null, tube: 1 })[0].a.fibre // 7
 */
export function tubeToTube(
  a: PatternSide & { readonly tube: number },
  b: PatternSide & { readonly tube: number },
  whole = false,
): Joint[] {
  const of = ({ tube, ...side }: PatternSide & { readonly tube: number }) => {
    const { perTube } = tubesOf(side.cable.cable);
    return endsOn(side).filter(({ fibre }) => Math.floor((fibre - 1) / perTube) === tube - 1);
  };
  return paired(a, b, of(a), of(b), whole);
}

/**
 * Both cut ends of a parted fibre back together: the ring is closed again.
 * @example ringClosed({ ...pad4, through: true, parted: [7] }).length // 1
 */
export function ringClosed(cable: SplicedCable): Joint[] {
  const [towardsA, towardsB] = TOWARDS.map((towards) => endsOn({ cable, towards }));
  return (towardsA ?? []).map((a, i) => ({ a, b: towardsB?.[i] ?? a, count: 1 }));
}

/**
 * Every fibre of a side to a pigtail of its own, the first numbered so.
 * @example toPigtails({ cable: pad4, towards: null }, 5)[0].b.fibre // 5
 */
export const toPigtails = (side: PatternSide, first = 1): Joint[] =>
  endsOn(side).map((a, i) => ({ a, b: { cable: PIGTAIL, towards: null, fibre: first + i }, count: 1 }));

/**
 * Reads lines of a list of splices, `1 3/1-6 = 2 1/1-6`: a cable by its number or its name, of one that goes through the side
 * A or B, and fibres by their numbers, or by tube and place.
 * @throws InputError `bad-input` naming the line and what it cannot be.
 * @example readSplices("1 2/1-3 = Pad 5 1/1-3", [pad4, pad5]).map(({ a, b }) => [a.fibre, b.fibre]) // [[7, 1], [8, 2], [9, 3]]
 */
export function readSplices(text: string, cables: readonly SplicedCable[]): Joint[] {
  return text.split(/\r?\n/).flatMap((line, at): Joint[] => {
    if (line.trim() === "") return [];
    const refuse = (message: ReturnType<typeof say>): never => {
      throw new InputError(
        "bad-input",
        say("in-a-line-of-the-list", { line: at + 1, message: message.text }),
        ["list", at],
      );
    };
    const [left, right, more] = line.split(/=|→|->/);
    if (left === undefined || right === undefined || more !== undefined)
      return refuse(say("write-a-splice-as", { line: line.trim().slice(0, 60) }));
    const [from, to] = [readEnds(left, cables, refuse), readEnds(right, cables, refuse)];
    if (from.length !== to.length)
      return refuse(say("both-sides-must-have-as-many-fibres", { a: from.length, b: to.length }));
    return from.map((a, i) => ({ a, b: to[i] ?? a, count: 1 }));
  });
}

/** One side of a line: `Pad 4 branch 1/1-6`, `2 A 7`, `pigtail 1-6`. */
function readEnds(
  text: string,
  cables: readonly SplicedCable[],
  refuse: (message: ReturnType<typeof say>) => never,
): FibreEnd[] {
  const [, named = "", side, tube, first, last = first] =
    /^\s*(.+?)(?:\s+([AB]))?\s+(?:(\d+)\s*\/\s*)?(\d+)(?:\s*[-–]\s*(\d+))?\s*$/.exec(text) ?? [];
  if (first === undefined) return refuse(say("write-fibres-as", { text: text.trim().slice(0, 60) }));
  const [from, to] = [Number(first), Number(last)];
  const step = to < from ? -1 : 1;
  if (Math.abs(to - from) >= 6_912) return refuse(say("write-fibres-as", { text: text.trim().slice(0, 60) }));
  const places = Array.from({ length: Math.abs(to - from) + 1 }, (_, i) => from + i * step);
  if (named.toLowerCase() === PIGTAIL)
    return places.map((fibre) => ({ cable: PIGTAIL, towards: null, fibre }));
  const cable = cableCalled(named, cables);
  if (!cable) return refuse(say("no-cable-of-this-closure-is-called", { named: named.slice(0, 60) }));
  const { perTube, tubes } = tubesOf(cable.cable);
  const towards = TOWARDS.find((way) => way === side) ?? null;
  return places.map((place) => {
    const fibre = tube === undefined ? place : (Number(tube) - 1) * perTube + place;
    const inTube =
      tube === undefined || (place >= 1 && place <= perTube && Number(tube) >= 1 && Number(tube) <= tubes);
    if (!inTube || fibre < 1 || fibre > fibreTotal(cable.cable))
      return refuse(
        say("this-cable-has-tubes-and-fibres", {
          cable: cable.name,
          tubes,
          perTube,
          fibres: fibreTotal(cable.cable),
        }),
      );
    return { cable: cable.id, towards, fibre };
  });
}

/** A cable by its number, by its name, or by the beginning of one that no other has. */
function cableCalled(named: string, cables: readonly SplicedCable[]): SplicedCable | null {
  const wished = named.trim().toLowerCase();
  const exact = cables.find(({ number, name }) => String(number) === wished || name.toLowerCase() === wished);
  if (exact) return exact;
  const begun = cables.filter(({ name }) => name.toLowerCase().startsWith(wished));
  return begun.length === 1 ? (begun[0] ?? null) : null;
}
