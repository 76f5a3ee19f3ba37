import { spawnSync } from "node:child_process";
import { randomUUID } from "node:crypto";
import {
  copyFileSync,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  statSync,
  truncateSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pipeline } from "node:stream/promises";
import { generateIdentity, identityToRecipient } from "age-encryption";
import sharp from "sharp";
import { pack } from "tar-stream";
import { beforeEach, describe, expect, it } from "vitest";
import { check, problemOf, zAddInside, zPhotoQuery, zStart } from "@/core";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { photoBytes, photographsIn } from "@/store/record/photos";
import { actOn } from "../act";
import { crewLog } from "../crew/rules";
import { addEvents, getEnd, startEnd } from "../end/ends";
import { addPhoto } from "../end/photos";
import { readProof as filesOf } from "../proof/read-proof";
import { backupInto, backupName, backupStream, backupsIn, MANIFEST, RECORD, SEALS } from "./backup";
import { drill } from "./drill";
import { keepSeal } from "./kept-seals";
import { logRestore } from "./log-restore";
import { checkWholeRecord } from "./record-check";
import { restore } from "./restore";
import { USUAL_RETENTION } from "./retention";
import { backupIfDue, scheduled, scheduleOf } from "./schedule";

const CAM = { cable: "distribution-900", procedure: "stub-cam-crimp-900", core: "9/125" };
const folder = () => mkdtempSync(join(tmpdir(), "arlent-backup-"));
const codeOf = (work: Promise<unknown>) =>
  work.then(
    () => null,
    (error) => problemOf(error)?.code ?? String(error),
  );
const label = (store: Store, end: string, text: string) =>
  addEvents(
    actOn(store),
    end,
    check(zAddInside, {
      client: "x",
      after: 9_999,
      events: [{ id: randomUUID(), event: { kind: "label", job: "moor", label: text } }],
    }),
  );

let store: Store;
let end: string;
let home: string;
beforeEach(async () => {
  home = folder();
  store = openStore(join(home, "a.db"));
  end = startEnd(actOn(store), check(zStart, CAM)).id;
  const picture = sharp({ create: { width: 40, height: 30, channels: 3, background: "#123456" } });
  await addPhoto(actOn(store), end, check(zPhotoQuery, { client: "x" }), await picture.png().toBuffer());
});
const create = async () => {
  const file = join(folder(), "b.tar");
  await backupInto(store, file);
  return file;
};
const findings = (store: Store) => [...checkWholeRecord(store)].flatMap((stretch) => stretch.findings);

describe("a backup", () => {
  it("put back elsewhere is the same record, photographs and all, and whole", async () => {
    const there = join(folder(), "deep", "b.db");
    const { manifest } = await restore(await create(), there);
    expect(manifest).toMatchObject({ ends: 1, photographs: 1 });
    const back = openStore(there);
    expect(findings(back)).toEqual([]);
    expect(getEnd(back, end)).toEqual(getEnd(store, end));
    const [hash = ""] = photographsIn(back);
    expect(photoBytes(back, hash)).toEqual(photoBytes(store, hash));
    expect(readdirSync(join(there, "..")).sort()).toEqual([
      "b.db",
      "b.db-shm",
      "b.db-wal",
      "b.db.restored",
      "photos",
    ]);
  });
  it("made while work goes on is the record of one moment: whole, and nothing half there", async () => {
    const others = Array.from({ length: 40 }, () => startEnd(actOn(store), check(zStart, CAM)).id);
    const file = join(folder(), "b.tar");
    let written = 0;
    const work = setInterval(() => {
      label(store, others[written % 40] ?? end, `pad ${written}`);
      written += 1;
    });
    await backupInto(store, file);
    clearInterval(work);
    expect(written).toBeGreaterThan(0);
    const there = join(folder(), "b.db");
    await restore(file, there);
    expect(findings(openStore(there))).toEqual([]);
  });
  it("is written whole or not at all, and over nothing", async () => {
    const file = await create();
    const before = readFileSync(file);
    expect(await codeOf(backupInto(store, file))).toBe("id-taken");
    expect(readFileSync(file).equals(before)).toBe(true);
    const unwritable = join(home, "a.db", "b.tar");
    expect(await codeOf(backupInto(store, unwritable))).not.toBeNull();
    expect(readdirSync(join(file, "..")).sort()).toEqual(["b.tar"]);
  });
});

describe("several who save a backup at once", () => {
  it("are two at most; once one is whole, or was left half read, the next may", async () => {
    const [first, second] = [await backupStream(store), await backupStream(store)];
    expect(await codeOf(backupStream(store))).toBe("too-often");
    first.destroy();
    for await (const _chunk of second);
    await expect.poll(() => codeOf(backupStream(store).then((third) => third.destroy()))).toBeNull();
  });
});

describe("putting back", () => {
  it("goes on where an earlier one was killed half-way, and is not begun beside one that runs", async () => {
    const file = await create();
    const place = folder();
    const target = join(place, "b.db");
    const { pid } = spawnSync(process.execPath, ["-e", ""]);
    mkdirSync(join(place, `b.db.restoring.${pid}.d`));
    await restore(file, target);
    expect(readdirSync(place).filter((name) => name.includes("restoring"))).toEqual([]);
    const other = join(folder(), "c.db");
    mkdirSync(`${other}.restoring.${process.pid}.d`);
    expect(await codeOf(restore(file, other))).toBe("id-taken");
  });
  it("never writes over a database that is there", async () => {
    const file = await create();
    const there = join(home, "a.db");
    const before = readFileSync(there);
    expect(await codeOf(restore(file, there))).toBe("id-taken");
    expect(readFileSync(there).equals(before)).toBe(true);
  });
  it("moves an old write-ahead log aside, so that nothing of it is read into the record", async () => {
    const file = await create();
    const target = folder();
    // The log of a later state of the same database, as a crash leaves it.
    label(store, end, "after the backup");
    copyFileSync(join(home, "a.db-wal"), join(target, "b.db-wal"));
    const { movedAside } = await restore(file, join(target, "b.db"), new Date("2026-11-26T08:00:00Z"));
    expect(movedAside).toEqual([join(target, "b.db-wal.before-2026-11-26T080000")]);
    const back = openStore(join(target, "b.db"));
    expect(findings(back)).toEqual([]);
    expect(getEnd(back, end).events.some(({ event }) => event.kind === "label")).toBe(false);
  });
  const archive = async (...files: readonly (readonly [string, Buffer | string])[]) => {
    const file = join(folder(), "b.tar");
    const tar = pack();
    for (const [name, body] of files) tar.entry({ name }, body);
    tar.finalize();
    const chunks: Uint8Array[] = [];
    for await (const chunk of tar) chunks.push(chunk);
    writeFileSync(file, Buffer.concat(chunks));
    return file;
  };
  const manifest = (photographs = 0) =>
    [
      MANIFEST,
      JSON.stringify({
        arlent: "backup",
        v: 1,
        program: "x",
        at: new Date().toISOString(),
        ends: 1,
        photographs,
      }),
    ] as const;
  const record = (change = "") => {
    const path = join(folder(), "c.db");
    store.$client.exec(`VACUUM INTO '${path}'`);
    if (change) {
      const copy = openStore(path);
      copy.$client.exec(change);
      copy.$client.close();
    }
    return [RECORD, readFileSync(path)] as const;
  };
  const torn = async () => {
    const file = await create();
    truncateSync(file, Math.floor(statSync(file).size * 0.6));
    return file;
  };
  const text = async () => {
    const file = join(folder(), "b.tar");
    writeFileSync(file, "a letter, and no archive at all ".repeat(99));
    return file;
  };
  it.each([
    ["torn off in the middle", torn, "not-a-backup"],
    ["no archive", text, "not-a-backup"],
    ["without its record", () => archive(manifest()), "not-a-backup"],
    ["without saying what it is", () => archive(record()), "not-a-backup"],
    [
      "with a file that would lie elsewhere",
      () => archive(manifest(), ["../slipped", "x"], record()),
      "not-a-backup",
    ],
    ["short of a photograph", () => archive(manifest(2), record()), "not-a-backup"],
    [
      "with another photograph under a name",
      () => archive(manifest(1), record(), [`photos/${"a".repeat(64)}.jpg`, "not that"]),
      "not-a-backup",
    ],
    ["whose record is no database", () => archive(manifest(), [RECORD, "x".repeat(5_000)]), "not-arlent"],
    ["whose record lacks its photograph", () => archive(manifest(), record()), "altered"],
    [
      "whose record was altered",
      () => archive(manifest(), record("DROP TRIGGER events_keep_words; UPDATE events SET client = 'y'")),
      "altered",
    ],
  ])("a backup %s is refused, and leaves nothing", async (_, backup, code) => {
    const target = folder();
    const file = await backup();
    expect(await codeOf(restore(file, join(target, "b.db")))).toBe(code);
    expect(readdirSync(target)).toEqual([]);
  });
});

const PLAIN = { hours: 24, recipient: null, retention: USUAL_RETENTION, drills: false };

describe("backups made by themselves", () => {
  it("are made when one is due, not before, and those go that no rule keeps", async () => {
    const to = folder();
    const schedule = { ...PLAIN, folder: to, retention: { days: 3, weeks: 1, months: 1, bytes: null } };
    const now = Date.now();
    expect(await backupIfDue(store, schedule, new Date(now))).toBe(true);
    expect(await backupIfDue(store, schedule, new Date(now + 3_600_000))).toBe(false);
    for (let i = 2; i < 9; i++) writeFileSync(join(to, backupName(new Date(now - i * 86_400_000))), "");
    const next = new Date(now + 86_400_001);
    expect(await backupIfDue(store, schedule, next)).toBe(true);
    expect(backupsIn(to).map(({ name }) => name)).toEqual(
      [next, new Date(now), new Date(now - 2 * 86_400_000)].map((at) => backupName(at)),
    );
  });
  it("are made once a day and kept as usual where only the folder is named, and not at all where none is", () => {
    const usual = { ...PLAIN, folder: "/b", drills: true };
    expect(scheduleOf({ ARLENT_BACKUP: "/b" })).toEqual(usual);
    expect(scheduleOf({ ARLENT_BACKUP: "/b", ARLENT_BACKUP_HOURS: "6" })).toEqual({ ...usual, hours: 6 });
    expect(scheduleOf({ ARLENT_BACKUP: "/b", ARLENT_BACKUP_HOURS: "often" })).toEqual(usual);
    expect(
      scheduleOf({
        ARLENT_BACKUP: "/b",
        ARLENT_BACKUP_KEEP: "7,4,24",
        ARLENT_BACKUP_MB: "500",
        ARLENT_BACKUP_TO: "age1x",
      }),
    ).toEqual({
      ...usual,
      recipient: "age1x",
      retention: { days: 7, weeks: 4, months: 24, bytes: 500_000_000 },
      drills: false,
    });
    expect(scheduleOf({})).toBeNull();
  });
  it("are each put back into a scratch place, which is told and removed", async () => {
    const to = folder();
    const now = new Date();
    await backupIfDue(store, { ...PLAIN, folder: to, drills: true }, now);
    expect(scheduled().drill).toEqual({ backup: backupName(now), at: now.toISOString(), problem: null });
    const torn = backupName(new Date(now.getTime() + 1_000));
    writeFileSync(join(to, torn), readFileSync(join(to, backupName(now))).subarray(0, 9_000));
    expect((await drill(to, torn)).problem).toMatch(/no whole backup/);
    expect(readdirSync(tmpdir()).filter((name) => name.startsWith(`arlent-drill.${process.pid}`))).toEqual(
      [],
    );
  });
});

describe("an encrypted backup", () => {
  it("is read by its identity alone, and is the same record", async () => {
    const identity = await generateIdentity();
    const file = join(folder(), "b.tar.age");
    await backupInto(store, file, new Date(), await identityToRecipient(identity));
    const bytes = readFileSync(file);
    expect(bytes.subarray(0, 21).toString()).toBe("age-encryption.org/v1");
    expect(bytes.includes("record.db")).toBe(false);
    const there = () => join(folder(), "b.db");
    expect(await codeOf(restore(file, there()))).toBe("bad-input");
    expect(await codeOf(restore(file, there(), new Date(), await generateIdentity()))).toBe("not-a-backup");
    const back = there();
    await restore(file, back, new Date(), identity);
    expect(findings(openStore(back))).toEqual([]);
  });
  it("that was changed or cut short is refused", async () => {
    const identity = await generateIdentity();
    const file = join(folder(), "b.tar.age");
    await backupInto(store, file, new Date(), await identityToRecipient(identity));
    const bytes = readFileSync(file);
    for (const other of [bytes.subarray(0, -20), Buffer.from(bytes).fill(7, 70_000, 70_010)]) {
      writeFileSync(file, other);
      const there = join(folder(), "b.db");
      expect(await codeOf(restore(file, there, new Date(), identity))).toBe("not-a-backup");
      expect(existsSync(there)).toBe(false);
    }
  });
  it("to nobody is not made", async () => {
    const file = join(folder(), "b.tar.age");
    expect(await codeOf(backupInto(store, file, new Date(), "somebody"))).toBe("bad-input");
    expect(existsSync(file)).toBe(false);
  });
});

describe("a record that was put back", () => {
  it("says so in the crew's log from the next start on, once", async () => {
    const there = join(folder(), "b.db");
    const file = await create();
    await restore(file, there);
    const back = openStore(there);
    for (let start = 0; start < 2; start++) logRestore(back);
    expect(crewLog(back, 10)).toMatchObject([
      { by: null, event: { kind: "acted", route: "restore", ref: expect.stringContaining("b.tar of ") } },
    ]);
    expect(findings(back)).toEqual([]);
  });
});

describe("the seals in a backup", () => {
  it("are held against the record in it: one that was set back is refused", async () => {
    keepSeal(store, store.$client.name);
    const before = await create();
    label(store, end, "later");
    keepSeal(store, store.$client.name);
    const later = await create();
    await restore(later, join(folder(), "b.db"));
    // The older record under the newer seals: as if what was done since had been taken out of it.
    const mixed = join(folder(), "mixed.tar");
    const files = new Map([...(await filesOf(before)), [SEALS, (await filesOf(later)).get(SEALS) ?? ""]]);
    const archive = pack();
    for (const [name, bytes] of files) archive.entry({ name }, Buffer.from(bytes));
    archive.finalize();
    await pipeline(archive, createWriteStream(mixed));
    expect(await codeOf(restore(mixed, join(folder(), "b.db")))).toBe("altered");
  });
});
