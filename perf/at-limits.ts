import { compute, DIMENSION_LIMIT, FEATURE_LIMIT } from "@/core";
import { line, timed } from "./measure";

/** Two cables of so many fibres on trays of a slot for each, no two slots alike. */
function tray(count: number) {
  const side = (fixed: number) => ({
    paths: [
      { name: "with", fixed },
      { name: "against", fixed: fixed + 40, halfTurns: 1 },
    ],
    turns: { min: 1, max: 6 },
    perimeter: { min: 220, max: 250 },
  });
  return {
    slots: Array.from({ length: count }, (_, i) => ({
      id: `S${i}`,
      a: side(80 + (i % 24)),
      b: side(90 + (i % 17)),
    })),
    bendRadius: 30,
    splices: Array.from({ length: count }, (_, i) => ({
      id: `F${i}`,
      a: 900 + ((i * 37) % 290),
      b: 850 + ((i * 53) % 310),
    })),
  };
}

/** The computations at their input limits: each within a second, or refused. */
export async function limits(): Promise<void> {
  const names = Array.from({ length: FEATURE_LIMIT }, (_, i) => `f${i}`);
  const lengths = (count: number, wide: number) =>
    Array.from({ length: count }, (_, i) => {
      const [a, b] = [(i * 7_919) % names.length, (i * 104_729 + 1) % names.length].sort((x, y) => x - y);
      const [from = 0, to = 0] = a === b ? [0, 1 + (i % (names.length - 1))] : [a, b];
      return {
        id: `d${i}`,
        from: names[from],
        to: names[to],
        nominal: (to - from) * 3,
        plus: wide,
        minus: wide,
      };
    });
  const chain = Array.from({ length: 500 }, (_, i) =>
    i === 0 ? { name: "s0" } : { name: `s${i}`, from: `s${i - 1}`, nominal: 1, error: 0.1 },
  );
  const questions: [string, unknown][] = [
    ["dimensions", { features: names, dimensions: lengths(DIMENSION_LIMIT, 1) }],
    [
      "rework",
      {
        features: names.map((name, i) =>
          i % 3 === 0 ? { name, kind: "mark" } : { name, kind: "cut", at: i * 3 + ((i * 31) % 5), bite: 1 },
        ),
        dimensions: lengths(DIMENSION_LIMIT, 40),
        forced: ["f1"],
        cable: "f248",
      },
    ],
    [
      "stack",
      {
        features: chain,
        between: Array.from({ length: 2_000 }, (_, i) => ({
          from: `s${i % 500}`,
          to: `s${(i * 7 + 1) % 500}`,
        })),
      },
    ],
    [
      "conformance",
      {
        limits: { min: 8, max: 10 },
        readings: Array.from({ length: 10_000 }, (_, i) => 9 + (i % 7) / 1_000),
        instrument: { resolution: 0.01, repeatability: 0.03 },
        rule: { kind: "guarded", risk: 0.05 },
      },
    ],
    ["trays", tray(288)],
    [
      "taps",
      {
        launchDbm: 6,
        fibreDbPerKm: 0.35,
        spliceDb: 0.05,
        connectorDb: 0.3,
        sensitivityDbm: -60,
        margin: 3,
        stock: Array.from({ length: 32 }, (_, i) => ({ tapPct: 1 + i, excessDb: (i % 5) / 10 })),
        joints: Array.from({ length: 64 }, (_, i) => ({
          km: 0.1,
          splices: 1,
          connectors: i % 2,
          split: 1 + (i % 4),
          splitExcessDb: 0.5,
        })),
      },
    ],
  ];
  for (const [operation, input] of questions) {
    const seconds = await timed(async () => {
      await compute(operation, input);
    });
    line(`${operation} at its input limits`, `${(seconds * 1000).toFixed(0)} ms`);
  }
}
