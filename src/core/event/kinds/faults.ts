/** What becomes of an end: used, cut off, or begun by mistake and put out of the way. */
export const OUTCOMES = ["kept", "cut-off", "discarded"] as const;
export type EndOutcome = (typeof OUTCOMES)[number];

/** What can be wrong with a feature whatever it measures. */
export const FAULTS = ["bad-cleave", "touched", "aged", "nick", "broken", "dirty", "lost"] as const;

/** What each is called in a record. */
export const FAULT_NAMES: Record<(typeof FAULTS)[number], string> = {
  "bad-cleave": "bad cleave",
  touched: "touched end face",
  aged: "cleaved end stood too long",
  nick: "nicked glass",
  broken: "broken fibre",
  dirty: "dirty glass",
  lost: "mark lost",
};

export type Fault = (typeof FAULTS)[number];
