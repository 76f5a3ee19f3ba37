import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { Page } from "@playwright/test";
import type axe from "axe-core";
import type { RunOptions } from "axe-core";

/** Axe as it is read into a page: the small one is there in half the time. */
const SOURCE = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");

const COLOURS = ["color-contrast", "link-in-text-block"];
const RULES = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"];

/** What axe looks through: the whole page, or the elements under a selector. Drawings said in words beside them are out. */
const contextOf = (only: string | null) => ({
  ...(only === null ? {} : { include: [[only]] }),
  exclude: [['svg[aria-hidden="true"]']],
});

/** Runs axe in the page, read into it once a page; only what is wrong is written out. */
async function violationsOn(page: Page, rules: RunOptions, only: string | null = null): Promise<string[]> {
  if (!(await page.evaluate(() => "axe" in window))) await page.evaluate(SOURCE);
  const options: RunOptions = { ...rules, resultTypes: ["violations"] };
  const { violations } = await page.evaluate(([context, how]) => window.axe.run(context, how), [
    contextOf(only),
    options,
  ] as const);
  return violations.map(({ id, nodes }) => `${id} ${nodes.map(({ target }) => target).join(" ")}`);
}

/** Every barrier that axe can find on a page; colours take as long as all other rules and can be left out. */
export const barriersOn = (page: Page, { colours = true } = {}): Promise<string[]> =>
  violationsOn(page, {
    runOnly: { type: "tag", values: RULES },
    rules: {
      ...Object.fromEntries(COLOURS.map((rule) => [rule, { enabled: colours }])),
      // What is seen on a control is in what is spoken of it (WCAG 2.5.3); off unless it is asked for.
      "label-content-name-mismatch": { enabled: true },
    },
  });

/** Those of them that come of colours alone, of the elements under a selector. */
export const colourBarriersOn = (page: Page, only: string): Promise<string[]> =>
  violationsOn(page, { runOnly: { type: "rule", values: COLOURS } }, only);

declare global {
  interface Window {
    readonly axe: typeof axe;
  }
}
