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
  "nicked",
] as const;
export type HiddenFault = (typeof HIDDEN_FAULTS)[number];

/** Places to look at, with the seconds each takes. */
export const DRILL_LOOKS = [
  { id: "print", seconds: 5 },
  { id: "mark", seconds: 10 },
  { id: "pull", seconds: 10 },
  { id: "face", seconds: 20 },
  { id: "window", seconds: 30 },
  { id: "port", seconds: 60 },
  { id: "reference", seconds: 120 },
  { id: "open", seconds: 240 },
  { id: "bend", seconds: 15 },
] as const;
export type DrillLook = (typeof DRILL_LOOKS)[number]["id"];

/** Facts of a finished end that no one sees at once. Micrometres, decibels. */
interface EndFacts {
  /** The cleave, as the sheet has it, less what it is short by. */
  readonly cleaveShort: number;
  /** Glass broken off inside the buffer. */
  readonly glassGone: number;
  /** A sleeve of coating on the glass: it does not enter the joint. */
  readonly coated: boolean;
  /** The fibre was pushed in less far by so much. */
  readonly pushedShort: number;
  /** The wedge is home: the joint is closed on the fibre, and the cord is held. */
  readonly closed: boolean;
  readonly faceClean: boolean;
  readonly coreAsSheet: boolean;
  readonly pairAsPlan: boolean;
  readonly nicked: boolean;
  readonly referenceOff: number;
}

const GOOD_END: EndFacts = {
  ...{ cleaveShort: 0, glassGone: 0, coated: false, pushedShort: 0, closed: true, faceClean: true },
  ...{ coreAsSheet: true, pairAsPlan: true, nicked: false, referenceOff: 0 },
};

/** A sleeve of coating stops at the joint's mouth: so much of the fibre stays outside. Micrometres. */
const STOPPED = 800;
/** The cleave a sheet has. Micrometres. */
const CLEAVE = 9_500;

const PLANTED: Readonly<Record<HiddenFault, Partial<EndFacts>>> = {
  "dirty-face": { faceClean: false },
  "not-seated": { pushedShort: STOPPED },
  "coating-left": { coated: true },
  "cleave-short": { cleaveShort: STOPPED },
  "glass-broken": { glassGone: 3_000 },
  "wedge-open": { closed: false },
  "old-reference": { referenceOff: 0.6 },
  "wrong-core": { coreAsSheet: false },
  "reversed-pair": { pairAsPlan: false },
  nicked: { nicked: true },
};

/** A place that was looked at, what it showed, and the figure read there; micrometres, or decibels of a reference. */
export interface Sight {
  readonly look: DrillLook;
  readonly shows: string;
  readonly figure: number;
}

/** Length of fibre left out of the joint it should be in, and the gap between the glass and the stub. */
const standsOut = ({ coated, pushedShort }: EndFacts): number => pushedShort + (coated ? STOPPED : 0);
const gapOf = (end: EndFacts): number => standsOut(end) + end.cleaveShort + end.glassGone;

/** Sights of each look, from the facts of an end. */
const SHOWS: Readonly<Record<DrillLook, (end: EndFacts) => readonly [shows: string, figure?: number]>> = {
  print: ({ coreAsSheet }) => [coreAsSheet ? "good" : "other-core"],
  mark: (end) => (standsOut(end) > 0 ? ["stands-off", standsOut(end)] : ["good"]),
  pull: ({ closed }) => [closed ? "good" : "moves"],
  face: ({ faceClean }) => [faceClean ? "good" : "dirty"],
  // Light leaves the joint where the glass does not touch the stub, or where nothing holds it there.
  window: (end) => [gapOf(end) > 0 || !end.closed ? "bright" : "good"],
  port: ({ pairAsPlan }) => [pairAsPlan ? "good" : "other-port"],
  reference: ({ referenceOff }) => (referenceOff > 0 ? ["moved", referenceOff] : ["good"]),
  open: ({ coated, glassGone, cleaveShort }) => {
    if (coated) return ["coating"];
    if (glassGone > 0) return ["broken"];
    return cleaveShort > 0 ? ["short", CLEAVE - cleaveShort] : ["good", CLEAVE];
  },
  // A nick opens as the cord is bent, and closes again.
  bend: ({ nicked }) => [nicked ? "flickers" : "good"],
};

/**
 * The sight of a hidden fault at a look.
 * @example sightOf("dirty-face", "face").shows // "dirty"
 */
export function sightOf(fault: HiddenFault, look: DrillLook): Sight {
  const [shows, figure = 0] = SHOWS[look]({ ...GOOD_END, ...PLANTED[fault] });
  return { look, shows, figure };
}

/**
 * The faults that what was seen leaves possible.
 * @example faultsLeft([{ look: "face", shows: "dirty", figure: 0 }]) // ["dirty-face"]
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
