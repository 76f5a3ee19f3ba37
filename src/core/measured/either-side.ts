import type { Check } from "../runsheet/document";

/**
 * Whether a length can read less than nothing: its limits reach down to nothing, so that one of its ends can lie on either
 * side of the other. A coating that ends inside its tube reads −0.3.
 * @example canBeNegative({ min: um(-500) }) // true
 */
export const canBeNegative = ({ min }: Pick<Check, "min">): boolean => min !== null && min <= 0;
