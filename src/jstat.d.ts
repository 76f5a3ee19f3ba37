declare module "jstat" {
  const jstat: { normal: { cdf(x: number, mean: number, std: number): number } };
  export default jstat;
}
