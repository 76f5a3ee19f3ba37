import type { Page } from "@playwright/test";
import axe, { type RunOptions } from "axe-core";

const RULES = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"];

/** What axe looks through: the whole page, or the elements under a selector. Drawings said in words beside them are out. */
const contextOf = (only: string | null) => ({
  ...(only === null ? {} : { include: [[only]] }),
  exclude: [['svg[aria-hidden="true"]']],
});

/** Runs axe in the page, read into it once a page; only what is wrong is written out. */
async function found(
  page: Page,
  runOnly: RunOptions["runOnly"],
  only: string | null = null,
): Promise<string[]> {
  if (!(await page.evaluate(() => "axe" in window))) await page.evaluate(axe.source);
  const options: RunOptions = { runOnly, resultTypes: ["violations"] };
  const { violations } = await page.evaluate(([context, how]) => window.axe.run(context, how), [
    contextOf(only),
    options,
  ] as const);
  return violations.map(({ id, nodes }) => `${id} ${nodes.map(({ target }) => target).join(" ")}`);
}

/** Every barrier that axe can find on a page. */
export const barriersOn = (page: Page): Promise<string[]> => found(page, { type: "tag", values: RULES });

/** Those of them that come of colours alone, of the elements under a selector. */
export const colourBarriersOn = (page: Page, only: string): Promise<string[]> =>
  found(page, { type: "rule", values: ["color-contrast", "link-in-text-block"] }, only);

declare global {
  interface Window {
    readonly axe: typeof axe;
  }
}
