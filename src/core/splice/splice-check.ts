import { fibresText } from "../piece/parted";
import { say } from "../words/core";
import type { Saying } from "../words/wording";
import {
  cutEndsOf,
  type FibreEnd,
  fibreEndText,
  fibreKey,
  fibreShown,
  fibreTotal,
  inOneRibbon,
  PIGTAIL,
  type SplicedCable,
  splicedCable,
} from "./fibres";
import { splicedIn } from "./open-joint";
import { endsJoined, type Splice, type SplicePlan, splicesByEnd } from "./splice-plan";

/** What a row of the plan has to be looked at for: wrong as it stands, or to be meant so. */
export interface SpliceProblem {
  readonly splice: string;
  readonly kind: "wrong" | "look";
  readonly message: Saying;
  /** The end that was probably meant instead, for the splice's second side. */
  readonly instead: FibreEnd | null;
}

/** Fibres of one cable, or of one side of one, that are neither spliced nor stored. */
interface LeftOver {
  readonly cable: string;
  readonly towards: FibreEnd["towards"];
  readonly fibres: readonly number[];
  readonly message: Saying;
}

interface SpliceReview {
  readonly problems: readonly SpliceProblem[];
  readonly leftOver: readonly LeftOver[];
}

/**
 * Holds a splice plan against the cables of its closure: every end taken once, there, of like glass, whole ribbons to whole
 * ribbons; and what is left over. Colours that differ are a question, not a fault: a note answers it.
 * @example reviewSplices(splicing, [pad4, pad5]).problems // []
 */
export function reviewSplices(plan: SplicePlan, own: readonly SplicedCable[]): SpliceReview {
  const cables = splicedIn({ cables: own, plan });
  const taken = splicesByEnd(plan.splices);
  const spared = new Set(
    plan.spares.flatMap(({ cable, towards, fibres }) =>
      fibres.map((fibre) => fibreKey({ cable, towards, fibre })),
    ),
  );
  const onPorts = new Set(
    plan.devices.flatMap(({ id, ports }) =>
      ports.map(({ lead }) => fibreKey({ cable: id, towards: null, fibre: lead })),
    ),
  );
  return {
    problems: plan.splices.flatMap(
      (splice, at) => problemOfSplice(splice, at, { plan, cables, taken, spared, onPorts }) ?? [],
    ),
    leftOver: leftOver(cables, taken, new Set([...spared, ...onPorts])),
  };
}

interface Around {
  readonly plan: SplicePlan;
  readonly cables: readonly SplicedCable[];
  readonly taken: ReadonlyMap<string, readonly Splice[]>;
  readonly spared: ReadonlySet<string>;
  /** Leads of devices that end on a labelled port. */
  readonly onPorts: ReadonlySet<string>;
}

/** The first thing to say of a row, the gravest first; null where there is nothing. */
function problemOfSplice(splice: Splice, at: number, around: Around): SpliceProblem | null {
  const { plan, cables, taken, spared } = around;
  const wrong = (message: Saying, instead: FibreEnd | null = null): SpliceProblem => ({
    splice: splice.id,
    kind: "wrong",
    message,
    instead,
  });
  for (const side of ["a", "b"] as const)
    for (const end of endsJoined(splice, side)) {
      const message = absence(end, cables);
      if (message) return wrong(message);
      const others = (taken.get(fibreKey(end)) ?? []).filter(({ id }) => id !== splice.id);
      const [other] = others;
      const own = fibreEndText(cables, end);
      if (other && plan.splices.indexOf(other) < at)
        return wrong(
          say("a-fibre-is-taken-by-splice", { end: own, splice: plan.splices.indexOf(other) + 1 }),
          side === "b" ? likeColoured(splice, around) : null,
        );
      if (around.onPorts.has(fibreKey(end))) return wrong(say("this-lead-ends-on-a-port", { end: own }));
      if (spared.has(fibreKey(end))) return wrong(say("a-fibre-is-stored-as-spare", { end: own }));
    }
  const [a, b] = [splicedCable(cables, splice.a.cable), splicedCable(cables, splice.b.cable)];
  if (fibreKey(splice.a) === fibreKey(splice.b)) return wrong(say("a-splice-joins-two-different-ends"));
  if (a && b && !a.device && !b.device && a.core !== b.core)
    return wrong(say("these-fibres-are-of-different-glass", { a: a.core, b: b.core }));
  if (splice.count > 1)
    for (const [cable, { fibre }] of [[a, splice.a] as const, [b, splice.b] as const])
      if (cable && !inOneRibbon(cable.cable, fibre, splice.count))
        return wrong(say("these-are-not-in-one-ribbon", { cable: cable.name, count: splice.count }));
  return colours(splice, around);
}

/** Why an end is not there to be spliced. */
function absence({ cable: id, towards, fibre }: FibreEnd, cables: readonly SplicedCable[]): Saying | null {
  if (id === PIGTAIL) return null;
  const cable = splicedCable(cables, id);
  if (!cable) return say("this-cable-is-no-longer-in-the-closure");
  const most = fibreTotal(cable.cable);
  if (fibre > most) return say("this-cable-has-so-many-fibres", { cable: cable.name, most, fibre });
  if (cable.through !== (towards !== null))
    return cable.through
      ? say("say-which-side-of-a-through-cable", { cable: cable.name })
      : say("this-cable-ends-here", { cable: cable.name });
  if (cable.through && cable.parted && !cable.parted.includes(fibre))
    return say("this-fibre-is-not-cut-here", { cable: cable.name, fibre });
  return null;
}

/** The free end of the second side's tube that has the first one's colour. */
function likeColoured({ a, b }: Splice, { cables, taken, spared }: Around): FibreEnd | null {
  const [from, to] = [splicedCable(cables, a.cable), splicedCable(cables, b.cable)];
  if (!from || !to || from.device || to.device) return null;
  const { code, tracers } = fibreShown(from.cable, a.fibre);
  const ends = cutEndsOf(to).filter((end) => end.towards === b.towards);
  const free = ends.filter((end) => {
    const shown = fibreShown(to.cable, end.fibre);
    const key = fibreKey(end);
    return shown.code === code && shown.tracers === tracers && !taken.has(key) && !spared.has(key);
  });
  const near = (end: FibreEnd) => Math.abs(end.fibre - b.fibre);
  return free.sort((x, y) => near(x) - near(y))[0] ?? null;
}

/** Whether two colours are meant to differ. */
function colours(splice: Splice, around: Around): SpliceProblem | null {
  const { cables } = around;
  const [a, b] = [splicedCable(cables, splice.a.cable), splicedCable(cables, splice.b.cable)];
  // Leads of a device have the colours its maker gave them.
  if (!a || !b || a.device || b.device || splice.note !== "") return null;
  const [from, to] = [fibreShown(a.cable, splice.a.fibre), fibreShown(b.cable, splice.b.fibre)];
  if (from.code === to.code && from.tracers === to.tracers) return null;
  const instead = likeColoured(splice, around);
  // A drop of one fibre has one colour only: nothing else can be meant.
  if (!instead) return null;
  return {
    splice: splice.id,
    kind: "look",
    message: say("colours-differ-and-the-like-one-is-free", {
      from: from.colour,
      to: to.colour,
      like: fibreEndText(cables, instead),
    }),
    instead,
  };
}

function leftOver(
  cables: readonly SplicedCable[],
  taken: Around["taken"],
  spared: ReadonlySet<string>,
): LeftOver[] {
  return cables.flatMap((cable) => {
    const open = cutEndsOf(cable).filter((end) => !taken.has(fibreKey(end)) && !spared.has(fibreKey(end)));
    const sides = [...new Set(open.map(({ towards }) => towards))];
    return sides.map((towards): LeftOver => {
      const fibres = open.filter((end) => end.towards === towards).map(({ fibre }) => fibre);
      const name = `${cable.number}${towards ? ` ${towards}` : ""} ${cable.name}`;
      const message = say("fibres-are-neither-spliced-nor-stored", {
        cable: name,
        count: fibres.length,
        fibres: fibresText(fibres),
      });
      return { cable: cable.id, towards, fibres, message };
    });
  });
}
