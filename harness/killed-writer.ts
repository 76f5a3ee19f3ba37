import "@/messages/speak";

import { randomUUID } from "node:crypto";
import { writeSync } from "node:fs";
import { check, zAddInside, zStart } from "@/core";
import { actOn } from "@/service/act";
import { addEvents, startEnd } from "@/service/end/ends";
import { keepSeal } from "@/service/keeping/kept-seals";
import { rebuild } from "@/service/keeping/rebuild";
import { openStore } from "@/service/the-store";

/**
 * Writes ends and events, takes seals and rebuilds until it is killed. Each line it prints was acknowledged: `event ID`,
 * `seal TEXT`. For `npm run fuzz -- kills`.
 */
const [database = ""] = process.argv.slice(2);
const store = openStore(database);
const tell = (line: string): void => void writeSync(1, `${line}\n`);
const STYLE = { cable: "distribution-900", procedure: "stub-cam-crimp-900", core: "9/125" };

for (let i = 0; ; i++) {
  const act = actOn(store);
  const { id } = startEnd(act, check(zStart, STYLE));
  for (const event of [
    { kind: "label", job: "Moor", label: `pad ${i}` },
    { kind: "sign", name: "Wyn Harrow", outcome: "cut-off" },
  ] as const) {
    const said = randomUUID();
    addEvents(act, id, check(zAddInside, { client: "writer", after: 9_999, events: [{ id: said, event }] }));
    tell(`event ${said}`);
  }
  // The first takes long: from here on it writes all the time.
  if (i === 0) tell("ready");
  if (i % 3 === 2) tell(`seal ${keepSeal(store, database).text}`);
  if (i % 8 === 7) for (const _ of rebuild(store)) tell("rebuilt");
}
