import type { Confirmation, RunSheet } from "@/core";

/** Whose the figures of a record are, counted one by one. */
export const figuresStand = (representative: number, of: number): string =>
  representative === 0
    ? "The user's own"
    : representative === of
      ? "Representative, not confirmed against the part's sheet"
      : `${of - representative} of ${of} the user's own; the rest, underlined, representative`;

/** How a figure was held against the part's sheet; empty where that is not on record. */
export const confirmationText = (confirmation: Confirmation | null | undefined): string =>
  confirmation
    ? `${confirmation.asShown ? "confirmed as shown" : "changed and confirmed"} by ${confirmation.by}, ${
        confirmation.sheet === null ? "sheet without a number" : `sheet ${confirmation.sheet}`
      }, ${confirmation.date}`
    : "";

/** The figures of a sheet that were confirmed without being changed, by whom and against what; empty where none was. */
export function asShownText(sheet: RunSheet): string {
  const confirmations = sheet.lines
    .flatMap(({ figure, checks }) => [
      figure?.confirmation,
      ...checks.map(({ confirmation }) => confirmation),
    ])
    .flatMap((confirmation) => (confirmation?.asShown ? [confirmationText(confirmation)] : []));
  const [first] = confirmations;
  return first === undefined
    ? ""
    : `Figures marked “as shown” were ${[...new Set(confirmations)].join("; ")}.`;
}
