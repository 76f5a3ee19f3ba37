import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { check, problemOf, UNPROVEN, zNewJob, zNewPieces } from "@/core";
import { jobPages } from "@/paper/card/job-pages";
import { actOn } from "@/service/act";
import { addPieces, newJob } from "@/service/job/jobs";
import { findJobPrint } from "@/service/job/print";
import { openStore } from "@/store/opening/open";
import { PLAN } from "../../harness/plans";
import { runningThread } from "./own-thread";
import { type JobPaper, printJob } from "./paper-beside";

const store = openStore(join(mkdtempSync(join(tmpdir(), "arlent-print-")), "a.db"));
const job = newJob(actOn(store), check(zNewJob, { name: "Hall" })).id;

/** Plans a piece with four ends of a style at either side. */
function addPiece(procedure: string): void {
  const side = { ...PLAN.sides.A, procedure, ends: 4 };
  const plan = { ...PLAN, sides: { A: side, B: side } };
  addPieces(actOn(store), job, check(zNewPieces, { pieces: [{ plan }] }));
}
addPiece("stub-cam-crimp-900");

const REQUEST: JobPaper = {
  ...{ file: store.$client.name, id: job, format: "pdf", page: 1 },
  ...{ parts: ["pocket", "cards", "labels"], paper: "a4", day: "2026-12-01" },
  ...{ origin: "http://127.0.0.1:4400", correction: UNPROVEN, printer: null },
};

const refusal = async (request: Partial<JobPaper>) =>
  problemOf(await printJob({ ...REQUEST, ...request }).catch((error: unknown) => error));

describe("the print of a job beside the server", () => {
  it("has the pages it has within the server, as one file or one by one, and leaves the server free meanwhile", async () => {
    const print = findJobPrint(store, job);
    if (!print) throw new Error("no job");
    const pages = [...jobPages({ ...REQUEST, job: print })];
    let turns = 0;
    const beat = setInterval(() => turns++, 1);
    const file = await printJob(REQUEST);
    clearInterval(beat);
    expect(turns).toBeGreaterThan(10);
    expect(file.pages).toBe(pages.length);
    expect(Buffer.from(file.bytes.subarray(0, 5)).toString()).toBe("%PDF-");
    const drawn = await printJob({ ...REQUEST, format: "svg", page: 2 });
    expect(drawn.pages).toBe(pages.length);
    expect(Buffer.from(drawn.bytes).toString()).toMatch(/^<svg /);
  });
  it("sees what was committed a moment before", async () => {
    const { pages } = await printJob(REQUEST);
    addPiece("stub-wedge-release-900");
    expect((await printJob(REQUEST)).pages).toBeGreaterThan(pages);
  });
  it("is refused with a reason for a job or a page there is none of", async () => {
    expect(await refusal({ id: "00000000-0000-4000-8000-000000000000" })).toMatchObject({
      code: "not-found",
      path: ["id"],
    });
    expect(await refusal({ format: "dxf", page: 999 })).toMatchObject({ code: "not-found", path: ["page"] });
    expect(await refusal({ parts: ["trays"] })).toMatchObject({ code: "not-found" });
  });
  it("fails where its thread ends, and the next begins another", async () => {
    const waiting = printJob(REQUEST);
    void runningThread("paper").worker.terminate();
    await expect(waiting).rejects.toThrow("the thread paper ended");
    expect((await printJob(REQUEST)).pages).toBeGreaterThan(0);
  });
});
