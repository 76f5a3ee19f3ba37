import { spawnSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, it } from "vitest";
import { check, zNewPerson } from "@/core";
import { actOn } from "@/service/act";
import { addPerson } from "@/service/crew/people";
import { setPin } from "@/service/crew/pins";
import { changeCrew, crewLog, mustBePerson } from "@/service/crew/rules";
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
  expect(crewLog(again, 1)).toMatchObject([
    { by: null, device: null, event: { kind: "names", rule: "free" } },
  ]);
});
