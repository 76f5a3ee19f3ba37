import { spawnSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, it } from "vitest";
import { check, zNewPerson } from "@/core";
import { actOn } from "@/service/act";
import { addPerson } from "@/service/crew/people";
import { setPin } from "@/service/crew/pins";
import { changeCrew, crewLog, crewTold, mustBePerson } from "@/service/crew/rules";
import { setPinFor } from "@/service/crew/sign-in";
import { openStore } from "@/service/the-store";
import { crewNow } from "@/store/workshop/crew";

const run = (...args: string[]) =>
  spawnSync(process.execPath, ["scripts/crew.mjs", ...args], { encoding: "utf8" });

it("names are free again where every keeper forgot their PIN, and the record says that it was done", async () => {
  const file = join(mkdtempSync(join(tmpdir(), "arlent-crew-")), "hall.db");
  const store = openStore(file);
  const [osla] = addPerson(actOn(store), check(zNewPerson, { name: "Osla Brandt" }));
  const person = mustBePerson(store, osla?.id ?? "");
  const act = { ...actOn(store), actor: person.id };
  await setPin(act, person, "nobody-knows-it", false);
  changeCrew(act, { kind: "names", rule: "proven" });
  store.$client.close();
  expect(run("open-sesame", file)).toMatchObject({ status: 2 });
  expect(run("names-free", file)).toMatchObject({ status: 0 });
  const again = openStore(file);
  expect(crewNow(again).names).toBe("free");
  expect(crewLog(again, 2)).toMatchObject([
    { by: null, device: null, event: { kind: "pin", person: person.id } },
    { by: null, device: null, event: { kind: "names", rule: "free" } },
  ]);
  // The old one is asked for no more.
  const asker = { device: null, person: null, how: null, temporary: false, token: null, roles: [] };
  await setPinFor({ ...actOn(again), identity: asker }, { person: person.id, pin: "remembered-now" });
  expect(crewTold(again, asker).people).toMatchObject([{ name: "Osla Brandt", pin: "own" }]);
});
