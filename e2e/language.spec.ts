import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { freePort, NO_PAGE, startServer } from "../harness/next-server";
import { expect, test } from "../harness/server";
import { everyView } from "./every-view";

/** Sizes a page must fit: a narrow phone, a phone on its side, a small tablet. */
const SIZES = [
  { width: 360, height: 640 },
  { width: 844, height: 390 },
  { width: 800, height: 780 },
];

test("in the made-up language no layout breaks, and what a page says itself is accented", async ({
  page,
  playwright,
}) => {
  test.setTimeout(300_000);
  const database = join(mkdtempSync(join(tmpdir(), "arlent-language-")), "end.db");
  const server = await startServer(database, await freePort(), NO_PAGE, { ARLENT_LANGUAGE: "en-XA" });
  const request = await playwright.request.newContext({ baseURL: server.url });
  try {
    for (const address of await everyView(request, server.url)) {
      await page.goto(server.url + address);
      await expect(page.locator("html")).toHaveAttribute("lang", "en-XA");
      for (const size of SIZES) {
        await page.setViewportSize(size);
        const over = await page.evaluate(() =>
          [document.documentElement, ...document.querySelectorAll("main")].map(
            (element) => element.scrollWidth - element.clientWidth,
          ),
        );
        expect(over, `${address} at ${size.width}`).toEqual([0, 0]);
      }
      // Every button and heading of the page's own is accented; what is typed by people and the library's texts are not.
      expect(await page.locator("body").textContent(), address).toMatch(/[áéíóúšťř]/);
    }
  } finally {
    await request.dispose();
    await server.kill();
  }
});
