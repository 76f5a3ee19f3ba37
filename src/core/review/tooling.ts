import { BESIDE, depthOver, type LayerKind } from "../cable/cable";
import { formatMm } from "../length/format";
import { checksOf, type Step } from "../procedure/step";
import type { Tool } from "../procedure/tool";
import { t } from "../words/review";
import type { Advice } from "./advice";
import type { Placement } from "./placements";

/**
 * What a careful colleague would ask of the tools: glass to hold, holes and depths that spare what stays.
 * @example toolingAdvice(placement, tools) // []
 */
export const toolingAdvice = (placement: Placement, tools: readonly Tool[]): Advice[] => [
  ...shortOfGlass(placement, tools),
  ...badHoles(placement),
  ...tooDeep(placement),
  ...readTooSoon(placement),
];

const say = (step: Step, message: string): Advice => ({ about: "step", id: step.id, message });

/** A cleaver holds the glass beyond its blade: there must be as much of it in front of the cleave. */
function shortOfGlass({ steps, placed }: Placement, tools: readonly Tool[]): Advice[] {
  return steps.flatMap((step) => {
    if (step.kind !== "cleave" || step.replaces === undefined) return [];
    const scrap = tools.find(({ id }) => id === step.tool)?.scrap;
    const [blade, end] = [placed.get(step.makes), placed.get(step.replaces)];
    if (scrap === undefined || !blade || !end) return [];
    const held = blade.position - end.position;
    return held >= scrap
      ? []
      : [
          say(
            step,
            t("the-cleaver-must-hold-of-bare-glass", { scrap: formatMm(scrap), held: formatMm(held) }),
          ),
        ];
  });
}

/** The outermost layer still there under what a removal takes off. */
const staysUnder = ({ cable }: Placement, layers: readonly LayerKind[]) => {
  const last = Math.max(...layers.map((kind) => cable.layers.findIndex((layer) => layer.kind === kind)));
  return cable.layers.slice(last + 1).find((layer) => !BESIDE.includes(layer.kind));
};

function badHoles(placement: Placement): Advice[] {
  return placement.steps.flatMap((step) => {
    if (step.kind !== "remove" || step.setting?.kind !== "hole") return [];
    const { diameter } = step.setting;
    const stays = staysUnder(placement, step.layers);
    const goes = placement.cable.layers.find(({ kind }) => step.layers.includes(kind));
    if (stays && diameter <= stays.diameter)
      return [
        say(
          step,
          t("a-hole-of-would-cut-the-of", {
            diameter: formatMm(diameter),
            stays: stays.name,
            diameter2: formatMm(stays.diameter),
          }),
        ),
      ];
    return goes && diameter >= goes.diameter
      ? [
          say(
            step,
            t("a-hole-of-does-not-cut-the", {
              diameter: formatMm(diameter),
              goes: goes.name,
              diameter2: formatMm(goes.diameter),
            }),
          ),
        ]
      : [];
  });
}

/** The layers a step's blade goes into: those it takes off, or that end at the edge it makes. */
const cutInto = ({ placed }: Placement, step: Step): readonly LayerKind[] =>
  step.kind === "remove" ? step.layers : "makes" in step ? (placed.get(step.makes)?.feature.ends ?? []) : [];

function tooDeep(placement: Placement): Advice[] {
  return placement.steps.flatMap((step) => {
    if (step.setting?.kind !== "depth") return [];
    const { depth } = step.setting;
    const [layer] = cutInto(placement, step);
    const most = layer === undefined ? null : depthOver(placement.cable, layer);
    return most === null || depth < most
      ? []
      : [
          say(
            step,
            t("a-blade-deep-goes-through-there-is", {
              depth: formatMm(depth),
              most: formatMm(most),
              cable: placement.cable.name,
            }),
          ),
        ];
  });
}

/** A length read only before something moves one of its ends says nothing of the finished work. */
function readTooSoon({ steps, dimensions, placed }: Placement): Advice[] {
  return dimensions.flatMap(({ id, from, to, name }) => {
    const alike = dimensions
      .filter((dimension) => dimension.from === from && dimension.to === to)
      .map((dimension) => dimension.id);
    if (!steps.some((step) => checksOf(step).includes(id))) return [];
    const read = steps
      .map((step, i) => (checksOf(step).some((check) => alike.includes(check)) ? i : -1))
      .filter((i) => i >= 0);
    const last = read.at(-1);
    if (last === undefined) return [];
    const gone = Math.min(...[from, to].map((featureId) => placed.get(featureId)?.until ?? 0));
    const moved = steps.findIndex(
      ({ moves }, i) => i > last && i < gone && moves.some((move) => move === from || move === to),
    );
    return moved < 0
      ? []
      : [
          {
            about: "dimension" as const,
            id,
            message: t("is-read-before-moves-it-read-it", { name, title: String(steps[moved]?.title) }),
          },
        ];
  });
}
