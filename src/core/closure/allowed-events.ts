import { InputError } from "../problem/problem";
import { colourTyped, fibreShown, PIGTAIL, splicedCable } from "../splice/fibres";
import { say } from "../words/core";
import type { ClosureEvent, ClosureRecorded } from "./closure-event";
import { type ClosureWork, closureWork, openInside } from "./closure-work";
import { CLOSURE_STAGES, type ClosureAtWork, type WorkItem } from "./work-items";

/**
 * Whether an event may happen to a closure as it stands.
 * @throws InputError `gate` for what is closed while anything is open, or changed inside once closing has begun; `not-found`
 *   for a thing or splice that is not there; `does-not-fit` for a colour that is not the fibre's.
 * @example attempt(() => mustBeAllowed(closureAt, [], { kind: "reopen", reason: "a look" })).problem?.code // "gate"
 */
export function mustBeAllowed(
  at: ClosureAtWork,
  events: readonly ClosureRecorded[],
  event: ClosureEvent,
): void {
  const work = closureWork(at, events);
  if (event.kind === "reopen") {
    if (!work.closing) throw new InputError("gate", say("this-closure-is-open"));
    return;
  }
  if ("item" in event) mustHoldItem(work, event);
  else mustHoldSplice(at, work, event);
}

function mustHoldItem(work: ClosureWork, event: Extract<ClosureEvent, { item: string }>): void {
  const item = work.items.find(({ id }) => id === event.item);
  if (!item || item.asks === "nothing")
    throw new InputError(
      "not-found",
      say("nothing-of-this-closure-is-called", { item: event.item.slice(0, 60) }),
      ["event", "item"],
    );
  const fits = event.kind === "undone" || event.kind === item.asks;
  if (!fits)
    throw new InputError(
      "bad-input",
      say("this-asks-for-something-else", { item: item.text.text, asks: item.asks }),
      ["event", "kind"],
    );
  if (item.stage !== "closing") {
    mustBeInside(work);
    if (event.kind !== "undone") mustComeAfter(work, item);
    return;
  }
  if (event.kind === "undone") {
    if (work.closed) throw new InputError("gate", say("closing-has-begun-open-it-again-first"));
    return;
  }
  const [stage] = CLOSURE_STAGES.filter((stage) => stage !== "closing" && work.open[stage] > 0);
  if (stage)
    throw new InputError("gate", say("nothing-is-closed-while-things-are-open", { count: openInside(work) }));
  const before = work.items.find(({ stage, done }) => stage === "closing" && !done);
  if (before && before.id !== item.id && !item.done)
    throw new InputError("gate", say("this-comes-first", { before: before.text.text }));
}

/**
 * What must be done before a thing: nothing is clamped before all that comes first (pressure out) and its sheet; nothing is
 * stored of a cable that is loose; no fibre is cut before it is known to carry no light and what stays whole is stored; no
 * tray is covered before the last splice is in. Common practice, no source.
 */
function mustComeAfter(work: ClosureWork, { id, stage }: WorkItem): void {
  const [, kind = "", cable = ""] = /^(place|stored|cut) (.+)$/.exec(id) ?? [];
  const isFirst = (item: WorkItem): boolean => {
    if (kind === "place") return item.stage === "before" || item.id === `cable ${cable}`;
    if (kind === "stored") return item.id === `place ${cable}`;
    if (kind === "cut") return item.id === "dark" || item.id === `stored ${cable}`;
    return id === "led" && item.stage !== "before" && /^(place|cut) /.test(item.id);
  };
  mustBeDone(work, isFirst);
  if (stage === "before-closing" && work.open.splices > 0)
    throw new InputError("gate", say("all-splices-come-first", { count: work.open.splices }));
}

/** @throws InputError `gate` naming the first thing that is not done and has to be. */
function mustBeDone(work: ClosureWork, isFirst: (item: WorkItem) => boolean): void {
  const before = work.items.find((item) => !item.done && isFirst(item));
  if (before) throw new InputError("gate", say("this-comes-first", { before: before.text.text }));
}

function mustBeInside({ closing }: ClosureWork): void {
  if (closing) throw new InputError("gate", say("closing-has-begun-open-it-again-first"));
}

function mustHoldSplice(
  at: ClosureAtWork,
  work: ClosureWork,
  event: Extract<ClosureEvent, { splice: string }>,
): void {
  const state = work.splices.find(({ splice }) => splice.id === event.splice);
  if (!state) throw new InputError("not-found", say("this-splice-is-not-in-the-plan"), ["event", "splice"]);
  mustBeInside(work);
  if (event.kind === "accept" && state.standing !== "out")
    throw new InputError("bad-input", say("only-a-splice-above-its-limit-is-accepted"), ["event", "kind"]);
  if (event.kind !== "splice") return;
  for (const side of ["a", "b"] as const) {
    const { cable, fibre } = state.splice[side];
    const of = cable === PIGTAIL ? null : splicedCable(at.cables, cable);
    if (!of) continue;
    const worked = at.cables.find(({ id }) => id === cable);
    if (!worked?.prepared)
      throw new InputError("gate", say("this-cable-is-prepared-first", { name: of.name }));
    mustBeDone(work, ({ id }) => id === `place ${cable}` || id === `cut ${cable}`);
    const shown = fibreShown(of.cable, fibre);
    const colour = event.colours[side];
    if (colour !== colourTyped(shown))
      throw new InputError(
        "does-not-fit",
        say("this-fibre-has-another-colour", {
          cable: of.name,
          place: shown.place,
          colour: shown.colour,
          code: colourTyped(shown),
          seen: colour ?? "—",
        }),
        ["event", "colours", side],
      );
  }
}
