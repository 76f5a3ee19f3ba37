import { BESIDE } from "../cable/cable";
import { t } from "../words/review";
import type { Contradiction } from "./contradictions";
import type { Placement } from "./placements";

/** Yarn is cut where it is wanted, under the jacket or out of it; rods and ripcords lie beside the core. */
const LOOSE: readonly string[] = ["yarn", ...BESIDE];

/**
 * Edges in front of which another one lies that they must lie behind: what is inside a layer cannot end further back
 * than the layer itself, or there is nothing left of it to be taken off there.
 */
export function nestingOf({ cable, steps, placed }: Placement): Contradiction[] {
  const edges = new Map(
    steps.flatMap((step) =>
      step.kind === "remove"
        ? step.layers.flatMap((layer) => {
            const at = placed.get(step.to);
            return at ? [[layer, at] as const] : [];
          })
        : [],
    ),
  );
  const cut = cable.layers.flatMap(({ kind, name }) => {
    const at = edges.get(kind);
    return at && !LOOSE.includes(kind) ? [{ name, at }] : [];
  });
  return cut.slice(1).flatMap(({ name, at }, i) => {
    const around = cut[i];
    if (!around || at.position <= around.at.position) return [];
    const shortBy = at.position - around.at.position;
    const ids = [at, around.at].flatMap(({ own }) => (own ? [own.dimension.id] : []));
    return [
      {
        ids,
        shortBy,
        message: t("the-lies-mm-behind-the-the-cannot", {
          feature: at.feature.name,
          value: shortBy / 1000,
          feature2: around.at.feature.name,
          name,
          around: around.name,
        }),
        cable: cable.name,
      },
    ];
  });
}
