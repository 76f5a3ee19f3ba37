/** What a step breaks, as a code of its own. */
export const VIOLATIONS = [
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
] as const;
export type ViolationCode = (typeof VIOLATIONS)[number];

/** A step that cannot be done, or that spoils the end, where it stands in the order of work. */
export interface Violation {
  readonly code: ViolationCode;
  /** Id of the step. */
  readonly step: string;
  /** Names in the sentence: the step's title first. */
  readonly params: readonly string[];
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
  uncounted: ([step]) =>
    `Step “${step}” leaves a piece of glass that no later step counts. Count the shards after it.`,
};

/** A violation as a sentence: what is wrong, and what to do. */
export const violationText = ({ code, params }: Violation): string => SENTENCES[code](params);
