declare module "jstat" {
  interface Inverse {
    inv(p: number, freedom: number): number;
  }
  const jstat: {
    normal: { cdf(x: number, mean: number, std: number): number };
    chisquare: Inverse;
    studentt: Inverse;
    stdev(values: readonly number[], sample: boolean): number;
  };
  export default jstat;
}
