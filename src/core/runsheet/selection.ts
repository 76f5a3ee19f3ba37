import type { Cable } from "../cable/cable";
import { mustHoldAt } from "../problem/held";
import { InputError } from "../problem/problem";
import { type Misfit, misfits, type Style } from "../procedure/fit";
import { optionsFor, type Procedure, withDefaults } from "../procedure/procedure";
import { schoolsFor } from "../procedure/schools";
import type { Tool } from "../procedure/tool";
import { t } from "../words/core";
import { compileRunSheet } from "./compile";
import type { RunSheet } from "./document";

/** What somebody picked, by id: a name that is not on the shelf is said when it is resolved. */
interface Picks {
  readonly cable: string | null;
  readonly style: string | null;
  readonly core: string | null;
  readonly choices: Readonly<Record<string, string>>;
}

/** What can be picked from. */
export interface SheetShelf {
  readonly cables: readonly Cable[];
  /** Everything to be had, as lists show it. */
  readonly styles: readonly Style[];
  /** Procedures read so far: the others are fetched as they are picked. */
  readonly procedures: readonly Procedure[];
  readonly tools: readonly Tool[];
}

export type ResolvedSelection =
  | { readonly kind: "unknown"; readonly message: string }
  | { readonly kind: "open"; readonly cable: Cable | null; readonly procedure: Style | null }
  /** The procedure picked is still to be read. */
  | { readonly kind: "fetching"; readonly style: string }
  | {
      readonly kind: "misfit";
      readonly cable: Cable;
      readonly procedure: Style;
      readonly core: string;
      readonly reasons: readonly Misfit[];
    }
  | { readonly kind: "refused"; readonly message: string }
  | {
      readonly kind: "sheet";
      readonly cable: Cable;
      readonly procedure: Procedure;
      readonly core: string;
      readonly choices: Record<string, string>;
      readonly sheet: RunSheet;
      /** The interface, where there are several and nobody has said which: drawn with the first, asked before work. */
      readonly ask: InterfaceAsked | null;
    };

/** A choice to be made before an end is begun, with what can be had. */
export interface InterfaceAsked {
  readonly choice: string;
  readonly options: readonly { readonly id: string; readonly name: string }[];
}

/** The choice that says which interface a connector mates with. */
const INTERFACE = "interface";

function questionFor(
  procedure: Procedure,
  cable: Cable,
  core: string,
  picked: Readonly<Record<string, string>>,
) {
  const choice = procedure.choices.find(({ id }) => id === INTERFACE);
  if (!choice || picked[INTERFACE] !== undefined) return null;
  const options = optionsFor(choice, cable, core);
  return options.length > 1 ? { choice: choice.id, options } : null;
}

/**
 * What somebody's picks come to: a sheet, what is still to be picked, or why there is none. What was not picked is as
 * the person's schools have it, else the default.
 * @example resolveSheet({ cables, styles: procedures, procedures, tools }, { cable: cord.id, style: null, core: null, choices: {} }).kind
 * // "open"
 */
export function resolveSheet(
  shelf: SheetShelf,
  picks: Picks,
  schools: Readonly<Record<string, string>> = {},
): ResolvedSelection {
  const cable = shelf.cables.find(({ id }) => id === picks.cable) ?? null;
  const style = shelf.styles.find(({ id }) => id === picks.style) ?? null;
  if (picks.cable && !cable)
    return {
      kind: "unknown",
      message: t("there-is-no-cable-called-on", { cable: picks.cable }),
    };
  if (picks.style && !style)
    return {
      kind: "unknown",
      message: t("there-is-no-connector-style-called", { style: picks.style }),
    };
  if (!cable || !style) return { kind: "open", cable, procedure: style };
  const core =
    picks.core ??
    cable.cores.find((core) => misfits(style, cable, core).length === 0) ??
    mustHoldAt(cable.cores, 0);
  const reasons = misfits(style, cable, core);
  if (reasons.length > 0) return { kind: "misfit", cable, procedure: style, core, reasons };
  const procedure = shelf.procedures.find(({ id }) => id === style.id);
  if (!procedure) return { kind: "fetching", style: style.id };
  try {
    const picked = { ...schoolsFor(procedure, schools), ...picks.choices };
    const choices = withDefaults(procedure, picked);
    const sheet = compileRunSheet({ procedure, cable, core, choices: picked, tools: shelf.tools });
    const ask = questionFor(procedure, cable, core, picked);
    return { kind: "sheet", cable, procedure, core, choices, sheet, ask };
  } catch (error) {
    if (error instanceof InputError) return { kind: "refused", message: error.problem.message };
    throw error;
  }
}
