import { attempt, type Port } from "@/core";
import type { Language } from "@/messages/language";
import { type NamedCable, placedIn } from "./entry-cables";

/** Which ports the cables of an entry go in. */
export interface PlacingQuestion {
  readonly ports: readonly Port[];
  readonly cables: readonly NamedCable[];
  /** What the page speaks: why they do not go in is said in it. */
  readonly language: Language;
}

/** Where the cables go, or why they cannot all go in. */
export const placingAnswer = ({ ports, cables }: Pick<PlacingQuestion, "ports" | "cables">) =>
  attempt(() => placedIn(ports, cables));
export type PlacingAnswer = ReturnType<typeof placingAnswer>;
