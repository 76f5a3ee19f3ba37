import type { RemedyAct, RetryAct, StepAct, Subject } from "@/core";

/** What hands can do about a length that is out, as a list names it. */
export const REMEDY_NAMES: Readonly<Record<RemedyAct, string>> = {
  push: "push it forward",
  draw: "draw it back",
  "push-in": "push it further in",
  part: "part the legs further",
  open: "open more sheath",
  slit: "slit it further",
  clean: "clean further back",
  tighten: "tighten",
  "let-off": "let off",
  "take-off": "take it off",
  strip: "strip further",
  trim: "trim it",
  "cut-back": "cut it back",
  redraw: "draw the mark again",
  remake: "cut a new piece",
  reseat: "seat the fibre again",
  "cleave-again": "cleave again",
  restart: "start again from the cable",
  leave: "leave it",
};

/** What another try does to the end. */
export const RETRY_NAMES: Readonly<Record<RetryAct, string>> = {
  strip: "strip further back",
  wipe: "wipe again",
  reseat: "seat the fibre again",
  "cleave-again": "cleave fresh glass",
  repeat: "do the step again",
  swap: "change the fibres over",
  restart: "start again from the cable",
};

/** What a look is about. */
export const SUBJECT_NAMES: Readonly<Record<Subject, string>> = {
  grip: "whether it is held",
  mate: "whether it will mate",
  coating: "coating left on the glass",
  glass: "whether the glass is sound",
  tool: "whether the tool is ready",
  stub: "the stub's own face",
  "joint-open": "whether the joint stands open",
  "light-on": "whether the light is on",
  face: "the cleaved face",
  edge: "whether the edge stands in its hole",
  untouched: "whether the face touched anything",
  "seat-light": "the seat, by its light",
  "seat-mark": "the seat, by its mark",
  "seat-bow": "the seat, by the bow",
  "seat-gap": "the seat, by the gap",
  "closed-light": "the light, once closed",
  "closed-lamp": "the lamp, once closed",
  "closed-bow": "the bow, once closed",
  crimp: "the crimp",
  ends: "where the ends lie",
  weld: "the splice",
  pulled: "whether the splice held the pull",
  sleeve: "the shrunk sleeve",
  "end-face": "the end face",
  loss: "the loss",
  order: "which fibre is where",
  whole: "whether every fibre is whole",
  loop: "whether the loop lies inside",
  tip: "glass standing out of the tip",
  "at-stop": "whether the jacket edge stands at the end stop",
  bared: "what was bared under the sheath",
  named: "which fibre is to be cut",
};

/** What a step does beyond its kind. */
export const STEP_ACT_NAMES: Readonly<Record<StepAct, string>> = {
  open: "opens the joint",
  close: "closes the joint",
  hold: "closes a holder on the cable",
  release: "opens the holder",
  "lay-back": "lays yarn or shield back",
  "lay-forward": "brings yarn or shield forward",
  "store-loop": "stores a loop of fibre",
  fix: "fixes the cable in a closure",
  bond: "bonds the armour",
  "open-tube": "opens a tube along its side",
  store: "stores what stays whole",
  "cut-fibre": "cuts the fibres named",
};

/** A list to pick from, in the order of the ids. */
export const optionsOf = <Id extends string>(
  ids: readonly Id[],
  names: Readonly<Record<Id, string>>,
): { readonly id: Id; readonly name: string }[] => ids.map((id) => ({ id, name: names[id] }));
