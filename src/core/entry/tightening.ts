import type { Procedure } from "../procedure/procedure";
import type { Step } from "../procedure/step";
import type { Entry } from "./entry";

/**
 * The steps that tighten, in their order; each is what an answer may go back to. What tightens a part is asked for where
 * that part is.
 */
export const tightening = (step: Step, fasteners: Entry["fasteners"], parts: Procedure["parts"]): Step[] =>
  fasteners
    .map(({ parts: named, ...fastener }) => ({
      ...fastener,
      named,
      here: parts.filter(({ id }) => named?.some((name) => id === name)),
    }))
    .filter(({ named, here }) => named === undefined || here.length > 0)
    .map((fastener) => ({ ...fastener, when: whenOf(fastener.here) }))
    .map(({ title, how, newtonMetres, named, here, when }, i, all) => {
      // What an answer goes back to is there on every cable.
      const first = Math.max(
        0,
        all.findIndex((fastener) => fastener.when === undefined),
      );
      return {
        ...step,
        id: i === first ? step.id : `${step.id}-${i + 1}`,
        title,
        how,
        setting: { kind: "torque", newtonMetres },
        ...(named && { tightens: here.map(({ id }) => id) }),
        ...(when && { when }),
      };
    });

/** When parts are there at all; always where one of them is. */
const whenOf = (parts: Procedure["parts"]): Procedure["parts"][number]["when"] =>
  parts.some(({ when }) => when === undefined) ? undefined : parts[0]?.when;
