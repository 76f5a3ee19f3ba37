import type { Cable, Place, PlaceAsked } from "@/core";

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
