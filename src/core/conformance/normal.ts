/**
 * Area of the standard normal distribution above z, right to about 1e-15 relative in both tails.
 * W. J. Cody, "Rational Chebyshev approximations for the error function", Math. Comp. 23 (1969), 631–637
 * (coefficients from memory; checked in tests against published tables and a statistics package).
 */
export function normalAbove(z: number): number {
  return erfc(z / Math.SQRT2) / 2;
}

/** Area of the standard normal distribution between two values, keeping digits when both lie in one tail. */
export function normalBetween(low: number, high: number): number {
  return low > 0 ? normalAbove(low) - normalAbove(high) : normalAbove(-high) - normalAbove(-low);
}

const polynomial = (x: number, coefficients: readonly number[]): number =>
  coefficients.reduce((sum, coefficient) => sum * x + coefficient, 0);

// Highest power first.
const ERF_TOP = [
  0.18577770618460315, 3.1611237438705655, 113.86415415105016, 377.485237685302, 3209.3775891384694,
];
const ERF_BOTTOM = [1, 23.601290952344122, 244.02463793444417, 1282.6165260773723, 2844.236833439171];
const MIDDLE_TOP = [
  2.1531153547440383e-8, 0.5641884969886701, 8.883149794388377, 66.11919063714163, 298.6351381974001,
  881.952221241769, 1712.0476126340707, 2051.0783778260716, 1230.3393547979972,
];
const MIDDLE_BOTTOM = [
  1, 15.744926110709835, 117.6939508913125, 537.1811018620099, 1621.3895745666903, 3290.7992357334597,
  4362.619090143247, 3439.3676741437216, 1230.3393548037495,
];
const FAR_TOP = [
  0.016315387137302097, 0.30532663496123236, 0.36034489994980445, 0.12578172611122926, 0.016083785148742275,
  0.0006587491615298378,
];
const FAR_BOTTOM = [
  1, 2.568520192289822, 1.87295284992346, 0.5279051029514285, 0.06051834131244132, 0.0023352049762686918,
];

function erfc(x: number): number {
  const size = Math.abs(x);
  if (size <= 0.46875) {
    const square = size * size;
    return 1 - (x * polynomial(square, ERF_TOP)) / polynomial(square, ERF_BOTTOM);
  }
  const tail = size <= 4 ? middle(size) : far(size);
  return x < 0 ? 2 - tail : tail;
}

function expNegativeSquare(x: number): number {
  const rough = Math.trunc(x * 16) / 16;
  return Math.exp(-rough * rough) * Math.exp(-(x - rough) * (x + rough));
}

const middle = (x: number): number =>
  (expNegativeSquare(x) * polynomial(x, MIDDLE_TOP)) / polynomial(x, MIDDLE_BOTTOM);

function far(x: number): number {
  if (x > 27) return 0;
  const inverse = 1 / (x * x);
  const series = (inverse * polynomial(inverse, FAR_TOP)) / polynomial(inverse, FAR_BOTTOM);
  return (expNegativeSquare(x) * (1 / Math.sqrt(Math.PI) - series)) / x;
}
