import { randomInt } from "node:crypto";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { check, zBatch, zNewClosure, zNewJob, zNewPerson, zNewPieces, zStart } from "@/core";
import { actOn } from "@/service/act";
import { addPerson, people } from "@/service/crew/people";
import { startBatch } from "@/service/end/batches";
import { startEnd } from "@/service/end/ends";
import { addClosure } from "@/service/job/closures";
import { addPieces, newJob } from "@/service/job/jobs";
import { checkWholeRecord } from "@/service/keeping/record-check";
import { openStore } from "@/store/opening/open";
import { freePort, NO_PAGE, startServer } from "../harness/next-server";
import { CLOSURE, PLAN } from "../harness/plans";
import { fuzz, type Known } from "./fuzz";

const WEDGE = { cable: "simplex-3.0", procedure: "stub-wedge-release-cord", core: "9/125" };

const [count = "20000", seeded] = process.argv.slice(2);
const requests = Number(count);
const seed = Number(seeded ?? randomInt(1e9));
const file = join(mkdtempSync(join(tmpdir(), "arlent-fuzz-")), "fuzz.db");

/** Something for the requests to be about. */
function prepared(): Known {
  const store = openStore(file);
  const ends = Array.from({ length: 4 }, () => startEnd(actOn(store), check(zStart, WEDGE)).id);
  const batches = [startBatch(actOn(store), check(zBatch, { ...WEDGE, count: 3 })).id];
  addPerson(actOn(store), check(zNewPerson, { name: "Wyn Harrow" }));
  const job = newJob(actOn(store), check(zNewJob, { name: "Moor" })).id;
  const pieces = addPieces(actOn(store), job, check(zNewPieces, { pieces: [{ plan: PLAN }] })).map(
    ({ id }) => id,
  );
  const closures = [addClosure(actOn(store), job, check(zNewClosure, { plan: CLOSURE })).id];
  const workers = people(store).map(({ id }) => id);
  store.$client.close();
  return { ends, batches, people: workers, jobs: [job], pieces, closures };
}

const ids = prepared();
const server = await startServer(file, await freePort(), NO_PAGE);
console.log(`${requests} requests, seed ${seed}`);
const { done, refused, wrong } = await fuzz(
  { url: server.url, database: file, known: ids },
  { requests, seed },
  (n) => {
    if (n % 1000 === 0) console.log(`${n} asked`);
  },
);
await server.kill();
const store = openStore(file);
const findings = [...checkWholeRecord(store)].flatMap((stretch) => stretch.findings);
store.$client.close();
for (const first of wrong) console.log(`WRONG ${first}`);
for (const finding of findings) console.log(`ALTERED ${JSON.stringify(finding)}`);
console.log(
  `${done + refused} requests: ${done} done, ${refused} refused, ${wrong.length} answered amiss, ${findings.length} altered`,
);
process.exitCode = wrong.length + findings.length > 0 ? 1 : 0;
