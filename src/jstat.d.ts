declare module "jstat" {
  interface Inverse {
    inv(p: number, freedom: number): number;
  }
  const jstat: {
    normal: { cdf(x: number, mean: number, std: number): number };
    chisquare: Inverse;
    studentt: Inverse;
    binomial: {
      pdf(k: number, n: number, p: number): number;
      cdf(k: number, n: number, p: number): number;
    };
    hypgeom: { pdf(k: number, all: number, marked: number, drawn: number): number };
    beta: {
      inv(p: number, alpha: number, beta: number): number;
      pdf(p: number, alpha: number, beta: number): number;
      cdf(p: number, alpha: number, beta: number): number;
    };
    stdev(values: readonly number[], sample: boolean): number;
  };
  export default jstat;
}
