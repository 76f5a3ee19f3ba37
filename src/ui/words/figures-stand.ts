/** Whose the figures of a record are, counted one by one. */
export const figuresStand = (representative: number, of: number): string =>
  representative === 0
    ? "The user's own"
    : representative === of
      ? "Representative, not confirmed against the part's sheet"
      : `${of - representative} of ${of} the user's own; the rest, underlined, representative`;
