/** A figure at a share of sorted measurements: 0.5 is the middle one. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
}

/** How often something can be done a second, tried for about so many milliseconds. */
export function perSecond(work: () => void, ms = 1_500): number {
  for (let i = 0; i < 50; i++) work();
  const start = performance.now();
  let done = 0;
  while (performance.now() - start < ms) {
    work();
    done += 1;
  }
  return done / ((performance.now() - start) / 1000);
}

export const line = (name: string, value: string): void => console.log(`${name.padEnd(46)} ${value}`);

export const spread = (values: readonly number[]): string =>
  `p50 ${quantile(values, 0.5).toFixed(1)} ms, p95 ${quantile(values, 0.95).toFixed(1)} ms`;

/** How long something takes, seconds. */
export async function timed(work: () => void | Promise<void>): Promise<number> {
  const start = performance.now();
  await work();
  return (performance.now() - start) / 1000;
}
