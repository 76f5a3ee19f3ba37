import {
  type Cable,
  compileRunSheet,
  InputError,
  type Misfit,
  misfits,
  mustHoldAt,
  optionsFor,
  type Place,
  type PlaceAsked,
  type Procedure,
  type RunSheet,
  type Style,
  schoolsFor,
  type Tool,
  withDefaults,
} from "@/core";
import { t } from "@/messages/sheet";

/** What the address bar holds: enough to draw a sheet again, anywhere. */
export interface Selection {
  /** Where the end is to be made, where it is one of a piece. */
  readonly place: PlaceAsked | null;
  readonly cable: string | null;
  readonly style: string | null;
  readonly core: string | null;
  readonly choices: Readonly<Record<string, string>>;
}

/** What is in hand at the place asked for. */
export interface Hand {
  readonly question: PlaceAsked;
  readonly place: Place;
  readonly job: { readonly id: string; readonly name: string };
  /** The piece's name and the place, as they are said. */
  readonly name: string;
  readonly cable: Cable;
  readonly core: string;
}

export const samePlace = (place: PlaceAsked | null, other: PlaceAsked | null): boolean =>
  place?.piece === other?.piece && place?.side === other?.side && place?.at === other?.at;

export const NOTHING: Selection = { place: null, cable: null, style: null, core: null, choices: {} };

const CHOICE = "as.";

/** Reads a selection from an address; names are looked up later, so that an unknown one can be shown. */
export function readSelection(params: Iterable<readonly [string, string]>): Selection {
  const pairs = new Map(params);
  const choices = [...pairs].flatMap(([key, value]) =>
    key.startsWith(CHOICE) ? [[key.slice(CHOICE.length), value.slice(0, 80)] as const] : [],
  );
  const write = (key: string) => pairs.get(key)?.slice(0, 80) || null;
  const [piece, side] = [write("piece"), write("side")];
  return {
    place: piece && side ? { piece, side, at: write("at") ?? "" } : null,
    cable: write("cable"),
    style: write("style"),
    core: write("core"),
    choices: Object.fromEntries(choices),
  };
}

/** A selection as the query of an address, empty for nothing. */
export function writeSelection({ place, cable, style, core, choices }: Selection): string {
  const params = new URLSearchParams();
  if (place) {
    params.set("piece", place.piece);
    params.set("side", place.side);
    if (place.at) params.set("at", place.at);
  }
  if (cable) params.set("cable", cable);
  if (style) params.set("style", style);
  if (core) params.set("core", core);
  for (const [id, option] of Object.entries(choices)) params.set(`${CHOICE}${id}`, option);
  return params.toString();
}

export interface Shelf {
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
 * What a selection comes to: a sheet, what is still to be picked, or why there is none. What was not picked is as
 * the person's schools have it, else the default.
 */
export function resolve(
  shelf: Shelf,
  selection: Selection,
  schools: Readonly<Record<string, string>> = {},
): ResolvedSelection {
  const cable = shelf.cables.find(({ id }) => id === selection.cable) ?? null;
  const style = shelf.styles.find(({ id }) => id === selection.style) ?? null;
  if (selection.cable && !cable)
    return {
      kind: "unknown",
      message: t("there-is-no-cable-called-on", { cable: selection.cable }),
    };
  if (selection.style && !style)
    return {
      kind: "unknown",
      message: t("there-is-no-connector-style-called", { style: selection.style }),
    };
  if (!cable || !style) return { kind: "open", cable, procedure: style };
  const core =
    selection.core ??
    cable.cores.find((core) => misfits(style, cable, core).length === 0) ??
    mustHoldAt(cable.cores, 0);
  const reasons = misfits(style, cable, core);
  if (reasons.length > 0) return { kind: "misfit", cable, procedure: style, core, reasons };
  const procedure = shelf.procedures.find(({ id }) => id === style.id);
  if (!procedure) return { kind: "fetching", style: style.id };
  try {
    const picked = { ...schoolsFor(procedure, schools), ...selection.choices };
    const choices = withDefaults(procedure, picked);
    const sheet = compileRunSheet({ procedure, cable, core, choices: picked, tools: shelf.tools });
    const ask = questionFor(procedure, cable, core, picked);
    return { kind: "sheet", cable, procedure, core, choices, sheet, ask };
  } catch (error) {
    if (error instanceof InputError) return { kind: "refused", message: error.problem.message };
    throw error;
  }
}
