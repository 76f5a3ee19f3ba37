/** What a step breaks, as a code of its own. */
const VIOLATIONS = [
  "layer-around",
  "glass-covered",
  "mark-on-glass",
  "not-wiped",
  "wiped-cleaved",
  "bent-cleaved",
  "threaded-cleaved",
  "stripped-cleaved",
  "not-cleaved",
  "not-in",
  "not-bonded",
  "nothing-to-cure",
  "cured-empty",
  "not-scribed",
  "not-welded",
  "face-not-looked",
  "late-look",
  "not-there",
  "gone",
  "part-late",
  "uncounted",
  "coating-not-looked",
  "not-screened",
  "joint-closed",
  "look-missing",
  "cleave-not-looked",
  "seat-not-judged",
  "seat-look-late",
  "light-unknown",
  "closed-not-looked",
  "loop-not-looked",
  "fibres-not-looked",
  "order-not-looked",
  "weld-not-looked",
  "sleeve-not-looked",
  "wet",
  "tip-not-looked",
  "loss-stale",
  "hidden",
  "held",
  "bore-small",
  "over-laid",
  "sleeve-short",
  "not-before",
  "nothing-there",
  "in-sight",
  "moves-later",
  "not-filled",
  "not-dipped",
  "gritty",
  "film-order",
  "hot",
  "not-capped",
  "left-open",
  "left-wet",
  "part-missing",
  "fastens-nothing",
  "loop-too-long",
  "storage-not-reached",
  "part-behind",
  "behind-laid",
  "remedy-wrong-way",
  "remedy-elsewhere",
  "not-fixed",
  "not-earthed",
  "not-stored",
  "not-named",
  "way-misses-look",
  "way-shut",
  "way-held",
  "way-still-in",
  "way-gripped",
  "way-broken",
] as const;
type ViolationCode = (typeof VIOLATIONS)[number];

/** What a step breaks, with the names in its sentence beside the step's own. */
export type Broken = readonly [code: ViolationCode, ...names: string[]];

/** A step that cannot be done, or that spoils the end, where it stands in the order of work. */
export interface Violation {
  readonly code: ViolationCode;
  /** Id of the step. */
  readonly step: string;
  /** Names in the sentence: the step's title first, or the length's name. */
  readonly params: readonly string[];
  /** Id of the length whose remedy it is. */
  readonly dimension?: string;
}

const SENTENCES: Readonly<Record<ViolationCode, (params: readonly string[]) => string>> = {
  "layer-around": ([step, layer]) =>
    `Step “${step}”: the ${layer} around it is still on there. Take that off first.`,
  "glass-covered": ([step, layer]) =>
    `Step “${step}”: the glass is not bare there: the ${layer} is still on. Strip it first.`,
  "mark-on-glass": ([step, layer]) =>
    `Step “${step}”: the ${layer} is off there, and nothing is drawn on bare glass. Draw the mark before it is stripped.`,
  "not-wiped": ([step]) =>
    `Step “${step}”: the glass was not wiped since it was stripped. Wipe it first: residue spoils the cleave and the blade.`,
  "wiped-cleaved": ([step]) =>
    `Step “${step}”: the end is cleaved and not in yet. A wipe would touch its face: wipe before the cleave.`,
  "bent-cleaved": ([step]) =>
    `Step “${step}”: the end is cleaved. Bend the glass before the cleave, so that a break costs no cleave.`,
  "threaded-cleaved": ([step]) =>
    `Step “${step}”: the end is cleaved and not in yet. A part would pass over its face: thread it on before.`,
  "stripped-cleaved": ([step]) =>
    `Step “${step}”: the end is cleaved and not in yet. Strip before the cleave: the tool would touch its face.`,
  "not-cleaved": ([step]) => `Step “${step}”: the fibre is not cleaved yet. Cleave it before it goes in.`,
  "not-in": ([step]) => `Step “${step}”: the fibre is not in yet. Put it in before this is closed.`,
  "not-bonded": ([step]) => `Step “${step}”: the fibre is not bonded yet. Let the adhesive cure first.`,
  "nothing-to-cure": ([step]) => `Step “${step}”: no adhesive is there to cure. Fill or dip first.`,
  "cured-empty": ([step]) =>
    `Step “${step}”: the adhesive is cured before the fibre is in. Put the fibre in while it is wet.`,
  "not-scribed": ([step]) =>
    `Step “${step}”: the glass still stands out of the tip. Scribe it and take it off before polishing.`,
  "not-welded": ([step]) => `Step “${step}”: the fibre is not welded yet. Fuse it before this goes over it.`,
  "face-not-looked": ([step]) =>
    `Step “${step}”: nobody has looked at the polished face. Look at it before it is covered.`,
  "late-look": ([step]) =>
    `Step “${step}”: the clock runs since the cleave. Look at this before the cleave: it needs no cleaved end.`,
  "not-there": ([step, feature]) =>
    `Step “${step}”: the ${feature} is not there yet. Make it before it is read.`,
  gone: ([step, feature]) => `Step “${step}”: the ${feature} is gone by then. Read it while it is there.`,
  "part-late": ([step, part]) =>
    `Step “${step}”: the ${part} can no longer go on. Thread it on before the step that shuts it out.`,
  "coating-not-looked": ([step]) =>
    `Step “${step}”: nobody has looked whether all the coating is off. Look at the bare glass first.`,
  "not-screened": ([step]) =>
    `Step “${step}”: the glass was not bent since it was stripped, and the bend screen is chosen. Bend it first.`,
  "joint-closed": ([step]) =>
    `Step “${step}”: the joint is closed. Open it before the fibre goes in, or the fibre scrapes and stops short.`,
  "look-missing": ([step, subject]) => `Step “${step}”: nobody has looked ${subject}. Look before this.`,
  "cleave-not-looked": ([step]) =>
    `Step “${step}”: nobody has looked at the cleaved face, and no light judges it. Look at it first.`,
  "seat-not-judged": ([step, subject]) =>
    `Step “${step}”: the seat is not judged: look at ${subject?.replace(/^whether /, "it: ")} before the joint is closed.`,
  "seat-look-late": ([step]) =>
    `Step “${step}”: the joint is closed by then. Judge the seat while it can still be mended.`,
  "light-unknown": ([step]) =>
    `Step “${step}”: the seat is judged by the light, and nobody has looked whether the light is on. Ask that before the cleave.`,
  "closed-not-looked": ([step, subject]) =>
    `Step “${step}”: look again once the joint is closed: ${subject}. Closing can move the fibre.`,
  "loop-not-looked": ([step]) =>
    `Step “${step}”: nobody has looked whether the loop lies inside. Look before it is closed.`,
  "fibres-not-looked": ([step]) =>
    `Step “${step}”: nobody has looked whether every fibre is whole. Look before it is closed.`,
  "order-not-looked": ([step]) =>
    `Step “${step}”: nobody has looked which fibre is where. Look before it is closed.`,
  "weld-not-looked": ([step]) =>
    `Step “${step}”: nobody has looked at the splice. Look at it before it is covered.`,
  "sleeve-not-looked": ([step]) =>
    `Step “${step}”: nobody has looked at the shrunk sleeve. Look at it before it is covered.`,
  "tip-not-looked": ([step]) =>
    `Step “${step}”: nobody has looked whether glass stands out of the tip. Look while the adhesive is wet.`,
  "loss-stale": ([step]) =>
    `Step “${step}”: what was done since can have changed the loss. Read it after the last part is in its place.`,
  hidden: ([step, feature, part]) =>
    `Step “${step}”: the ${feature} lies under the ${part} by then. Read it before.`,
  wet: ([step]) =>
    `Step “${step}”: the adhesive is still wet, and nothing says that its sheet allows this. Let it cure first.`,
  held: ([step]) =>
    `Step “${step}”: a holder is closed on the cable, and nothing moves through it. Open it first, or do this before it is closed.`,
  "bore-small": ([step, part]) =>
    `Step “${step}”: the ${part} does not go over this cable: its bore is smaller.`,
  "over-laid": ([step, part]) =>
    `Step “${step}”: the ${part} would have to pass the yarn laid back. Thread it on before.`,
  "not-before": ([step, other]) => `Step “${step}”: “${other}” comes before it.`,
  "nothing-there": ([step]) => `Step “${step}”: there is nothing yet to look at. Make it first.`,
  "in-sight": ([step, feature]) =>
    `Step “${step}”: the ${feature} is inside by then, out of sight. Read it before the fibre goes in.`,
  "moves-later": ([step, feature, other]) =>
    `Step “${step}”: the ${feature} moves again at “${other}”. Read it after that.`,
  "not-filled": ([step]) => `Step “${step}”: no adhesive is in yet. Fill it first.`,
  "not-dipped": ([step]) => `Step “${step}”: nothing was dipped or primed yet. Do that first.`,
  gritty: ([step]) =>
    `Step “${step}”: grit of the film before is still on the face. Wipe it off first, or it scratches.`,
  "film-order": ([step]) =>
    `Step “${step}”: its film is no finer than the one before. Polish from coarse to fine.`,
  hot: ([step]) => `Step “${step}”: what was shrunk is still hot. Let it cool first.`,
  "not-capped": ([step]) =>
    `After step “${step}” the sheet ends, and no step caps the end face. Inspect, clean and cap it at the end.`,
  "left-open": ([step]) =>
    `After step “${step}” the sheet ends, and the joint is not closed. Close it on the fibre.`,
  "left-wet": ([step]) => `After step “${step}” the sheet ends, and the adhesive is still wet. Let it cure.`,
  "sleeve-short": ([step, part]) =>
    `Step “${step}”: the ${part} is too short to cover the bare glass and hold on both sides. Bare less glass, or take a longer one.`,
  "fastens-nothing": ([step]) =>
    `Step “${step}”: the part it tightens is not in its place. Bring it there first.`,
  "loop-too-long": ([step, length]) =>
    `Step “${step}”: the ${length} has no room for one turn in this storage. Make it longer, or the turn shorter.`,
  "storage-not-reached": ([step, length]) =>
    `Step “${step}”: the ${length} ends before the storage. Whole tube must reach it: bare fibre has no hold on the way.`,
  "part-missing": ([step, part]) => `Step “${step}”: the ${part} is not on the cable. Thread it on before.`,
  "part-behind": ([step, part, other]) =>
    `Step “${step}”: the ${part} would have to pass the ${other}. Thread them on in the order they are needed.`,
  "behind-laid": ([step, part]) =>
    `Step “${step}”: the ${part} would have to pass the yarn laid back. Bring the yarn forward first.`,
  "not-fixed": ([step]) =>
    `Step “${step}”: the cable is not fixed in the closure yet. Clamp it before a tube is opened: a pull would reach the fibres.`,
  "not-earthed": ([step]) => `Step “${step}”: the armour is not bonded yet. Bond it before a tube is opened.`,
  "not-stored": ([step]) =>
    `Step “${step}”: the fibres that stay whole are not stored yet. Store them before one is cut.`,
  "not-named": ([step]) =>
    `Step “${step}”: nobody has named the fibre to cut. Name its tube and its colour before it is cut.`,
  "remedy-wrong-way": ([length, side, remedy]) =>
    `“${length}”, when too ${side}: “${remedy}” makes it worse. It moves the wrong way.`,
  "remedy-elsewhere": ([length, side, remedy]) =>
    `“${length}”, when too ${side}: “${remedy}” moves neither of its ends.`,
  "way-misses-look": ([step, sees]) =>
    `Step “${step}”: after “${sees}” the work goes on behind this look, and nobody looks again.`,
  "way-shut": ([step, sees]) =>
    `Step “${step}”: after “${sees}” the joint is closed, and nothing says that it is opened first.`,
  "way-held": ([step, sees]) =>
    `Step “${step}”: after “${sees}” the holder is still closed on the cable. Open it first.`,
  "way-still-in": ([step, sees]) =>
    `Step “${step}”: after “${sees}” the fibre is still in. Draw it out before it is stripped.`,
  "way-gripped": ([step, sees]) =>
    `Step “${step}”: after “${sees}” the end is crimped, bonded or welded. Only a new end is left.`,
  "way-broken": ([step, sees, why]) => `Step “${step}”, after “${sees}”: ${why}`,
  uncounted: ([step]) =>
    `Step “${step}” leaves a piece of glass that no later step counts. Count the shards after it.`,
};

/** A violation as a sentence: what is wrong, and what to do. */
export const violationText = ({ code, params }: Violation): string => SENTENCES[code](params);
