/**
 * A sentence's first letter made large.
 * @example capital("fibre 3") // "Fibre 3"
 */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
