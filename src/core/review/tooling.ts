import { BESIDE, depthOver, type LayerKind } from "../cable/cable";
import { formatMm } from "../length/format";
import { checksOf, type Step } from "../procedure/step";
import type { Tool } from "../procedure/tool";
import type { Advice } from "./advice";
import type { Placement } from "./placements";

/** What a careful colleague would ask of the tools: glass to hold, holes and depths that spare what stays. */
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
            `The cleaver must hold ${formatMm(scrap)} of bare glass beyond its blade; this strip leaves ${formatMm(held)}.`,
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
          `A hole of ${formatMm(diameter)} would cut the ${stays.name} of ${formatMm(stays.diameter)} that stays.`,
        ),
      ];
    return goes && diameter >= goes.diameter
      ? [
          say(
            step,
            `A hole of ${formatMm(diameter)} does not cut the ${goes.name} of ${formatMm(goes.diameter)}.`,
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
            `A blade ${formatMm(depth)} deep goes through: there is ${formatMm(most)} of it on the ${placement.cable.name}.`,
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
            message: `“${name}” is read before “${steps[moved]?.title}” moves it: read it after.`,
          },
        ];
  });
}
