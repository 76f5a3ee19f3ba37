import { describe, expect, it } from "vitest";
import { closureRecord } from "@/core";
import { WORLD } from "@/core/fixtures/example-world";
import { codeOf } from "@/service/fixtures/code-of";
import { signedEnd } from "@/service/fixtures/made-ends";
import { onPaper } from "@/service/ledger/ledger";
import { openStore } from "@/store/opening/open";
import { runningThread } from "@/worker/own-thread";
import { printRecords } from "@/worker/paper-beside";
import { closuresPdf } from "./closure-paper";
import { pdfPages } from "./fixtures/pdf-pages";

const of = {
  id: "c-1",
  name: "Pad 4 closure",
  job: "North ring",
  ends: new Map(),
  nameOf: () => "Wyn Harrow",
  checksOf: () => [
    {
      tool: { id: "fusion-splicer", name: "fusion splicer", kind: "arc" as const },
      standing: "failed" as const,
      before: null,
      failed: { at: "2026-11-25T09:00:00.000Z", good: false, bias: null },
    },
  ],
};
const record = closureRecord(of, WORLD.closureAt, [
  {
    id: "e",
    n: 1,
    at: "2026-11-25T08:00:00.000Z",
    by: "w",
    event: {
      kind: "splice",
      splice: WORLD.splicing.splices[0]?.id ?? "",
      colours: { a: "BL", b: "BL" },
      estimateDb: 0.04,
      splicer: { number: 1, left: 0.4, right: 0.6, simulated: true },
    },
  },
]);

describe("a closure's record on paper", () => {
  it("says its cables, its work and each splice with colours, slot, tries and what they left, as the thread sets it", async () => {
    const [page = ""] = await pdfPages(
      await printRecords(
        (async function* () {
          yield { closure: record };
        })(),
      ),
    );
    expect(page).toContain("North ring · Pad 4 closure");
    expect(page).toMatch(
      /1 1 Pad 4 branch, 1\/1 \(BL\) – 2 Pad 5 branch, 1\/1 \(BL\) 1\.1 0\.04 dB simulated/,
    );
    expect(page).toMatch(/1300 and 1300 mm left; 2\d more tries/);
    expect(page).toContain("Still being worked at.");
    expect(page).toMatch(/0\.04 dB simulated \(fusion splicer failed its check\)/);
    expect(page).toContain("fusion splicer: failed its check of 2026-11-25 09:00");
  });
  it("keeps every letter, whatever was set before it: a comma is a part of a semicolon, a point of a colon", async () => {
    const named = async (name: string) => {
      const [page = ""] = await pdfPages(
        await printRecords(
          (async function* () {
            yield { closure: { ...record, name } };
          })(),
        ),
      );
      return page;
    };
    // A thread that has set nothing yet.
    await runningThread("paper").worker.terminate();
    await expect.poll(() => globalThis.arlentThreads?.has("paper")).toBe(false);
    expect(await named("Pad 4; north: upper")).toContain("Pad 4; north: upper");
    expect(await named("Pad 4, 2.5 m up")).toContain("Pad 4, 2.5 m up");
  });
  it("has the records of its cables behind it, each on a page of its own", async () => {
    const store = openStore(":memory:");
    const ends = [1, 2].map(() => onPaper(store, signedEnd(store, "Osla Brandt", 0)));
    const pages = await pdfPages(
      await printRecords(
        (async function* () {
          yield { closure: record };
          yield* ends;
        })(),
      ),
    );
    expect(pages).toHaveLength(3);
    expect(pages[0]).toContain("North ring · Pad 4 closure");
    pages.slice(1).forEach((page, i) => {
      expect(page).toContain(ends[i]?.record.id.slice(0, 8));
    });
  });
  it("refuses a name in a script it has no letters for, before anything is laid out", async () => {
    const strange = { ...record, name: "垫" };
    await expect(closuresPdf([strange])).rejects.toSatisfy(
      (error) =>
        codeOf(() => {
          throw error;
        }) === "script",
    );
  });
});
