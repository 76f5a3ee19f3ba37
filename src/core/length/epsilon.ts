/** Rounding in the last place of a computation in micrometres must not move a whole micrometre. */
export const EPSILON = 1e-6;
