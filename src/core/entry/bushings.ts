import { um } from "../length/length";
import type { Procedure } from "../procedure/procedure";
import type { Entry } from "./entry";

/**
 * A bushing for each range of ports that takes some cables only with one: it goes on a cable within that range, and says
 * which ports it is for.
 */
export function bushed(parts: Entry["parts"], ports: Entry["ports"]): Procedure["parts"] {
  const ranges = ports.filter(
    ({ bushedMin, min }, i) =>
      bushedMin < min && ports.findIndex((port) => port.bushedMin === bushedMin && port.min === min) === i,
  );
  return parts.flatMap(({ bushes, ...part }): Procedure["parts"] =>
    bushes
      ? ranges.map(({ bushedMin, min }, i) => {
          const at = ports.filter((port) => port.bushedMin === bushedMin && port.min === min);
          return {
            ...part,
            id: i === 0 ? part.id : `${part.id}-${i + 1}`,
            name: `${part.name} for port ${spoken(at.map(({ id }) => id))}`,
            when: { layer: { kind: "jacket", diameter: { min: bushedMin, max: um(min - 1) } } },
          };
        })
      : [part],
  );
}

const spoken = (ids: readonly string[]): string =>
  ids.length > 1 ? `${ids.slice(0, -1).join(", ")} or ${ids.at(-1)}` : ids.join("");
