import { compileRunSheet, misfits } from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";
import { expect, test } from "../harness/server";
import { begin, sign, work } from "./work";

const { procedures, cables, tools } = shippedLibrary();

/** What a style's steps put on the screen: their kinds, what is drawn for them, what is counted, timed or set. */
function shownBy(procedure: (typeof procedures)[number], cable: (typeof cables)[number]): Set<string> {
  const core = cable.cores.find((core) => misfits(procedure, cable, core).length === 0) ?? "";
  const { lines } = compileRunSheet({ procedure, cable, core, choices: {}, tools });
  return new Set(
    lines.flatMap(({ step }) => [
      step.kind,
      ...(step.aids ?? []),
      ...Object.keys(step),
      ...("setting" in step && step.setting ? [`set ${step.setting.kind}`] : []),
    ]),
  );
}

/** Styles walked in the browser, beside those the bench is tried with; every one is walked whole in the core. */
const WALKED = 3;

/** The styles that between them show most of what any style shows, taken greedily. */
function telling() {
  const all = procedures.flatMap((procedure) => {
    const cable = cables.find((cable) => misfits(procedure, cable).length === 0);
    return cable ? [{ procedure, cable, shows: shownBy(procedure, cable) }] : [];
  });
  const left = new Set(all.flatMap(({ shows }) => [...shows]));
  const taken: typeof all = [];
  const news = ({ shows }: (typeof all)[number]) => [...shows].filter((feature) => left.has(feature)).length;
  while (left.size > 0 && taken.length < WALKED) {
    const best = all.reduce((a, b) => (news(b) > news(a) ? b : a));
    taken.push(best);
    for (const feature of best.shows) left.delete(feature);
  }
  return taken;
}

test.describe("from pick to sign-off without a dead end, whatever a step shows", () => {
  for (const { procedure, cable } of telling())
    test(procedure.name, async ({ page }) => {
      await page.goto(`/?cable=${cable.id}&style=${procedure.id}`);
      await begin(page);
      const titles = await work(page);
      expect(titles.length).toBeGreaterThan(9);
      await expect(page.getByRole("heading", { level: 2 })).toContainText("In");
      await sign(page, "Wyn Harrow");
    });
});
