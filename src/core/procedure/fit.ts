import { type Cable, diameterOf, fibresAtEnd } from "../cable/cable";
import { formatMm } from "../length/format";
import { t } from "../words/core";
import type { Procedure } from "./procedure";

/** One reason why a cable and a procedure do not go together. */
export interface Misfit {
  readonly about: "construction" | "jacket" | "buffer" | "coating" | "grip" | "core" | "legs" | "fibres";
  readonly message: string;
}

/** What of a procedure says which cables it goes on. */
type Applies = Pick<Procedure, "appliesTo">;

const spoken = (id: string) => id.replaceAll("-", " ");
const listed = (ids: readonly string[]) => ids.map(spoken).join(" or ");

/**
 * Why a pair does not go together: construction, diameters, grip of the buffer, core size, legs, fibres.
 * @returns nothing when they fit. Without a core, it is enough that the cable comes in one that fits.
 * @example misfits(stub, loose).map(({ about }) => about) // ["construction", "jacket", "buffer", "grip"]
 */
export function misfits(procedure: Applies, cable: Cable, core?: string): Misfit[] {
  const { constructions, inRun, jacket, jackets, buffer, coating, grips, cores, legs, fibres, furcated } =
    procedure.appliesTo;
  const inTube = furcated === true && cable.construction === "furcation-tube";
  const match: Misfit[] = [];
  const add = (about: Misfit["about"], message: string) => match.push({ about, message });
  if (!constructions.includes(cable.construction))
    add(
      "construction",
      t("it-is-for-this-is", { listed: listed(constructions), spoken: spoken(cable.construction) }),
    );
  if (inRun && cable.inRun && !inRun.includes(cable.inRun))
    add("construction", t("it-is-for-this-is", { listed: listed(inRun), spoken: spoken(cable.inRun) }));
  const outside = diameterOf(cable, "jacket");
  if (jackets && outside !== null && jackets.every(({ min, max }) => outside < min || outside > max))
    add(
      "jacket",
      t("it-takes-a-jacket-of-mm-this", {
        jackets: jackets.map(span).join(" or "),
        outside: formatMm(outside),
      }),
    );
  for (const [about, range] of [
    ["jacket", jackets ? undefined : jacket],
    ["buffer", buffer],
    ["coating", coating],
  ] as const) {
    const diameter = diameterOf(cable, about === "buffer" && inTube ? "tube" : about);
    if (range && (diameter === null || diameter < range.min || diameter > range.max))
      add(
        about,
        diameter === null
          ? t("it-takes-a-of-mm-and-there-is-none", { about, span: span(range) })
          : t("it-takes-a-of-mm", { about, span: span(range), diameter: formatMm(diameter) }),
      );
  }
  if (grips && !inTube && (cable.grip === null || !grips.includes(cable.grip)))
    add(
      "grip",
      cable.grip === null
        ? t("it-needs-a-buffer-and-this-has-none", { listed: listed(grips) })
        : t("it-needs-a-buffer-this-one-is", { listed: listed(grips), grip: cable.grip }),
    );
  if (legs !== undefined && cable.legs.length !== legs)
    add(
      "legs",
      t("it-ends-at-once-this-cord-has", {
        legs,
        cable: cable.legs.length,
      }),
    );
  const count = fibresAtEnd(cable);
  if (fibres && (count < fibres.min || count > fibres.max))
    add(
      "fibres",
      fibres.min === fibres.max
        ? t("it-takes-so-many-fibres-at-a-time", { min: fibres.min, count })
        : t("it-takes-fibres-at-a-time-this", { min: fibres.min, max: fibres.max, count }),
    );
  const offered = core === undefined ? cable.cores : [core];
  if (!offered.some((coreName) => cores.some((taken) => taken === coreName)))
    add(
      "core",
      cores.includes("copper") !== offered.includes("copper")
        ? t("it-is-made-for-this-cable-holds", { inside: inside(cores), inside2: inside(offered) })
        : t("it-is-made-for-this-is-mixed", { inside: inside(cores), offered: offered.join(" or ") }),
    );
  return match;
}

const inside = (cores: readonly string[]) =>
  cores.includes("copper") ? "copper conductors" : `${cores.join(" or ")} glass`;

function span({ min, max }: { min: number; max: number }): string {
  return min === max ? formatMm(min) : `${formatMm(min)} to ${formatMm(max)}`;
}

/**
 * The procedures of a list that do go on a cable.
 * @example proceduresFor(procedures, loose).map(({ id }) => id)
 * // ["breakout-kit-6", "entry-dome-gel", "entry-dome-round", "entry-inline", "entry-pedestal", "entry-wall-box"]
 */
export const proceduresFor = <P extends Applies>(
  procedures: readonly P[],
  cable: Cable,
  core?: string,
): P[] => procedures.filter((procedure) => misfits(procedure, cable, core).length === 0);

/**
 * The cables of a list that a procedure does go on.
 * @example cablesFor(cables, stub).length // 4
 */
export const cablesFor = (cables: readonly Cable[], procedure: Applies): Cable[] =>
  cables.filter((cable) => misfits(procedure, cable).length === 0);

/** A procedure as it stands in a list: enough to find it and to know what it goes on. */
export interface Style
  extends Pick<Procedure, "id" | "revision" | "name" | "about" | "family" | "source">,
    Applies {
  /** Everything that can be chosen of it, but for where practitioners differ. */
  readonly choices: readonly {
    readonly id: string;
    readonly options: readonly { readonly id: string; readonly name: string }[];
  }[];
}

/**
 * What a list shows of a procedure; the rest is fetched once it is picked.
 * @example Object.keys(styleOf(stub))
 * // ["id", "revision", "name", "about", "family", "source", "appliesTo", "choices"]
 */
export const styleOf = ({
  id,
  revision,
  name,
  about,
  family,
  source,
  appliesTo,
  choices,
}: Procedure): Style => ({
  id,
  revision,
  name,
  about,
  family,
  source,
  appliesTo,
  choices: choices
    .filter(({ school }) => !school)
    .map(({ id, options }) => ({
      id,
      options: options.map((option) => ({ id: option.id, name: option.name })),
    })),
});
