import { join } from "node:path";
import { check, zNewJob, zNewPieces } from "@/core";
import { shippedSheets } from "@/core/runsheet/fixtures/shipped-sheets";
import { cardsPdf } from "@/paper/card/card-pdf";
import { cardPages } from "@/paper/card/layout";
import { actOn } from "@/service/act";
import { addPieces, newJob } from "@/service/job/jobs";
import { openStore } from "@/store/opening/open";
import { freePort, startServer } from "../harness/next-server";
import { PLAN } from "../harness/plans";
import { line, quantile, timed } from "./measure";

const CARDS = 200;
/** Files set at once while the server is asked for other things. */
const FILES = 8;

const STYLES = [
  ["distribution-900", "stub-cam-crimp-900"],
  ["distribution-900", "stub-wedge-release-900"],
  ["distribution-900", "stub-one-stroke"],
  ["distribution-900", "guided-insertion-900"],
  ["simplex-3.0", "stub-wedge-release-cord"],
  ["flat-drop", "drop-clamp"],
] as const;

/** Cards in one file a second, and how long the server keeps others waiting while it sets files of a job's cards. */
export async function cardsAtSize(folder: string): Promise<void> {
  const pages = shippedSheets
    .flatMap(({ sheet }) => cardPages({ sheet, paper: "a4", address: "x", day: "2026-12-01", printer: null }))
    .slice(0, CARDS);
  const seconds = await timed(async () => {
    await cardsPdf(pages);
  });
  line(
    `${pages.length} strip cards in one file`,
    `${seconds.toFixed(2)} s, ${(pages.length / seconds).toFixed(0)} a second`,
  );

  const file = join(folder, "cards.db");
  const store = openStore(file);
  const job = newJob(actOn(store), check(zNewJob, { name: "Hall" })).id;
  const pieces = STYLES.map(([cable, procedure]) => {
    const side = { ...PLAN.sides.A, procedure, ends: 1 };
    return { plan: { ...PLAN, cable, sides: { A: side, B: side } } };
  });
  addPieces(actOn(store), job, check(zNewPieces, { pieces }));
  store.$client.close();
  const server = await startServer(file, await freePort());
  const timesUntil = async (until: Promise<unknown>): Promise<number[]> => {
    const times: number[] = [];
    let isOver = false;
    void until.finally(() => {
      isOver = true;
    });
    do {
      const start = performance.now();
      await (await fetch(`${server.url}/api/v1/pulse`)).text();
      times.push(performance.now() - start);
      await new Promise((next) => setTimeout(next, 5));
    } while (!isOver);
    return times;
  };
  const printed = async () => {
    const answer = await fetch(`${server.url}/api/v1/jobs/${job}/print?parts=cuts,pocket,cards,labels`);
    await answer.arrayBuffer();
  };
  await printed();
  const idle = await timesUntil(new Promise((done) => setTimeout(done, 2_000)));
  const busy = await timesUntil(Promise.all(Array.from({ length: FILES }, printed)));
  await server.kill();
  line(
    `  other requests while ${FILES} files of a job are set`,
    `p50 ${quantile(busy, 0.5).toFixed(0)} ms, worst ${quantile(busy, 1).toFixed(0)} ms; idle p50 ${quantile(idle, 0.5).toFixed(0)} ms`,
  );
}
