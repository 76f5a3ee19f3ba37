import {
  type Across,
  addressesFor,
  asError,
  type Cable,
  cutElements,
  InputError,
  midSpanOf,
  misfits,
  ontoCable,
  opened,
  opensOf,
  optionsFor,
  type PieceNeeds,
  type PieceParts,
  type PiecePlan,
  type Procedure,
  pieceNeeds,
  placeSides,
  plannedEnds,
  problemOf,
  proceduresFor,
  type Shelved,
  type SideName,
  type SideSheet,
  sideMismatches,
  workedTo,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { yieldOf } from "@/store/record/ends";
import { wholeLibrary } from "@/store/shelf/shelf";
import { knownOf, sheetOnce } from "../known";

/**
 * What a plan is worked out from. @throws InputError for a cable or procedure that is not on the shelf, or a pair that
 * does not go together.
 */
export function partsOf(store: Store, plan: PiecePlan): PieceParts {
  const library = wholeLibrary(store);
  const shelf = shelved(store);
  const cable = shelf.cable(plan.cable);
  if (!cable)
    throw new InputError("unknown-cable", say("no-cable-called-2", { cable: plan.cable }), ["cable"]);
  const fitting = (id: string, on: Cable, at: readonly (string | number)[]) => {
    const procedure = shelf.procedure(id);
    if (!procedure) throw new InputError("unknown-procedure", say("no-procedure-called", { id }), at);
    const [why] = misfits(procedure, on, plan.core);
    if (why)
      throw new InputError(
        "does-not-fit",
        say("does-not-go-on", { procedure: procedure.name, on: on.name, message: why.message }),
        at,
      );
    return procedure;
  };
  const reachOf = () => {
    const inRun = midSpanOf(cable);
    return Object.fromEntries(
      plan.stations.map(({ procedure: id, choices, parted, onto }, i) => {
        const procedure = fitting(id, inRun, ["stations", i, "procedure"]);
        const beyond = parted.find(({ fibre }) => fibre > cable.fibreCount);
        if (beyond)
          throw new InputError(
            "no-such-element",
            say("has-fibres-1-to-not", {
              cable: cable.name,
              fibreCount: cable.fibreCount,
              fibre: beyond.fibre,
            }),
            ["stations", i, "parted"],
          );
        if (onto) {
          const out = partedOut(cable, plan.core, shelf.procedure(onto.procedure));
          fitting(onto.procedure, out, ["stations", i, "onto"]);
        }
        return [id, workedTo(sheetOnce(library, { procedure, cable: inRun, core: plan.core, choices }))];
      }),
    );
  };
  const sheetAt = (side: SideName) => {
    const { procedure: id, choices } = plan.sides[side];
    if (id === null) return null;
    const procedure = fitting(id, cable, ["sides", side, "procedure"]);
    return sheetOnce(library, { procedure, cable, core: plan.core, choices });
  };
  const openedAt = (side: SideName) => {
    const { procedure: id, onto, ends } = plan.sides[side];
    const procedure = id === null ? undefined : shelf.procedure(id);
    if (!onto || !procedure) return null;
    const open = ontoCable(plan, side, cable, shelf);
    const put = fitting(onto.procedure, open, ["sides", side, "onto"]);
    const sheet = sheetOnce(library, { procedure: put, cable: open, core: plan.core, choices: onto.choices });
    return { sheet, ends: countOf(opensOf(cable, procedure), ends) };
  };
  return {
    cable,
    sheets: { A: sheetAt("A"), B: sheetAt("B") },
    opened: { A: openedAt("A"), B: openedAt("B") },
    reach: reachOf(),
  };
}

/** A fibre or ribbon, as a procedure takes it, as it is in hand where an opening has bared it and nothing has tubed it. */
function partedOut(cable: Cable, core: PiecePlan["core"], procedure: Procedure | undefined): Cable {
  const [first] = cutElements(cable, procedure);
  return first === undefined ? cable : opened(cable, first, core);
}

const countOf = (opens: readonly number[], ends: number): number =>
  opens.slice(0, ends).reduce((sum, n) => sum + n, 0);

/** @returns how many ends are planned. @throws InputError for whatever makes the plan one that cannot be. */
export function mustWork(store: Store, plan: PiecePlan, at: readonly (string | number)[]): number {
  try {
    const shelf = shelved(store);
    const cable = shelf.cable(plan.cable);
    if (cable?.construction === "mid-span")
      throw new InputError("does-not-fit", say("is-a-cable-as-it-is-where", { cable: cable.name }), [
        "cable",
      ]);
    const parts = partsOf(store, plan);
    pieceNeeds(plan, parts);
    return placeSides(plan).reduce((sum, at) => sum + plannedEnds(plan, at, parts.cable, shelf).length, 0);
  } catch (error) {
    const problem = problemOf(error);
    throw problem ? asError(problem, at) : error;
  }
}

/** What of the shelf a plan's places are found by. */
export function shelved(store: Store): Shelved {
  const { cables, procedures } = wholeLibrary(store);
  return {
    cable: (id) => cables.find((cable) => cable.id === id),
    procedure: (id) => procedures.find((procedure) => procedure.id === id),
  };
}

const knownNeeds = knownOf<PieceNeeds>();

/** What a piece needs as it is planned, or why that can no longer be worked out. */
export function needsOf(store: Store, plan: PiecePlan): { needs: PieceNeeds } | { problem: string } {
  try {
    const needs = () => pieceNeeds(plan, partsOf(store, plan));
    return { needs: knownNeeds(wholeLibrary(store), JSON.stringify({ ...plan, name: "" }), needs) };
  } catch (error) {
    const problem = problemOf(error);
    if (!problem) throw error;
    return { problem: problem.message };
  }
}

/** What does not go together over the two sides of a piece as it is planned. */
export const mismatchesOf = (store: Store, plan: PiecePlan): Across[] =>
  sideMismatches(plan, shelved(store).procedure);

/** A choice to be made at a side, with what can be had there. */
const choicesOf = ({ choices }: Procedure, cable: Cable, core: string) =>
  choices
    .filter(({ school }) => !school)
    .map((choice) => ({
      id: choice.id,
      name: choice.name,
      default: choice.default,
      across: choice.across,
      options: optionsFor(choice, cable, core).map(({ id, name }) => ({ id, name })),
    }))
    .filter(({ options }) => options.length > 1);

/**
 * Every procedure that goes on a piece's cable, with what of its sheet the plan is worked out from, what can be picked of
 * it, and what goes on the elements it opens onto; each that opens it in mid-run, with how far it works; and each side's own
 * sheet, as it is picked.
 */
export function stylesFor(store: Store, plan: PiecePlan, cable: Cable) {
  const library = wholeLibrary(store);
  const { procedures } = library;
  const { core, sides } = plan;
  const shelf = shelved(store);
  const sheetOf = (
    procedure: Procedure,
    choices: Readonly<Record<string, string>>,
    on = cable,
  ): SideSheet | null => {
    try {
      const { uses, procedure: of } = sheetOnce(library, { procedure, cable: on, core, choices });
      return { uses, procedure: of };
    } catch (error) {
      // One that does not compile on this cable is not offered.
      if (problemOf(error)) return null;
      throw error;
    }
  };
  const ontoOf = (procedure: Procedure) => {
    if (!procedure.opensOnto) return [];
    const A = { ...sides.A, procedure: procedure.id };
    const open = ontoCable({ ...plan, sides: { ...sides, A } }, "A", cable, shelf);
    return proceduresFor(procedures, open, core).flatMap((procedure) => {
      const sheet = sheetOf(procedure, {}, open);
      return sheet
        ? [{ id: procedure.id, name: procedure.name, sheet, choices: choicesOf(procedure, open, core) }]
        : [];
    });
  };
  const styles = proceduresFor(procedures, cable, core).flatMap((procedure) => {
    const sheet = sheetOf(procedure, {});
    return sheet
      ? [
          {
            id: procedure.id,
            name: procedure.name,
            sheet,
            most: addressesFor(cable, procedure).length,
            choices: choicesOf(procedure, cable, core),
            onto: ontoOf(procedure),
            opens: opensOf(cable, procedure),
          },
        ]
      : [];
  });
  const inRun = midSpanOf(cable);
  const midRun = proceduresFor(procedures, inRun, core).flatMap((procedure) => {
    try {
      const sheet = sheetOnce(library, { procedure, cable: inRun, core, choices: {} });
      return [{ id: procedure.id, name: procedure.name, reach: workedTo(sheet) }];
    } catch (error) {
      if (problemOf(error)) return [];
      throw error;
    }
  });
  const own = (side: SideName) => {
    const procedure = procedures.find(({ id }) => id === sides[side].procedure);
    const sheet = procedure && sheetOf(procedure, sides[side].choices);
    const { onto } = sides[side];
    const put = procedures.find(({ id }) => id === onto?.procedure);
    const opened = onto && put ? sheetOf(put, onto.choices, ontoCable(plan, side, cable, shelf)) : null;
    return sheet
      ? { procedure: procedure.id, sheet, onto: put && opened && { procedure: put.id, sheet: opened } }
      : null;
  };
  const onParted =
    midRun.length > 0
      ? procedures.flatMap((procedure) => {
          const out = partedOut(cable, core, procedure);
          const [fits] = proceduresFor([procedure], out, core);
          return fits ? [{ id: fits.id, name: fits.name, choices: choicesOf(fits, out, core) }] : [];
        })
      : [];
  return { styles, midRun, onParted, own: { A: own("A"), B: own("B") } };
}

/** How many ends of a style came out well, of how many that were tried, all hands of this crew together. */
export const crewYield = (store: Store, style: string): { good: number; tried: number } =>
  yieldOf(store, style);
