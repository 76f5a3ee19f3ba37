/** Whose the figures of a record are, counted one by one. */
export const figuresStand = (representative: number, of: number): string =>
  representative === 0
    ? "Confirmed against the part's sheet"
    : representative === of
      ? "Representative, not confirmed against the part's sheet"
      : `${of - representative} of ${of} confirmed against the part's sheet; the rest, underlined, representative`;
