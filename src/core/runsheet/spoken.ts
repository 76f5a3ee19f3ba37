import type { Conflict } from "../dimensions/conflict";
import type { Dimension } from "../dimensions/dimension";
import { formatMm } from "../length/format";

interface Named {
  readonly features: readonly { readonly id: string; readonly name: string }[];
}

const nameOf = ({ features }: Named, id: string) => features.find((feature) => feature.id === id)?.name ?? id;

function room({ plus, minus }: Pick<Dimension, "plus" | "minus">): string {
  if (plus === 0 && minus === 0) return "";
  if (plus !== null && plus === minus) return ` ±${formatMm(plus)}`;
  return ` (${minus === null ? "open" : `−${formatMm(minus)}`} / ${plus === null ? "open" : `+${formatMm(plus)}`})`;
}

/** A stated dimension in words, as it would be said over the bench: “buffer edge 40.0 ±1.0 behind the cable end”. */
function spokenDimension(procedure: Named, dimension: Dimension): string {
  const { from, to, nominal } = dimension;
  return `${nameOf(procedure, to)} ${formatMm(Math.abs(nominal))}${room(dimension)} ${nominal < 0 ? "before" : "behind"} the ${nameOf(procedure, from)}`;
}

/** A contradiction in words: which lengths cannot hold together, and by how much. */
export function spokenConflict(
  procedure: Named,
  dimensions: readonly Dimension[],
  { ids, shortBy }: Conflict,
): string {
  const lengths = ids.flatMap((id) => {
    const match = dimensions.find((dimension) => dimension.id === id);
    return match ? [spokenDimension(procedure, match)] : [];
  });
  const all =
    lengths.length === 1
      ? `${lengths[0]} cannot hold`
      : `${lengths.slice(0, -1).join(", ")} and ${lengths.at(-1)} cannot ${lengths.length === 2 ? "both" : "all"} hold`;
  const sentence = all.charAt(0).toUpperCase() + all.slice(1);
  return `${sentence}: ${formatMm(shortBy)} mm short.`;
}
