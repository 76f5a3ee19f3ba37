import { bestPorts, compileRunSheet, misfits, PORT_LIMIT, PORT_ROLES, zPortsInput } from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";
import { line, perSecond, timed } from "./measure";

/** Numbers that look drawn and are always the same (a linear congruential generator, Numerical Recipes' constants). */
function drawn(seed: number): (most: number) => number {
  let state = seed;
  return (most) => {
    state = (state * 1_664_525 + 1_013_904_223) % 2 ** 32;
    return Math.floor((state / 2 ** 32) * most);
  };
}

/** A closure of so many ports, and as many cables: `each` ports of its own kind, or of a few kinds. */
function closure(count: number, cables: number, kinds: number, seed: number) {
  const next = drawn(seed);
  const limits = Array.from({ length: kinds }, () => {
    const min = 4 + next(80) / 10;
    return { min, max: min + 6 + next(80) / 10, bushedMin: min - 1 - next(20) / 10 };
  });
  const role = () => PORT_ROLES[next(3)];
  return zPortsInput.parse({
    ports: Array.from({ length: count }, (_, i) => ({
      id: `P${i}`,
      role: role(),
      ...Object.fromEntries(
        Object.entries(limits[i % kinds] ?? {}).map(([key, value]) => [key, Math.round(value * 10) / 10]),
      ),
      ...(i < 8 ? { pair: `pair ${Math.floor(i / 2)}` } : {}),
    })),
    cables: Array.from({ length: cables }, (_, i) => ({
      id: `c${i}`,
      diameter: 8 + next(60) / 10,
      role: role(),
      ...(i % 12 === 5 ? { through: true } : {}),
    })),
  });
}

/** Ports given out at size, and every entry compiled on every cable it takes. */
export async function entriesAtSize(): Promise<void> {
  for (const [name, count, cables, kinds] of [
    ["24 cables in 24 ports of six kinds", 24, 24, 6],
    ["22 cables in 24 ports of six kinds", 24, 22, 6],
    ["24 cables in 24 ports, each of its own", 24, 24, 24],
    ["20 cables in 24 ports, each of its own", 24, 20, 24],
    [`${PORT_LIMIT} cables in ${PORT_LIMIT} ports, each of its own`, PORT_LIMIT, PORT_LIMIT, PORT_LIMIT],
    [
      `${PORT_LIMIT - 6} cables in ${PORT_LIMIT} ports, each of its own`,
      PORT_LIMIT,
      PORT_LIMIT - 6,
      PORT_LIMIT,
    ],
  ] as const) {
    const times: number[] = [];
    let possible = 0;
    for (let seed = 1; seed <= 8; seed++) {
      const input = closure(count, cables, kinds, seed);
      const seconds = await timed(() => {
        if (bestPorts(input).possible) possible += 1;
      });
      times.push(seconds * 1000);
    }
    line(name, `at most ${Math.max(...times).toFixed(0)} ms of 8, ${possible} of them possible`);
  }
  const { cables, procedures, tools } = shippedLibrary();
  const pairs = procedures
    .filter(({ family }) => family === "closure-entry")
    .flatMap((procedure) =>
      cables
        .filter((cable) => misfits(procedure, cable, "9/125").length === 0)
        .map((cable) => ({ procedure, cable, core: "9/125", choices: {}, tools })),
    );
  const rate = perSecond(() => {
    for (const pair of pairs) compileRunSheet(pair);
  });
  line(`every entry compiled on every cable, ${pairs.length} sheets`, `${(1000 / rate).toFixed(0)} ms`);
}
