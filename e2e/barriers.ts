import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";

const RULES = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"];

/** Drawings said in words beside them are out; no page has a frame of another, and only what is wrong is written out. */
const axeOn = (page: Page) =>
  new AxeBuilder({ page })
    .exclude('svg[aria-hidden="true"]')
    .setLegacyMode(true)
    .options({ resultTypes: ["violations"] });

const found = async (axe: AxeBuilder): Promise<string[]> =>
  (await axe.analyze()).violations.map(
    ({ id, nodes }) => `${id} ${nodes.map(({ target }) => target).join(" ")}`,
  );

/** Every barrier that axe can find on a page. */
export const barriersOn = (page: Page): Promise<string[]> => found(axeOn(page).withTags(RULES));

/** Those of them that come of colours alone. */
export const colourBarriersOn = (page: Page): Promise<string[]> =>
  found(axeOn(page).withRules(["color-contrast", "link-in-text-block"]));
