import { checksOf, judgementOf, type Step } from "../procedure/step";
import { type BenchState, isFaceOpen } from "./bench-state";
import { type Course, takenOff } from "./course";
import type { ViolationCode } from "./violation";

/** What a step breaks, with the names in its sentence beside the step's own. */
type Broken = readonly [code: ViolationCode, ...names: string[]];

/** What must hold before a step of a kind. */
type Contract = (step: Step, state: BenchState, course: Course) => Broken | null;

const bareTo = ({ bared }: BenchState, kind: Parameters<BenchState["bared"]["get"]>[0]): number =>
  bared.get(kind) ?? 0;

const strip: Contract = (step, state, course) => {
  const { layers, to } = takenOff(step, course);
  if (layers.length === 0) return null;
  const inner = course.rings.findLastIndex(({ kind }) => layers.includes(kind));
  const around = course.rings
    .slice(0, Math.max(0, inner))
    .find(({ kind }) => !layers.includes(kind) && bareTo(state, kind) < course.at(to));
  if (step.kind === "remove" && around) return ["layer-around", around.name];
  return isFaceOpen(state) ? ["stripped-cleaved"] : null;
};

const mark: Contract = (step, state, { rings, at }) => {
  const cover = rings.filter(({ kind }) => kind !== "glass").at(-1);
  return step.kind === "mark" && cover && bareTo(state, cover.kind) > at(step.makes)
    ? ["mark-on-glass", cover.name]
    : null;
};

const cleave: Contract = (step, state, { rings, at, has }) => {
  if (step.kind !== "cleave") return null;
  const covered = rings.find(({ kind }) => kind !== "glass" && bareTo(state, kind) <= at(step.makes));
  if (covered) return ["glass-covered", covered.name];
  return has("clean") && !state.wiped ? ["not-wiped"] : null;
};

/** The fibre goes in: cleaved, where the sheet cleaves it. */
const insert: Contract = (_, state, { has }) =>
  has("cleave") && !state.cleaved
    ? ["not-cleaved"]
    : has("cure") && state.adhesive === "cured"
      ? ["cured-empty"]
      : null;

/** What closes round a fibre closes once it is in, where the sheet puts one in. */
const close: Contract = (_, state, { has }) =>
  has("insert") && has("cleave") && !state.inserted ? ["not-in"] : null;

const crimp: Contract = (_, state, { has }) => {
  if (has("fuse")) return state.welded ? null : ["not-welded"];
  return has("insert") && !state.inserted ? ["not-in"] : null;
};

const read: Contract = (step, state, { placement: { dimensions, placed, procedure } }) => {
  const index = state.done.length;
  const nameOf = (id: string) => procedure.features.find((feature) => feature.id === id)?.name ?? id;
  for (const check of checksOf(step)) {
    const dimension = dimensions.find(({ id }) => id === check);
    for (const feature of dimension ? [dimension.from, dimension.to] : []) {
      const place = placed.get(feature);
      if (!place) continue;
      if (place.from > index) return ["not-there", nameOf(feature)];
      if (place.until < index) return ["gone", nameOf(feature)];
    }
  }
  return null;
};

/** The clock runs from the cleave: a look that needs no cleaved end comes before it. */
const look: Contract = (step, state) =>
  step.kind === "verify" && isFaceOpen(state) && NEEDS_NO_CLEAVE.includes(judgementOf(step)?.id ?? "")
    ? ["late-look"]
    : null;

/** Looks at what is there before the cleave. */
const NEEDS_NO_CLEAVE: readonly string[] = ["light-on", "coating-off", "glass-sound"];

/** Parts that go on here, past the step that shuts them out. */
const thread: Contract = (step, state, { placement: { parts, steps } }) => {
  if (isFaceOpen(state)) return ["threaded-cleaved"];
  if (step.kind !== "thread") return null;
  const elsewhere = steps.flatMap((other) =>
    other.kind === "thread" && other !== step ? (other.parts ?? []) : [],
  );
  const terminated = state.inserted || state.welded;
  const late = parts
    .filter(({ id }) => step.parts?.includes(id) ?? !elsewhere.includes(id))
    .find(
      ({ neededAt, trappedBy }) =>
        terminated || [neededAt, trappedBy].some((shut) => shut !== undefined && state.done.includes(shut)),
    );
  return late ? ["part-late", late.name] : null;
};

const CONTRACTS: Partial<Record<Step["kind"], readonly Contract[]>> = {
  thread: [thread],
  mark: [mark],
  remove: [strip],
  trim: [strip],
  cleave: [cleave],
  measure: [read],
  verify: [read, look],
  inspect: [read],
  test: [read],
  clean: [(_, state) => (isFaceOpen(state) ? ["wiped-cleaved"] : null)],
  "bend-test": [(_, state) => (state.cleaved ? ["bent-cleaved"] : null)],
  insert: [insert],
  actuate: [close],
  crimp: [crimp],
  seal: [close],
  cure: [
    (_, { adhesive }) => (adhesive === "none" ? ["nothing-to-cure"] : null),
    (_, { inserted }, { has }) => (has("insert") && !inserted ? ["cured-empty"] : null),
  ],
  scribe: [(_, { adhesive }, { has }) => (has("cure") && adhesive !== "cured" ? ["not-bonded"] : null)],
  // What is bonded stands out of the tip until it is scribed.
  polish: [
    (_, { scribed }, { has }) => ((has("scribe") || has("cure")) && !scribed ? ["not-scribed"] : null),
  ],
  fuse: [(_, { cleaved }, { has }) => (has("cleave") && !cleaved ? ["not-cleaved"] : null)],
  heat: [(_, { welded }, { has }) => (has("fuse") && !welded ? ["not-welded"] : null)],
  cap: [
    (_, { faceLooked }) => (faceLooked ? null : ["face-not-looked"]),
    (_, { inserted }, { has }) => (has("insert") && !inserted ? ["not-in"] : null),
    (_, { welded }, { has }) => (has("fuse") && !welded ? ["not-welded"] : null),
  ],
};

/** The first contract a step breaks as the end then stands; null where it can be done. */
export function brokenAt(step: Step, state: BenchState, course: Course): Broken | null {
  for (const contract of CONTRACTS[step.kind] ?? []) {
    const broken = contract(step, state, course);
    if (broken) return broken;
  }
  return null;
}
