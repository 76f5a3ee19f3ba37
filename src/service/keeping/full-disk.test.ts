import { spawnSync } from "node:child_process";
import { randomUUID } from "node:crypto";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { check, zAddInside, zPhotoQuery, zStart } from "@/core";
import { troubleOf } from "@/store/database/trouble";
import { openStore } from "@/store/opening/open";
import { actOn } from "../act";
import { addEvents, getEnd, startEnd } from "../end/ends";
import { addPhoto } from "../end/photos";
import { checkWholeRecord } from "./record-check";

/** A disk of four megabytes, where this machine lets one be made. */
const disk = mkdtempSync(join(tmpdir(), "arlent-disk-"));
const isMade = spawnSync("mount", ["-t", "tmpfs", "-o", "size=4m", "tmpfs", disk]).status === 0;
afterAll(() => {
  if (isMade) spawnSync("umount", ["-l", disk]);
});

const codeOf = async (work: () => unknown) => {
  try {
    await work();
    return null;
  } catch (error) {
    return troubleOf(error)?.problem.code ?? String(error);
  }
};

describe.skipIf(!isMade)("a disk that fills up under the record", () => {
  it("is told as that; what was stored stands, nothing is half there, and with room again work goes on", async () => {
    const store = openStore(join(disk, "a.db"));
    const { id } = startEnd(
      actOn(store),
      check(zStart, {
        cable: "distribution-900",
        procedure: "stub-cam-crimp-900",
        core: "9/125",
      }),
    );
    const add = (text: string) =>
      addEvents(
        actOn(store),
        id,
        check(zAddInside, {
          client: "x",
          after: 99_999,
          events: [{ id: randomUUID(), event: { kind: "label", job: text, label: "" } }],
        }),
      );
    add("before");
    const filler = join(disk, "filler");
    expect(await codeOf(() => writeFileSync(filler, Buffer.alloc(8_000_000)))).toBe("disk-full");
    let stored = 0;
    let code: string | null = null;
    while (code === null && stored < 500) {
      code = await codeOf(() => add(`x${stored}`.padEnd(120, "y")));
      if (code === null) stored += 1;
    }
    expect(code).toBe("disk-full");
    expect(getEnd(store, id).events).toHaveLength(1 + stored);
    const picture = await import("sharp").then(({ default: sharp }) =>
      sharp({ create: { width: 900, height: 900, channels: 3, background: "#335577" } })
        .png()
        .toBuffer(),
    );
    expect(await codeOf(() => addPhoto(actOn(store), id, check(zPhotoQuery, { client: "x" }), picture))).toBe(
      "disk-full",
    );

    rmSync(filler);
    add("after");
    expect(getEnd(store, id).events).toHaveLength(2 + stored);
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
    store.$client.close();
    const again = openStore(join(disk, "a.db"));
    expect(getEnd(again, id).events).toHaveLength(2 + stored);
    again.$client.close();
  });
});
