import { z } from "zod";
import { zId, zName } from "../names/names";
import { zCondition } from "./condition";

export const REMEDY_ACTS = [
  "push",
  "draw",
  "push-in",
  "part",
  "open",
  "slit",
  "clean",
  "tighten",
  "let-off",
  "take-off",
  "strip",
  "trim",
  "cut-back",
  "redraw",
  "remake",
  "reseat",
  "cleave-again",
  "restart",
  "leave",
] as const;
export type RemedyAct = (typeof REMEDY_ACTS)[number];

/**
 * What hands can do about a length that is out. Each says where the feature it names goes: `forward` towards the cable's
 * end, `back` away from it, `again` to where its own figure puts it, `stays` where nothing is done to it.
 */
export const REMEDY_MOVES: Readonly<Record<RemedyAct, "forward" | "back" | "anew" | "stays">> = {
  push: "forward",
  draw: "back",
  "push-in": "back",
  part: "back",
  open: "back",
  slit: "back",
  clean: "back",
  tighten: "forward",
  "let-off": "back",
  "take-off": "stays",
  strip: "back",
  trim: "back",
  "cut-back": "back",
  redraw: "anew",
  remake: "anew",
  reseat: "anew",
  "cleave-again": "anew",
  restart: "anew",
  leave: "stays",
};

const zAct = z.strictObject({
  act: z.enum(REMEDY_ACTS),
  /** The feature it moves. */
  feature: zId.optional(),
  /** What is taken in hand, in the field's words: the cable, a new piece of tube. */
  what: zName.optional(),
  /** Why, in a sentence of its own. */
  why: z.string().max(200).optional(),
  when: zCondition.optional(),
});

/** What an older document says in words: nothing tells where that moves anything. */
const zWords = z.strictObject({ words: z.string().min(1).max(300) });

const zRemedy = z.union([zAct, zWords]);
export type Remedy = z.output<typeof zRemedy>;

/** What to do, in order; an older document says it in a sentence, which is kept as it stands. */
export const zRemedies = z.union([
  z.array(zRemedy).max(6),
  z.codec(z.string().max(300), z.array(zRemedy), {
    decode: (words): Remedy[] => (words === "" ? [] : [{ words }]),
    encode: (remedies) => remedies.flatMap((remedy) => ("words" in remedy ? [remedy.words] : [])).join(" "),
  }),
]);

/** Acts that undo what would be in the way of another try. */
const WAY_ACTS = ["open", "press-in", "draw-back", "draw-out", "feed"] as const;

/** What must be done first, before the steps of another try: the cam opened, the wedge pressed home. */
export const zWayAct = z.strictObject({
  act: z.enum(WAY_ACTS),
  /** What is opened, pressed in or drawn: the cam, the wedge, both fibres. */
  what: zName.optional(),
});
export type WayAct = z.output<typeof zWayAct>;

/** What another try does to the end: which of it is kept and which is made again. */
export const RETRY_ACTS = ["strip", "wipe", "reseat", "cleave-again", "repeat", "swap", "restart"] as const;
export type RetryAct = (typeof RETRY_ACTS)[number];
