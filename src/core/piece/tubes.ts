import { elementsOf, type FibreSource } from "../cable/elements";
import { type Identity, identity } from "./identity";

export interface Tubes {
  /** `tube`, `ribbon`, `unit`: what holds so many fibres each. */
  readonly kind: string;
  readonly tubes: number;
  readonly perTube: number;
}

/**
 * What a cable's fibres are distinguished by: tubes (or ribbons) and the fibres in each; a single tube is passed over.
 * @example tubesOf(loose) // { kind: "tube", tubes: 6, perTube: 6 }
 */
export function tubesOf(cable: FibreSource): Tubes {
  const outer = elementsOf(cable);
  const shown = outer.count === 1 && outer.of ? outer.of : outer;
  return shown.of
    ? { kind: shown.kind, tubes: shown.count, perTube: shown.of.count }
    : { kind: shown.kind, tubes: 1, perTube: shown.count };
}

/**
 * A fibre of a cable by its number over the whole of it: the tube it is in and its place there, with their colours.
 * @example fibreIn(loose, 14)
 * // { kind: "tube", number: 14, tube: { position: 3, code: "GR", tracers: 0 }, fibre: { position: 2, code: "OR", tracers: 0 } }
 */
export function fibreIn(cable: FibreSource, number: number): Identity & Pick<Tubes, "kind"> {
  const { kind, tubes, perTube } = tubesOf(cable);
  return { kind, ...identity({ perTube, tubes, number }) };
}
