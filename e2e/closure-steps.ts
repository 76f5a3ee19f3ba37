import type { APIRequestContext, Page } from "@playwright/test";
import { compileRunSheet, type EventInput, midSpanOf, mustHoldAt, throughId, WITH_CLOSURE } from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";
import { addEvents, expect } from "../harness/server";

interface PlannedCable {
  readonly id: string;
  readonly cable: string;
  readonly through: boolean;
}

/** Prepares a cable of a closure by its sheet, unread, and signs it off. */
export async function prepare(
  request: APIRequestContext,
  closure: string,
  { id, cable, through }: PlannedCable,
) {
  const begun = await request.post(`/api/v1/closures/${closure}/ends`, { data: { cables: [id] } });
  expect(begun.status(), await begun.text()).toBe(201);
  const { cables, procedures, tools } = shippedLibrary();
  const inHand = mustHoldAt(
    cables.filter((of) => of.id === cable),
    0,
  );
  const sheet = compileRunSheet({
    procedure: mustHoldAt(
      procedures.filter((of) => of.id === (through ? throughId("entry-dome-gel") : "entry-dome-gel")),
      0,
    ),
    cable: through ? midSpanOf(inHand) : inHand,
    core: "9/125",
    choices: WITH_CLOSURE,
    tools,
  });
  const events: EventInput[] = [
    ...sheet.parts.map(({ id: part }): EventInput => ({ kind: "thread", part, on: true })),
    { kind: "step", to: sheet.lines.length - 1 },
    { kind: "sign", name: "Wyn Harrow", outcome: "kept" },
  ];
  // It has its label already.
  await addEvents(request, (await begun.json()).id, events, 1);
}

export const stage = (page: Page, name: string) =>
  page
    .getByRole("navigation", { name: "Stages" })
    .getByRole("button", { name: new RegExp(`^${name} (done|\\d+ to do)`) });

/** Does whatever a stage still asks for, one thing after the other, by keyboard. */
export async function finish(page: Page, name: string) {
  await stage(page, name).focus();
  await page.keyboard.press("Enter");
  const here = page.getByRole("region", { name, exact: true });
  for (;;) {
    const open = here
      .getByRole("listitem")
      .filter({ hasNot: page.getByRole("button", { name: "Take back" }) });
    const count = await open.count();
    if (count === 0) break;
    const item = open.first();
    const torque = item.getByLabel("Torque, N·m");
    const gap = item.getByLabel("Gap, mm");
    const radius = item.getByLabel("Least radius, mm");
    if ((await torque.count()) > 0) {
      const [, torqueOf = ""] = /: ([\d.]+) N·m/.exec((await item.textContent()) ?? "") ?? [];
      await torque.fill(torqueOf);
      await page.keyboard.press("Enter");
    } else if ((await gap.count()) > 0) {
      await gap.fill("0.5");
      await page.keyboard.press("Enter");
    } else if ((await radius.count()) > 0) {
      await radius.fill("100");
      await page.keyboard.press("Enter");
    } else {
      await item.getByRole("button", { name: "Done" }).focus();
      await page.keyboard.press("Enter");
    }
    await expect(open).toHaveCount(count - 1);
  }
}
