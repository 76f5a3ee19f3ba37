/** Whether a key was pressed on something that has its own use for it. */
export const onControl = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLElement && target.closest("button, input, textarea, a, [role=checkbox]") !== null;
