/** ln Γ(x) for x > 0 (Lanczos's approximation, g = 7, nine terms; Press et al., Numerical Recipes, from memory). */
export function lnGamma(x: number): number {
  const terms = [
    0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
    12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
  ] as const;
  const y = x - 1;
  const sum = terms.reduce((all, term, i) => (i === 0 ? term : all + term / (y + i)), 0);
  const t = y + 7.5;
  return 0.5 * Math.log(2 * Math.PI) + (y + 0.5) * Math.log(t) - t + Math.log(sum);
}

/** P(a, x), the regularised lower incomplete gamma function, by its series or continued fraction. */
function lowerGamma(a: number, x: number): number {
  if (x <= 0) return 0;
  const front = Math.exp(-x + a * Math.log(x) - lnGamma(a));
  if (x < a + 1) {
    let term = 1 / a;
    let sum = term;
    for (let n = 1; n < 1000 && term > sum * 1e-16; n++) {
      term *= x / (a + n);
      sum += term;
    }
    return sum * front;
  }
  let b = x + 1 - a;
  let c = 1e300;
  let d = 1 / b;
  let h = d;
  for (let n = 1; n < 1000; n++) {
    const an = -n * (n - a);
    b += 2;
    d = 1 / (an * d + b || 1e-300);
    c = b + an / c || 1e-300;
    const step = d * c;
    h *= step;
    if (Math.abs(step - 1) < 1e-15) break;
  }
  return 1 - front * h;
}

/** I(x; a, b), the regularised incomplete beta function, by Lentz's continued fraction. */
function beta(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  if (x > (a + 1) / (a + b + 2)) return 1 - beta(1 - x, b, a);
  const front =
    Math.exp(lnGamma(a + b) - lnGamma(a) - lnGamma(b) + a * Math.log(x) + b * Math.log(1 - x)) / a;
  let c = 1;
  let d = 1 / (1 - ((a + b) * x) / (a + 1) || 1e-300);
  let h = d;
  for (let m = 1; m < 500; m++) {
    for (const an of [
      (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m)),
      (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1)),
    ]) {
      d = 1 / (1 + an * d || 1e-300);
      c = 1 + an / c || 1e-300;
      h *= d * c;
    }
    if (Math.abs(d * c - 1) < 1e-15) break;
  }
  return front * h;
}

/** Finds where a rising function reaches a value, by halving. */
function whereReaches(rising: (x: number) => number, value: number, low: number, high: number): number {
  let [a, b] = [low, high];
  for (let i = 0; i < 200 && b - a > 1e-13 * Math.max(1, Math.abs(a)); i++) {
    const middle = (a + b) / 2;
    if (rising(middle) < value) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}

/** The value a chi-squared variable of so many degrees of freedom stays under with probability p. */
export const chiSquaredQuantile = (p: number, freedom: number): number =>
  whereReaches((x) => lowerGamma(freedom / 2, x / 2), p, 0, 20 * freedom + 200);

/** The value Student's t of so many degrees of freedom stays under with probability p. */
export function studentQuantile(p: number, freedom: number): number {
  if (p < 0.5) return -studentQuantile(1 - p, freedom);
  const under = (t: number) => 1 - beta(freedom / (freedom + t * t), freedom / 2, 0.5) / 2;
  return whereReaches(under, p, 0, 1e4);
}
