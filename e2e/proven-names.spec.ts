import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { freePort, startServer } from "../harness/next-server";
import { endAtMeasure, expect, test } from "../harness/server";
import { barriersOn } from "./barriers";
import { pass } from "./work";

const PINS = { "Osla Brandt": "hall-by-the-moor", "Wyn Harrow": "pad-four-in-rain" };
type Name = keyof typeof PINS;

/** Signs in under Who?, by PIN. */
async function signIn(page: Page, name: Name): Promise<void> {
  await page.getByRole("button", { name: /Who is working\?|^Working:/ }).click();
  const list = page.getByRole("dialog", { name: "Who is working here?" });
  await list.getByRole("button", { name, exact: true }).click();
  await list.getByLabel(`PIN of ${name}`).fill(PINS[name]);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: `Working: ${name}. Change` })).toBeVisible();
}

/** An authenticator of the browser's own that says yes to everything. */
async function addAuthenticator(page: Page): Promise<void> {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send("WebAuthn.enable");
  await devtools.send("WebAuthn.addVirtualAuthenticator", {
    options: {
      protocol: "ctap2",
      transport: "internal",
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
    },
  });
}

test("a crew proves its names: PINs, roles, a proven sign-off, a second signature by passkey, a device revoked", async ({
  page,
  browser,
  playwright,
}) => {
  test.setTimeout(240_000);
  const port = await freePort();
  const server = await startServer(join(mkdtempSync(join(tmpdir(), "arlent-proven-")), "hall.db"), port);
  // A passkey belongs to a name, and not to a bare address.
  const url = `http://localhost:${port}`;
  const request = await playwright.request.newContext({ baseURL: server.url });
  for (const name of Object.keys(PINS)) await request.post("/api/v1/people", { data: { name } });
  const end = await endAtMeasure(request);

  await test.step("PINs are set, and proof is asked for by whoever then keeps the crew", async () => {
    await page.goto(`${url}/setup`);
    await page.getByRole("link", { name: /^Crew: proof of names/ }).click();
    await expect(page.getByRole("heading", { name: "Crew", level: 1 })).toBeVisible();
    await page.getByRole("radio", { name: /Names must be proven/ }).click();
    await expect(page.getByText("at least one keeper needs a PIN")).toBeVisible();
    for (const [name, pin] of Object.entries(PINS)) {
      const row = page
        .getByRole("region", { name: "Roles, PINs and passkeys" })
        .getByRole("listitem")
        .filter({ hasText: name });
      await row.getByRole("button", { name: "Set a PIN" }).click();
      await row.getByLabel(`New PIN of ${name}`).fill(pin);
      await row.getByLabel("The same again").fill(pin);
      await row.getByRole("button", { name: "Set the PIN" }).click();
      await expect(row.getByText("PIN set")).toBeVisible();
    }
    await page
      .getByRole("list", { name: "Who is working" })
      .getByRole("button", { name: "Osla Brandt" })
      .click();
    await page.getByRole("radio", { name: /Names must be proven/ }).click();
    await expect(page.getByRole("radio", { name: /Names must be proven/ })).toBeChecked();
    expect(await barriersOn(page)).toEqual([]);
  });

  await test.step("the keeper signs in, gives a role, and adds a passkey", async () => {
    await signIn(page, "Osla Brandt");
    const roles = page.getByRole("region", { name: "Roles, PINs and passkeys" }).getByRole("listitem");
    await roles.filter({ hasText: "Wyn Harrow" }).getByRole("checkbox", { name: "technician" }).click();
    await expect(page.getByText("The roles of Wyn Harrow are changed.")).toBeVisible();
    await addAuthenticator(page);
    await roles.filter({ hasText: "Osla Brandt" }).getByRole("button", { name: "Add a passkey" }).click();
    await expect(roles.filter({ hasText: "Osla Brandt" }).getByText("PIN set, 1 passkey")).toBeVisible();
  });

  const tablet = await browser.newPage();
  await test.step("a technician signs an end off: asked again, refused by a wrong PIN, taken by the right one", async () => {
    await tablet.goto(`${url}/bench/${end}`);
    // What is read before anybody has signed in waits, and is stored once somebody has.
    await tablet.locator("#reading").fill("9.5");
    await tablet.keyboard.press("Enter");
    await expect(tablet.getByText("Sign in under Who? to store it. 1 kept on this device.")).toBeVisible();
    await signIn(tablet, "Wyn Harrow");
    await expect(tablet.getByText("All saved")).toBeVisible();
    const { readings } = (await (await request.get(`/api/v1/ends/${end}/record`)).json()).lengths[0];
    expect(readings).toHaveLength(1);
    while (!(await tablet.locator("#signer").isVisible())) await pass(tablet);
    await expect(tablet.getByText("Signs: Wyn Harrow")).toBeVisible();
    await tablet.getByRole("button", { name: "It was cut off" }).click();
    await tablet.getByLabel("PIN of Wyn Harrow").fill("not-this-one");
    await tablet.getByRole("button", { name: /^Sign off/ }).click();
    await expect(tablet.getByText("That is not the PIN of Wyn Harrow.")).toBeVisible();
    await tablet.getByLabel("PIN of Wyn Harrow").fill(PINS["Wyn Harrow"]);
    await tablet.keyboard.press("Enter");
    await expect(tablet.getByRole("heading", { name: "On record: cut off" })).toBeVisible();
    const record = await (await request.get(`/api/v1/ends/${end}/record`)).json();
    expect(record.signed).toMatchObject({ name: "Wyn Harrow", proof: { how: "pin" } });
  });

  await test.step("another person adds a second signature by passkey", async () => {
    await page.goto(`${url}/ledger/${end}`);
    await page.getByRole("button", { name: "Add a signature" }).click();
    await page.getByRole("button", { name: "Use a passkey" }).click();
    const signatures = page.getByRole("region", { name: "Signatures" });
    await expect(signatures.getByText("Checked by Osla Brandt; proven by passkey")).toBeVisible();
    await expect(signatures.getByText("Made by Wyn Harrow; proven by PIN")).toBeVisible();
    expect(await barriersOn(page)).toEqual([]);
  });

  await test.step("a revoked device is out with its next request; the log says so", async () => {
    await page.goto(`${url}/setup/crew`);
    const device = page
      .getByRole("region", { name: "Devices" })
      .getByRole("listitem")
      .filter({ hasText: "Wyn Harrow" });
    await device.getByRole("button", { name: "Revoke" }).click();
    await device.getByRole("button", { name: "Revoke it now" }).click();
    await expect(device.getByText("Revoked")).toBeVisible();
    await page.getByRole("button", { name: "Show the log" }).click();
    await expect(page.getByText(/Device \S+ was revoked/)).toBeVisible();
    await expect(page.getByText("Wyn Harrow was refused: a PIN was wrong, 1 in a row")).toBeVisible();
    await tablet.reload();
    await expect(tablet.getByRole("button", { name: "Who is working?" })).toBeVisible();
  });
  await request.dispose();
  await server.kill();
});
