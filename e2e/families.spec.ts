import { compileRunSheet, misfits } from "@/core";
import { shippedLibrary } from "@/store/shipped";
import { expect, test } from "./server";
import { begin, sign, work } from "./work";

const { procedures, cables, tools } = shippedLibrary();

/** What a style's steps put on the screen: their kinds, what is drawn for them, what is counted, timed or set. */
function shownBy(procedure: (typeof procedures)[number], cable: (typeof cables)[number]): Set<string> {
  const core = cable.cores.find((one) => misfits(procedure, cable, one).length === 0) ?? "";
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

/** The fewest styles, taken greedily, that between them show everything any style shows; the rest are walked unseen. */
function telling() {
  const all = procedures.flatMap((procedure) => {
    const cable = cables.find((one) => misfits(procedure, one).length === 0);
    return cable ? [{ procedure, cable, shows: shownBy(procedure, cable) }] : [];
  });
  const left = new Set(all.flatMap(({ shows }) => [...shows]));
  const taken: typeof all = [];
  const news = ({ shows }: (typeof all)[number]) => [...shows].filter((one) => left.has(one)).length;
  while (left.size > 0) {
    const best = all.reduce((a, b) => (news(b) > news(a) ? b : a));
    taken.push(best);
    for (const one of best.shows) left.delete(one);
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
