import { t } from "../words/violations";

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

/**
 * A violation as a sentence: what is wrong, and what to do.
 * @example violationText({ code: "not-wiped", step: "cleave", params: ["Cleave"] }).includes("Cleave") // true
 */
export function violationText({ code, params }: Violation): string {
  const [first = "", second = "", third = ""] = params;
  return t(code, { first, second, third });
}
