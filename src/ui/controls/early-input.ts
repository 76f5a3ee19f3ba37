/**
 * Hands over what was typed or ticked before the page could answer: the fields show it, but nothing was told of it. Else a
 * figure would stand in its field while the page worked with the one before.
 */
export function takeEarlyInput(page: ParentNode): void {
  for (const field of page.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>("input, textarea")) {
    if (field instanceof HTMLTextAreaElement) giveText(field, HTMLTextAreaElement.prototype);
    else if (field.type === "checkbox" || field.type === "radio") giveTick(field);
    else if (field.type !== "file") giveText(field, HTMLInputElement.prototype);
  }
}

/** Set on the field itself a text counts as the page's own; set past it, as typed. */
function giveText(field: HTMLInputElement | HTMLTextAreaElement, past: object): void {
  const { value: typed, defaultValue } = field;
  if (typed === defaultValue) return;
  field.value = defaultValue;
  Reflect.set(past, "value", typed, field);
  field.dispatchEvent(new Event("input", { bubbles: true }));
}

/** Of radio buttons, only the one picked says so: the one picked before follows it. */
function giveTick(field: HTMLInputElement): void {
  if (field.checked === field.defaultChecked || (field.type === "radio" && !field.checked)) return;
  field.checked = field.defaultChecked;
  field.click();
}
