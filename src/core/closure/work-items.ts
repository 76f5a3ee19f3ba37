import type { Entry } from "../entry/entry";
import type { SplicedCable } from "../splice/fibres";
import type { SplicePlan } from "../splice/splice-plan";
import { say } from "../words/core";
import type { Saying } from "../words/wording";

/** The stages of a closure's work, in order. */
export const CLOSURE_STAGES = [
  "before",
  "cables",
  "in-place",
  "fibres",
  "splices",
  "before-closing",
  "closing",
] as const;
export type ClosureStage = (typeof CLOSURE_STAGES)[number];

/** A cable of a closure at work: whether its own sheet is signed off. */
export interface WorkedCable extends SplicedCable {
  readonly prepared: boolean;
}

/** All that a closure's work follows from, beside its events. */
export interface ClosureAtWork {
  readonly entry: Entry;
  readonly cables: readonly WorkedCable[];
  readonly plan: SplicePlan;
  /** True where a port that takes a plug has no cable in it. */
  readonly plugs: boolean;
}

/** One thing of a stage that is to be done, looked at or read. */
export interface WorkItem {
  readonly id: string;
  readonly stage: ClosureStage;
  readonly text: Saying;
  /** What the user enters: a tick (`done`), a radius or a torque; `nothing` where it follows from the cable's own sheet. */
  readonly asks: "done" | "radius" | "torque" | "nothing";
  readonly done: boolean;
  /** The value read and its limit: a radius in micrometres, a torque in N·m. Null where there is none. */
  readonly reading: number | null;
  readonly limit: number | null;
  /** Shown with it until it is done. */
  readonly caution: Saying | null;
}

type DueItem = Omit<WorkItem, "reading">;

/** All there is to do at a closure beside its splices, stage by stage. */
export function dueItems({ entry, cables, plan, plugs }: ClosureAtWork): DueItem[] {
  const item = (
    stage: ClosureStage,
    id: string,
    text: Saying,
    more: Partial<Pick<DueItem, "asks" | "limit" | "caution" | "done">> = {},
  ): DueItem => ({ stage, id, text, asks: "done", done: false, limit: null, caution: null, ...more });
  const cuts = cables.filter(({ through }) => through);
  const tightened = (at: "seal" | "cover") =>
    entry.fasteners.flatMap(({ title, newtonMetres, stage }, i) =>
      stage === at
        ? item("closing", `fasten ${i}`, say("fastener-at-torque", { title, newtonMetres }), {
            asks: "torque",
            limit: newtonMetres,
          })
        : [],
    );
  return [
    item("before", "permission", say("permission-is-given-and-circuits-noted")),
    ...(cuts.length > 0
      ? [
          item("before", "dark", say("fibres-to-be-cut-carry-no-light"), {
            caution: say("never-look-into-a-fibre-that-may-be-live"),
          }),
        ]
      : []),
    ...(entry.relief
      ? [
          item("before", "relief", say("pressure-is-let-out-and-the-cap-kept"), {
            caution: say("let-pressure-out-before-a-clamp-is-opened"),
          }),
        ]
      : []),
    ...cables.map((cable) =>
      item(
        "cables",
        `cable ${cable.id}`,
        say("cable-is-prepared", { number: cable.number, name: cable.name }),
        {
          asks: "nothing",
          done: cable.prepared,
        },
      ),
    ),
    ...cables.map((cable) =>
      item(
        "in-place",
        `place ${cable.id}`,
        say("cable-is-clamped-and-bonded", { number: cable.number, name: cable.name }),
      ),
    ),
    ...cuts.flatMap((cable) => [
      item(
        "fibres",
        `stored ${cable.id}`,
        say("whole-fibres-are-stored-radius", { number: cable.number, name: cable.name }),
        {
          asks: "radius",
          limit: entry.radius,
        },
      ),
      item(
        "fibres",
        `cut ${cable.id}`,
        say("colours-are-named-then-cut", { number: cable.number, name: cable.name }),
        {
          caution: say("a-cut-fibre-is-a-splinter"),
        },
      ),
    ]),
    item("fibres", "led", say("fibres-are-led-to-their-trays")),
    ...(plan.splices.length > 0 ? [item("before-closing", "covered", say("trays-are-covered"))] : []),
    item("before-closing", "bends", say("no-fibre-is-crossed-or-pinched")),
    ...(plugs ? [item("before-closing", "plugs", say("a-plug-is-in-every-empty-port"))] : []),
    item("before-closing", "photo", say("the-inside-is-photographed")),
    ...tightened("seal"),
    item("closing", "cover", say("the-cover-is-on-and-closed")),
    ...tightened("cover"),
    ...(entry.relief
      ? [
          item("closing", "pressure", say("pressure-is-held-as-the-sheet-says")),
          item("closing", "cap", say("the-valve-cap-is-back-on")),
        ]
      : []),
  ];
}
