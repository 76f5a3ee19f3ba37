import { randomUUID } from "node:crypto";
import type { z } from "zod";
import {
  type Ahead,
  type ClosureAnswer,
  type ClosureCable,
  cableText,
  InputError,
  midSpanId,
  misfits,
  mustHoldAt,
  WITH_CLOSURE,
  type zBeginClosure,
  type zCableQuery,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { wholeLibrary } from "@/store/shelf/shelf";
import type { Act } from "../act";
import { compiled } from "../end/ends";
import { aheadOf, type Beginning, beginAll } from "./begin-at";
import { getClosure, joinTrouble, styleIn } from "./closures";
import { beginningAt, jobName, mustFindPiece } from "./places";

type FoundClosure = Pick<ClosureAnswer, "id" | "revision" | "job" | "plan">;

/** What begins for a cable of a closure. @throws InputError: as to begin it. */
export function aheadInClosure(
  store: Store,
  closure: string,
  { cable }: z.output<typeof zCableQuery>,
): Ahead {
  return aheadOf(beginningOf(store, getClosure(store, closure), cable));
}

/**
 * Begins a cable of a closure, or several like ones as a batch: each at the place of the piece it is of, one that is planned
 * nowhere by itself under the closure's name. Asking again with the same id answers the same.
 * @throws InputError: `does-not-fit` where a cable is not what its piece's plan says, or several are not alike; `moved-on`
 * where somebody has one at the bench.
 */
export function beginClosure(
  act: Act,
  closure: string,
  input: z.output<typeof zBeginClosure>,
): { id: string; batch: boolean } {
  const { store } = act;
  const { id = randomUUID(), cables, rule, purpose } = input;
  const match = getClosure(store, closure);
  const { plan, job } = match;
  const beginnings = cables.map((wanted) => beginningOf(store, match, wanted));
  return beginAll(act, { id, name: plan.name, job: jobName(store, job), rule, purpose }, beginnings);
}

function beginningOf(store: Store, closure: FoundClosure, wanted: string): Beginning {
  const cable = closure.plan.cables.find((cable) => cable.id === wanted);
  if (!cable) throw new InputError("not-found", say("this-closure-has-no-such-cable-any"), ["cables"]);
  return beginningIn(store, closure, cable);
}

function beginningIn(
  store: Store,
  { id, revision, job, plan }: FoundClosure,
  cable: ClosureCable,
): Beginning {
  const trouble = joinTrouble(store, job, plan.entry, cable);
  if (trouble !== null) throw new InputError("does-not-fit", trouble, ["cables"]);
  if (cable.joins)
    return beginningAt(
      store,
      mustFindPiece(store, cable.joins.piece),
      { side: cable.joins.side, address: [] },
      { procedure: styleIn(plan.entry, cable), choices: WITH_CLOSURE },
    );
  const { cables, procedures } = wholeLibrary(store);
  const style = styleIn(plan.entry, cable);
  const of = cables.find(
    (eachCable) => eachCable.id === (cable.through ? midSpanId(cable.cable) : cable.cable),
  );
  const procedure = procedures.find((procedure) => procedure.id === style);
  if (!of)
    throw new InputError("unknown-cable", say("no-cable-called-2", { cable: cable.cable }), ["cables"]);
  const core =
    of.cores.find((core) => procedure && misfits(procedure, of, core).length === 0) ??
    mustHoldAt(of.cores, 0);
  return {
    compiled: compiled(store, { cable: of, procedure: style, core, choices: WITH_CLOSURE }),
    where: { piece: id, plan: revision, side: cable.id, address: [] },
    label: `${plan.name}, ${cableText(plan, cable.id)}`.slice(-120).toWellFormed(),
  };
}
