import { misfits } from "@/core";
import { shippedLibrary } from "@/store/shipped";
import { expect, test } from "./server";
import { begin, sign, work } from "./work";

const { procedures, cables } = shippedLibrary();

test.describe("every family runs from pick to sign-off without a dead end", () => {
  for (const procedure of procedures) {
    const cable = cables.find((one) => misfits(procedure, one).length === 0);
    test(procedure.name, async ({ page }) => {
      test.setTimeout(120_000);
      await page.goto(`/?cable=${cable?.id}&style=${procedure.id}`);
      await begin(page);
      const titles = await work(page);
      expect(titles.length).toBeGreaterThan(9);
      await expect(page.getByRole("heading", { level: 2 })).toContainText("In");
      await sign(page, "Wyn Harrow");
    });
  }
});
