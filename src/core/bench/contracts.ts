import type { Subject } from "../procedure/physical";
import { checksOf, type Step } from "../procedure/step";
import { holdOf, turnsThatFit } from "../runsheet/worded";
import { t as lookText } from "../words/looks";
import { type BenchState, isFaceOpen } from "./bench-state";
import { type Course, isThreading, takenOff } from "./course";
import { blocked, tooNarrow } from "./parts-on-cable";
import type { Broken } from "./violation";

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

const mark: Contract = (step, state, { rings, at, placement }) => {
  if (step.kind !== "mark") return null;
  // What is marked has nothing around it there.
  const on = placement.placed.get(step.makes)?.feature.ends[0];
  const outer = rings.slice(
    0,
    Math.max(
      0,
      rings.findIndex(({ kind }) => kind === on),
    ),
  );
  const around = outer.find(({ kind }) => bareTo(state, kind) < at(step.makes));
  if (around) return ["layer-around", around.name];
  const cover = rings.filter(({ kind }) => kind !== "glass").at(-1);
  return cover && bareTo(state, cover.kind) > at(step.makes) ? ["mark-on-glass", cover.name] : null;
};

/** Glass that goes into anything was looked at bare, and bent where the chosen school bends it. */
const sound = ({ seen }: BenchState, { placement, has, looks }: Course): Broken | null => {
  // A sheet of lengths alone says nothing of the glass.
  const ends = placement.procedure.joint ?? placement.procedure.adhesive ?? null;
  if (ends === null && !looks("coating") && !has("insert") && !has("bend-test")) return null;
  if (!seen.has("coating")) return ["coating-not-looked"];
  return placement.picked.choices["bend-screen"] === "done" && !seen.has("glass") ? ["not-screened"] : null;
};

const bareGlass: Contract = (_, state, course) =>
  bareTo(state, "coating") > 0 && !state.cleaved ? sound(state, course) : null;

const cleave: Contract = (step, state, course) => {
  if (step.kind !== "cleave") return null;
  const { rings, at, has } = course;
  const covered = rings.find(({ kind }) => kind !== "glass" && bareTo(state, kind) <= at(step.makes));
  if (covered) return ["glass-covered", covered.name];
  return has("clean") && !state.wiped ? ["not-wiped"] : sound(state, course);
};

/** A cleaved fibre goes in, into an open joint, and its face was looked at where no light judges it. */
const insert: Contract = (_, state, { has, due, placement }) => {
  if (has("cleave") && !state.cleaved) return ["not-cleaved"];
  if (has("cure") && state.adhesive === "cured") return ["cured-empty"];
  const { adhesive } = placement.procedure;
  if (adhesive && !state.filled) return ["not-filled"];
  if (adhesive?.dipped && !state.dipped) return ["not-dipped"];
  if (state.joint === "closed") return ["joint-closed"];
  const missing = due.before.find((subject) => !state.seen.has(subject));
  if (missing) return ["look-missing", lookText(missing)];
  return has("cleave") && !state.seen.has("face") && !due.seat.includes("seat-light")
    ? ["cleave-not-looked"]
    : null;
};

/** Whether a step closes the joint: by its kind, or because it says so. */
const closes = (step: Step, { inserted }: BenchState, { has }: Course): boolean =>
  step.acts?.includes("close") || (step.kind === "actuate" && inserted && has("cleave"));

/** What closes round a fibre closes once it is in, and once its seat was judged. */
const close: Contract = (step, state, course) => {
  const { has, due } = course;
  if (has("insert") && has("cleave") && !state.inserted) return ["not-in"];
  if (!closes(step, state, course) || state.joint === "closed") return null;
  const missing = due.seat.find((subject) => !state.seen.has(subject));
  if (missing) return ["seat-not-judged", lookText(missing)];
  return due.seat.includes("seat-light") && !state.seen.has("light-on") ? ["light-unknown"] : null;
};

/** A shell or cover that closes over a loop, or over fibres in their tubes. */
const cover: Contract = (step, state, course) => {
  if (state.looped && !state.seen.has("loop")) return ["loop-not-looked"];
  const { looks } = course;
  const asks = looks("whole") || looks("order");
  if (!asks || !state.inserted || !isThreading(course) || step.kind !== "seal") return null;
  if (!state.seen.has("whole")) return ["fibres-not-looked"];
  return state.seen.has("order") ? null : ["order-not-looked"];
};

const closedLooks: Contract = (step, state, { due }) => {
  if (state.joint !== "closed" || step.acts?.includes("close")) return null;
  // What is crimped is looked at once it is.
  const here = due.closed.filter((subject) => subject !== "crimp" || step.kind === "cap");
  const missing = here.find((subject) => !state.seen.has(subject));
  return missing ? ["closed-not-looked", lookText(missing)] : null;
};

const crimp: Contract = (step, state, course) => {
  const { has, placement } = course;
  if (has("fuse")) return state.welded ? null : ["not-welded"];
  if (has("insert") && !state.inserted) return ["not-in"];
  if (state.adhesive === "wet" && !placement.procedure.adhesive?.allowsWet.includes("crimp")) return ["wet"];
  if (placement.cable.legs.length > 1 && course.looks("order") && !state.seen.has("order"))
    return ["order-not-looked"];
  return close(step, state, course) ?? closedLooks(step, state, course);
};

const heat: Contract = (step, state, { due, has, placement }) => {
  const hold = step.covers ? holdOf(step.covers, placement.dimensions, placement.parts) : null;
  if (step.covers && hold !== null && hold < step.covers.hold)
    return [
      "sleeve-short",
      placement.parts.find(({ id }) => id === step.covers?.part)?.name ?? step.covers.part,
    ];
  if (has("fuse") && !state.welded) return ["not-welded"];
  if (has("fuse") && !state.seen.has("weld")) return ["weld-not-looked"];
  const missing = due.closed.find((subject) => !state.seen.has(subject));
  if (missing) return ["look-missing", lookText(missing)];
  return state.adhesive === "wet" && !placement.procedure.adhesive?.allowsWet.includes("heat")
    ? ["wet"]
    : null;
};

/** Whether a step measures a length that starts or ends at a feature. */
const reads = (step: Step, feature: string, dimensions: Course["placement"]["dimensions"]): boolean =>
  checksOf(step).some((id) =>
    dimensions.some((dimension) => dimension.id === id && [dimension.from, dimension.to].includes(feature)),
  );

const read: Contract = (step, state, course) => {
  const { dimensions, placed, procedure, steps } = course.placement;
  // A cleaved or prepared end is out of sight once it is in; fibres pushed through tubes come out of them.
  const inside = [
    procedure.features[0]?.id,
    ...steps.map((step) => (step.kind === "cleave" ? step.makes : "")),
  ];
  const isInside = (feature: string) => !isThreading(course) && inside.includes(feature);
  const index = state.done.length;
  const nameOf = (id: string) => procedure.features.find((feature) => feature.id === id)?.name ?? id;
  for (const check of checksOf(step)) {
    const dimension = dimensions.find(({ id }) => id === check);
    for (const feature of dimension ? [dimension.from, dimension.to] : []) {
      const place = placed.get(feature);
      if (!place) continue;
      if (place.from > index) return ["not-there", nameOf(feature)];
      if (place.until < index) return ["gone", nameOf(feature)];
      const over = procedure.parts.find(
        ({ id, hides }) => hides?.includes(feature) && state.placed.includes(id),
      );
      if (over) return ["hidden", nameOf(feature), over.name];
      if (state.inserted && isInside(feature)) return ["in-sight", nameOf(feature)];
      const later = steps.findIndex((step, at) => at > index && step.moves.includes(feature));
      const again = steps.slice(later + 1).some((step) => reads(step, feature, dimensions));
      if (later >= 0 && !again) return ["moves-later", nameOf(feature), steps[later]?.title ?? ""];
    }
  }
  return null;
};

/** Looks at what is there before the cleave. */
const NEEDS_NO_CLEAVE: readonly string[] = [
  "light-on",
  "coating",
  "glass",
  "tool",
  "joint-open",
  "stub",
  "grip",
  "mate",
  "at-stop",
];
const SEATS: readonly string[] = ["seat-light", "seat-mark", "seat-bow", "seat-gap"];

/** When there is nothing yet that a look is about. */
const NOTHING_YET: Partial<Record<Subject, (state: BenchState) => boolean>> = {
  coating: (state) => bareTo(state, "coating") === 0,
  glass: (state) => bareTo(state, "coating") === 0,
  face: ({ cleaved }) => !cleaved,
  "closed-light": ({ joint }) => joint !== "closed",
  "closed-lamp": ({ joint }) => joint !== "closed",
  "closed-bow": ({ joint }) => joint !== "closed",
  crimp: ({ crimped }) => !crimped,
  weld: ({ welded }) => !welded,
  pulled: ({ welded }) => !welded,
  sleeve: ({ shrunk }) => !shrunk,
  loop: ({ looped }) => !looped,
  tip: ({ inserted }) => !inserted,
};

/** The clock runs from the cleave: a look that needs no cleaved end comes before it. A seat is judged while it can be mended. */
const look: Contract = (step, state) => {
  const subject = step.of ?? "";
  if (step.of && NOTHING_YET[step.of]?.(state)) return ["nothing-there"];
  if (step.of === "end-face" && state.gritty) return ["gritty"];
  if (state.hot && step.of === "sleeve") return ["hot"];
  if (isFaceOpen(state) && NEEDS_NO_CLEAVE.includes(subject)) return ["late-look"];
  if (!SEATS.includes(subject)) return null;
  if (state.joint === "closed") return ["seat-look-late"];
  return state.inserted ? null : ["not-in"];
};

/** Parts that go on here, past the step that shuts them out, and through what lies in their way. */
const thread: Contract = (step, state, course) => {
  const late = course
    .goingOn(step)
    .filter(({ id, opens }) => !opens && !state.threaded.includes(id))
    .find(
      ({ neededAt, trappedBy }) =>
        state.inserted ||
        state.welded ||
        [neededAt, trappedBy].some((shut) => shut !== undefined && state.done.includes(shut)),
    );
  if (late) return ["part-late", late.name];
  if (isFaceOpen(state)) return ["threaded-cleaved"];
  if (state.held && course.goingOn(step).some(({ opens }) => !opens)) return ["held"];
  return tooNarrow(step, state, course);
};

/** What moves the cable does so while no holder is closed on it. */
const free: Contract = (step, { held }) =>
  held && step.kind === "dress" && step.moves.length > 0 && !step.acts?.includes("release") ? ["held"] : null;

/** A fastener tightens a part that is in its place. */
const torque: Contract = (step, { placed }) =>
  step.tightens?.some((id) => placed.includes(id)) === false ? ["fastens-nothing"] : null;

/** A loop that is stored has room for a turn, and whole tube reaches its storage. */
const store: Contract = ({ turns }, _, { placement: { dimensions, cable } }) => {
  if (!turns) return null;
  const nameOf = (id: string) => dimensions.find((dimension) => dimension.id === id)?.name ?? id;
  if (turns.least > 0 && turnsThatFit(turns, dimensions) < 1) return ["loop-too-long", nameOf(turns.along)];
  const whole = dimensions.find(({ id }) => id === turns.whole);
  // Ribbons leave their tube at the sheath: it is too stiff to follow them.
  if (!whole || cable.layers.some(({ kind }) => kind === "ribbon")) return null;
  return whole.nominal - (whole.minus ?? 0) < turns.path / turns.share
    ? ["storage-not-reached", whole.name]
    : null;
};

const capped: Contract = (_, state, { has, placement, looks }) => {
  if (!state.seen.has("end-face")) return ["face-not-looked"];
  if (has("cleave") && has("insert") && !state.inserted) return ["not-in"];
  if (has("fuse") && !state.welded) return ["not-welded"];
  if (has("fuse") && has("heat") && !state.seen.has("sleeve")) return ["sleeve-not-looked"];
  if (state.adhesive === "wet" && has("cure")) return ["wet"];
  if (looks("loss") && !placement.procedure.joint && !state.seen.has("loss")) return ["loss-stale"];
  const { legs, construction } = placement.cable;
  return legs.length > 1 && construction !== "mid-span" && looks("order") && !state.seen.has("order")
    ? ["order-not-looked"]
    : null;
};

const CONTRACTS: Partial<Record<Step["kind"], readonly Contract[]>> = {
  thread: [thread],
  mark: [mark],
  remove: [strip],
  trim: [strip],
  cleave: [cleave],
  measure: [read],
  verify: [read, look],
  test: [look],
  inspect: [read, look],
  "bend-test": [(_, state) => (isFaceOpen(state) ? ["bent-cleaved"] : null), look],
  clean: [(_, state) => (isFaceOpen(state) ? ["wiped-cleaved"] : null)],
  insert: [insert, bareGlass],
  actuate: [close, closedLooks, cover],
  crimp: [crimp, bareGlass],
  seal: [close, cover],
  dress: [free, store, (_, { hot }, { has }) => (hot && has("cool") ? ["hot"] : null)],
  torque: [torque],
  cure: [
    (_, { adhesive }) => (adhesive === "none" ? ["nothing-to-cure"] : null),
    (_, { inserted }, { has }) => (has("insert") && !inserted ? ["cured-empty"] : null),
    (_, { seen }, { has, looks }) =>
      has("scribe") && (looks("tip") || looks("coating")) && !seen.has("tip") ? ["tip-not-looked"] : null,
  ],
  scribe: [(_, { adhesive }) => (adhesive === "cured" ? null : ["not-bonded"])],
  // What is bonded stands out of the tip until it is scribed.
  polish: [
    (_, { gritty }) => (gritty ? ["gritty"] : null),
    ({ setting }, { grain }) => (setting?.kind === "film" && setting.grain >= grain ? ["film-order"] : null),
    (_, { scribed }, { has }) => ((has("scribe") || has("cure")) && !scribed ? ["not-scribed"] : null),
  ],
  fuse: [
    (_, { cleaved }, { has }) => (has("cleave") && !cleaved ? ["not-cleaved"] : null),
    (step, state, course) => insert(step, state, course),
  ],
  heat: [heat],
  cap: [capped, closedLooks, bareGlass],
};

/** In a closure a tube is opened once the cable is fixed, its armour bonded; a fibre is cut once the others are stored. */
const inClosure: Contract = (step, state, course) => {
  const { cable, procedure } = course.placement;
  if (step.acts?.includes("cut-fibre")) {
    if (!state.stored) return ["not-stored"];
    if (!state.seen.has("named")) return ["not-named"];
  }
  const opensTube = takenOff(step, course).layers.includes("tube") || step.acts?.includes("open-tube");
  if (!opensTube || procedure.family !== "closure-entry") return null;
  if (!state.fixed) return ["not-fixed"];
  return cable.layers.some(({ kind }) => kind === "armour") && !state.bonded ? ["not-earthed"] : null;
};

/** The first contract a step breaks as the end then stands; null where it can be done. What its kind says comes first. */
export function brokenAt(step: Step, state: BenchState, course: Course): Broken | null {
  for (const contract of [...(CONTRACTS[step.kind] ?? []), blocked, inClosure, early]) {
    const broken = contract(step, state, course);
    if (broken) return broken;
  }
  return null;
}

/** What a step itself says must be done before it. */
const early: Contract = ({ needs = [] }, { done }, { placement: { steps } }) => {
  const undone = needs.filter((id) => !done.includes(id));
  const before = undone.length > 0 && steps.find(({ id }) => undone.includes(id));
  return before ? ["not-before", before.title] : null;
};

/** What is left undone once a sheet ends: nothing wet, the joint closed, the face capped. */
export function brokenEnd(state: BenchState, { has, placement: { procedure } }: Course): Broken | null {
  const { joint, adhesive, opensOnto } = procedure;
  // An opened cable that goes on into a closure has no face to cap.
  if (!joint && !adhesive && opensOnto?.into === undefined && !has("actuate")) return null;
  if (joint && has("cleave") && has("insert") && state.joint !== "closed") return ["left-open"];
  if (adhesive && state.adhesive === "wet") return ["left-wet"];
  return has("cap") ? null : ["not-capped"];
}
