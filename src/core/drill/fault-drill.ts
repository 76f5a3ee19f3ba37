/** Faults hidden in a drill's end; each is one that beginners meet (common practice, no source). */
export const HIDDEN_FAULTS = [
  "dirty-face",
  "not-seated",
  "coating-left",
  "cleave-short",
  "glass-broken",
  "wedge-open",
  "old-reference",
  "wrong-core",
  "reversed-pair",
] as const;
export type HiddenFault = (typeof HIDDEN_FAULTS)[number];

/** Places to look at, cheapest first, with the seconds each takes. */
export const DRILL_LOOKS = [
  { id: "print", seconds: 5 },
  { id: "mark", seconds: 10 },
  { id: "pull", seconds: 10 },
  { id: "face", seconds: 20 },
  { id: "window", seconds: 30 },
  { id: "port", seconds: 60 },
  { id: "reference", seconds: 120 },
  { id: "open", seconds: 240 },
] as const;
export type DrillLook = (typeof DRILL_LOOKS)[number]["id"];

/** Sights of each look, by the faults it tells; all others look like a good end. */
const SHOWS: Readonly<Record<DrillLook, Readonly<Partial<Record<HiddenFault, string>>>>> = {
  print: { "wrong-core": "other-core" },
  mark: { "not-seated": "stands-off", "coating-left": "stands-off" },
  pull: { "wedge-open": "moves" },
  face: { "dirty-face": "dirty" },
  window: {
    "not-seated": "bright",
    "coating-left": "bright",
    "cleave-short": "bright",
    "glass-broken": "bright",
    "wedge-open": "bright",
  },
  port: { "reversed-pair": "other-port" },
  reference: { "old-reference": "moved" },
  open: { "coating-left": "coating", "cleave-short": "short", "glass-broken": "broken" },
};

/** The sight of a good end. */
const AS_GOOD = "good";

/** A place that was looked at, and what it showed. */
export interface Sight {
  readonly look: DrillLook;
  readonly shows: string;
}

/**
 * The sight of a hidden fault at a look.
 * @example sightOf("dirty-face", "face") // { look: "face", shows: "dirty" }
 */
export const sightOf = (fault: HiddenFault, look: DrillLook): Sight => ({
  look,
  shows: SHOWS[look][fault] ?? AS_GOOD,
});

/**
 * The faults that what was seen leaves possible.
 * @example faultsLeft([{ look: "face", shows: "dirty" }]) // ["dirty-face"]
 */
export const faultsLeft = (sights: readonly Sight[]): HiddenFault[] =>
  HIDDEN_FAULTS.filter((fault) => sights.every(({ look, shows }) => sightOf(fault, look).shows === shows));

/**
 * The look that rules out most for its time: the expected number of faults it rules out, by the second. Null where none is
 * left to be told apart.
 * @example bestLook([]) // "print"
 */
export function bestLook(sights: readonly Sight[]): DrillLook | null {
  const left = faultsLeft(sights);
  if (left.length < 2) return null;
  let best: { readonly look: DrillLook; readonly worth: number } | null = null;
  for (const { id, seconds } of DRILL_LOOKS) {
    const groups = new Map<string, number>();
    for (const fault of left) {
      const { shows } = sightOf(fault, id);
      groups.set(shows, (groups.get(shows) ?? 0) + 1);
    }
    const expected = [...groups.values()].reduce((sum, size) => sum + size * size, 0) / left.length;
    const worth = (left.length - expected) / seconds;
    if (worth > 0 && (best === null || worth > best.worth)) best = { look: id, worth };
  }
  return best?.look ?? null;
}

/**
 * Seconds the best looks take, one after the other, until only the fault is left.
 * @example secondsToFind("not-seated") > 0 // true
 */
export function secondsToFind(fault: HiddenFault): number {
  const sights: Sight[] = [];
  let seconds = 0;
  for (let look = bestLook(sights); look !== null; look = bestLook(sights)) {
    sights.push(sightOf(fault, look));
    seconds += DRILL_LOOKS.find(({ id }) => id === look)?.seconds ?? 0;
  }
  return seconds;
}
