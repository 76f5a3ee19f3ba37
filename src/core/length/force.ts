/** Newtons in a pound-force (NIST SP 811, appendix B.8). */
const N_PER_LBF = 4.448_221_615_260_5;

/**
 * A force in newtons from pounds-force.
 * @example newtonsOf(6).toFixed(3) // "26.689"
 */
export const newtonsOf = (lbf: number): number => lbf * N_PER_LBF;

/**
 * A force in pounds-force from newtons.
 * @example lbfOf(26.689).toFixed(3) // "6.000"
 */
export const lbfOf = (newtons: number): number => newtons / N_PER_LBF;

const MM_PER_INCH = 25.4;

/**
 * A torque in pound-force inches from newton metres.
 * @example lbfInchOf(1.6).toFixed(2) // "14.16"
 */
export const lbfInchOf = (newtonMetres: number): number => newtonMetres / ((N_PER_LBF * MM_PER_INCH) / 1000);
