import type { APIRequestContext, Page } from "@playwright/test";
import { compileRunSheet, judgementOf, type RunSheet, zProcedure } from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";
import { figureWords } from "@/ui/words/line-words";
import { addEvents, expect, lineOf, MEASURE, startEnd, THREADED, test } from "../harness/server";
import { shippedSheets } from "../src/core/runsheet/fixtures/shipped-sheets";
import { heading, pass } from "./work";

const lookOf = ({ lines }: RunSheet) =>
  lines.find(({ step }) => judgementOf(step)?.answers.some(({ id }) => id === "broke"));

/** One sheet of each family that bends the glass before it is cleaved or bonded. */
const screened = shippedSheets.filter(
  ({ sheet }, i) =>
    lookOf(sheet) &&
    shippedSheets.findIndex((other) => other.sheet.procedure.family === sheet.procedure.family) === i,
);

/** The same sheet by what is on the server's shelf now: other tests write on it. */
async function onShelf(
  request: APIRequestContext,
  { procedure, cable, picked }: RunSheet,
): Promise<RunSheet> {
  const { cables, tools } = shippedLibrary();
  const written = await (await request.get(`/api/v1/shelf/procedures/${procedure.id}`)).json();
  const own = cables.find(({ id }) => id === cable.id);
  if (!own) throw new Error(`no cable ${cable.id}`);
  return compileRunSheet({
    procedure: zProcedure.parse(written),
    cable: own,
    core: picked.core,
    choices: {},
    tools,
  });
}

const bigFigure = async (page: Page): Promise<string> => {
  const huge = page.locator(".figure-huge").first();
  return (await huge.count()) > 0 && (await page.locator("#reading").count()) === 0
    ? ((await huge.textContent()) ?? "")
    : "";
};

interface Fresh {
  readonly figure: number;
  readonly min: number;
  readonly max: number;
}

/** The big figure of every mark, cut and cleave as a fresh sheet has it, and its limits, by the step's title. */
const freshFigures = (sheet: RunSheet): ReadonlyMap<string, Fresh> =>
  new Map(
    sheet.lines.flatMap((line) => {
      const words = figureWords(sheet, line, "mm");
      if (!words || !line.figure) return [];
      const { plus, minus } = line.figure.own;
      const figure = Number(words.shown.main);
      const [min, max] = [figure - (minus ?? 0) / 1000, figure + (plus ?? 0) / 1000];
      return [[line.step.title, { figure, min, max }] as const];
    }),
  );

test.describe("after the fibre broke at the bend, every big figure is one the fresh sheet has", () => {
  for (const { sheet: shipped } of screened)
    test(shipped.procedure.family, async ({ page, request }) => {
      const sheet = await onShelf(request, shipped);
      const end = await startEnd(request, {
        cable: sheet.cable.id,
        procedure: sheet.procedure.id,
        core: sheet.picked.core,
      });
      await addEvents(request, end, [
        ...sheet.parts.map(({ id }) => ({ kind: "thread" as const, part: id, on: true })),
        { kind: "step", to: lookOf(sheet)?.index ?? 0 },
      ]);
      await page.goto(`/bench/${end}`);
      await page
        .getByRole("button", { name: /^(?!Undo).*broke/i })
        .and(page.locator("[aria-pressed]"))
        .click();
      await page
        .getByRole("region", { name: "What to do" })
        .getByRole("button", { name: /Take it|Start again/ })
        .first()
        .click();
      const fresh = freshFigures(sheet);
      const seen = new Map<string, string>();
      for (let i = 0; i < 40 && (await page.locator("#signer").count()) === 0; i++) {
        const title = (await heading(page).textContent()) ?? "";
        const figure = await bigFigure(page);
        if (figure !== "" && fresh.has(title)) seen.set(title, figure);
        const good = page.locator("fieldset[data-look] button:has(.bg-in)").first();
        if (await good.isVisible()) await good.click();
        if (sheet.lines.at(-1)?.step.title === title) break;
        await pass(page);
      }
      for (const [title, figure] of seen) {
        const { min, max } = fresh.get(title) ?? { min: Number.NaN, max: Number.NaN };
        expect(Number(figure), `${title}: ${figure}, at least ${min}`).toBeGreaterThanOrEqual(min);
        expect(Number(figure), `${title}: ${figure}, at most ${max}`).toBeLessThanOrEqual(max);
      }
      const cleave = sheet.lines.find(({ step }) => step.kind === "cleave");
      if (cleave)
        expect(Number(seen.get(cleave.step.title)), "the cleave, to a hundredth").toBe(
          fresh.get(cleave.step.title)?.figure,
        );
      expect(seen.size).toBeGreaterThan(0);
    });
});

test("a break at any step takes one touch, its shard is counted, the end is trimmed as a step, and one key takes each back", async ({
  page,
  request,
}) => {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: MEASURE }]);
  await page.goto(`/bench/${end}`);
  const title = (await heading(page).textContent()) ?? "";
  await page.getByRole("button", { name: "Fibre broke" }).filter({ visible: true }).click();
  await expect(page.getByText("1 shard to bin")).toBeVisible();
  const advice = page.getByRole("region", { name: "What to do" });
  await expect(advice).toContainText("The fibre broke");
  await page.keyboard.press("z");
  await expect(advice).toHaveCount(0);
  await expect(page.getByText("1 shard to bin"), "the shard goes with it").toHaveCount(0);
  const other = await startEnd(request);
  await addEvents(request, other, [...THREADED, { kind: "step", to: lineOf("bend") }]);
  await page.goto(`/bench/${other}`);
  await page.getByRole("button", { name: "I nicked it" }).filter({ visible: true }).click();
  await advice
    .getByRole("button", { name: /Take it/ })
    .first()
    .click();
  await expect(heading(page)).not.toHaveText(title);
  await expect(heading(page)).toHaveText("Trim the cable end");
  await page.keyboard.press("Space");
  await expect(heading(page)).not.toHaveText("Trim the cable end");
  await page.keyboard.press("z");
  await expect(heading(page), "the trimming taken back").toHaveText("Trim the cable end");
  await page.keyboard.press("z");
  await expect(advice).toBeVisible();
  await expect(
    page.getByRole("button", { name: /^Undo: nicked glass/ }).filter({ visible: true }),
  ).toBeVisible();
});

test("no message lies over a figure, a step, a field or a part of the bench, at any size", async ({
  page,
  request,
}) => {
  const end = await startEnd(request);
  await page.goto(`/bench/${end}`);
  for (const size of [
    { width: 1280, height: 800 },
    { width: 800, height: 1280 },
    { width: 390, height: 844 },
    { width: 844, height: 390 },
  ]) {
    await page.setViewportSize(size);
    await page.keyboard.press("PageDown");
    const message = page.locator("[data-message]");
    await expect(message).toContainText("Thread on first");
    const over = await page.evaluate(() => {
      const box = document.querySelector("[data-message]")?.parentElement?.getBoundingClientRect();
      if (!box) return ["no message"];
      return [
        ...document.querySelectorAll(
          "main h2, main input, main [role=checkbox], main .figure-huge, main footer, main nav li",
        ),
      ]
        .filter((element) => element.checkVisibility())
        .filter((element) => {
          const { left, right, top, bottom } = element.getBoundingClientRect();
          const clipped =
            element.closest(".overflow-y-auto")?.getBoundingClientRect().bottom ?? Number.POSITIVE_INFINITY;
          return (
            left < box.right &&
            right > box.left &&
            top < box.bottom &&
            Math.min(bottom, clipped) > box.top + 1
          );
        })
        .map(({ textContent }) => textContent);
    });
    expect(over, `${size.width} wide`).toEqual([]);
  }
});

test("bright once more, one thing is said: what is offered now, not what was to be tried first", async ({
  page,
  request,
}) => {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: lineOf("glow") }]);
  await page.goto(`/bench/${end}`);
  const bright = page.getByRole("button", { name: /^(?!Undo).*It stayed bright/ });
  const first = page.getByText("back off a little and seat it once more");
  await bright.click();
  await expect(first).toBeVisible();
  await page.getByRole("button", { name: /back to “Insert with a bow”/ }).click();
  await expect(heading(page)).toHaveText("Insert with a bow");
  await expect(
    page.getByRole("button", { name: /^Undo: going back/ }).filter({ visible: true }),
  ).toBeVisible();
  await addEvents(request, end, [{ kind: "step", to: lineOf("glow") }], 99);
  await page.reload();
  await bright.click();
  await expect(page.getByRole("region", { name: "What to do" })).toBeVisible();
  await expect(first).toHaveCount(0);
});

test("what lies ahead in a rework is not called skipped", async ({ page, request }) => {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: lineOf("bend") }]);
  await page.goto(`/bench/${end}`);
  await page.getByRole("button", { name: "Fibre broke" }).filter({ visible: true }).click();
  await page
    .getByRole("region", { name: "What to do" })
    .getByRole("button", { name: /Take it/ })
    .first()
    .click();
  await expect(heading(page)).toHaveText("Trim the cable end");
  await expect(page.getByRole("navigation", { name: "Steps" }).getByLabel("skipped")).toHaveCount(0);
});
