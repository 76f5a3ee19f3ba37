import { SHORT } from "../band/use-room";

/** On a short screen the step scrolls to the top: the drawing above it may scroll away. */
export function stepIntoView(): void {
  if (window.matchMedia(SHORT).matches) document.getElementById("step")?.scrollIntoView({ block: "start" });
}

/**
 * Hands the keys back to the step: what was opened over it is done with. Where a reading is asked for on a desk, or the
 * name of whoever signs, to its field; else to the step's heading, which is read out and has no key of its own. A name that
 * stands there already is gone to by hand: there, Enter signs.
 */
export function toStep(): void {
  const heading = document.querySelector<HTMLElement>("#step, #sign-off");
  const signer = document.querySelector<HTMLInputElement>("#signer");
  const target = document.getElementById("reading") ?? (signer?.value === "" ? signer : null);
  const wide = window.matchMedia("(min-width: 640px)").matches;
  if (target && wide) {
    target.focus();
    return;
  }
  heading?.focus({ preventScroll: true });
  stepIntoView();
}

/** For what is opened over the bench: as it closes, Space goes on with the step instead of opening it again. */
export const backToStep = (event: Event): void => {
  event.preventDefault();
  toStep();
};
