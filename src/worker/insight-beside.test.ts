import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { signedEnd } from "@/service/fixtures/made-ends";
import { insightOf } from "@/service/insight/insight";
import { openStore } from "@/store/opening/open";
import { insightBeside } from "./insight-beside";

describe("answers from a large record", () => {
  it("are worked out in a thread, the same as within the server, and anew once an end is signed", async () => {
    const store = openStore(join(mkdtempSync(join(tmpdir(), "arlent-insight-")), "a.db"));
    signedEnd(store, "Osla Brandt", 0);
    // Large by its file alone: pages nothing is in.
    store.$client.exec(
      "CREATE TABLE filler (bytes); INSERT INTO filler VALUES (zeroblob(26000000)); DROP TABLE filler",
    );
    let turns = 0;
    const beat = setInterval(() => turns++, 1);
    const before = await insightBeside(store);
    clearInterval(beat);
    expect(before).toEqual(insightOf(store));
    expect(turns, "the server goes on meanwhile").toBeGreaterThan(10);
    signedEnd(store, "Wyn Harrow", 900);
    expect((await insightBeside(store)).ends).toBe(2);
    expect((await insightBeside(store, { find: "Harrow" })).ends).toBe(1);
    store.$client.close();
  });
});
