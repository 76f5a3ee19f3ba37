import { spawnSync } from "node:child_process";
import { createWriteStream, mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pipeline } from "node:stream/promises";
import sharp from "sharp";
import { pack } from "tar-stream";
import { beforeAll, describe, expect, it } from "vitest";
import { check, zBatch, zPhotoQuery } from "@/core";
import type { Store } from "@/store/database/store";
import { goldenFile } from "@/store/fixtures/golden";
import { openStore } from "@/store/opening/open";
import { photoBytes, photographsIn } from "@/store/record/photos";
import { registerHead } from "@/store/record/register";
import { isConsistent } from "@/store/record/tree";
import { actOn } from "../act";
import { changeCrew } from "../crew/rules";
import { startBatch } from "../end/batches";
import { addPhoto } from "../end/photos";
import { endRecord, recordJson } from "../end/record";
import { codeOf } from "../fixtures/code-of";
import { addTo, CAM, endRead, signedEnd } from "../fixtures/made-ends";
import { keepSeal } from "../keeping/kept-seals";
import { checkWholeRecord } from "../keeping/record-check";
import { END_FILE, HEAD } from "./bundle";
import { growthSince } from "./growth";
import { proofStream } from "./prove";
import { readProof } from "./read-proof";
import { takeIn } from "./take-in";
import { verified } from "./verify";

const folder = mkdtempSync(join(tmpdir(), "arlent-proof-"));
const NOW = new Date("2026-12-01T08:00:00Z");
let count = 0;
const fresh = (name: string): string => {
  count += 1;
  return join(folder, `${count}-${name}`);
};

type Files = ReadonlyMap<string, Uint8Array>;

async function written(store: Store, of: { end?: string; job?: string }): Promise<string> {
  const path = fresh("proof.tar");
  await pipeline(proofStream(store, of, NOW), createWriteStream(path));
  return path;
}

/** An archive of files as somebody else would pack it. */
async function packed(files: Files): Promise<string> {
  const path = fresh("packed.tar");
  const archive = pack();
  for (const [name, bytes] of files) archive.entry({ name }, Buffer.from(bytes));
  archive.finalize();
  await pipeline(archive, createWriteStream(path));
  return path;
}

const python = (path: string, ...more: string[]) =>
  spawnSync("python3", ["docs/verify.py", path, ...more], { encoding: "utf8" });

let store: Store;
let end: string;
let path: string;
let files: Files;

beforeAll(async () => {
  store = openStore(fresh("hall.db"));
  signedEnd(store, "Osla Brandt", 0);
  end = endRead(store, "measure", { "glass-end": 900 });
  const bytes = await sharp({ create: { width: 40, height: 30, channels: 3, background: "#d77" } })
    .png()
    .toBuffer();
  changeCrew(actOn(store), { kind: "photographs", originals: true });
  await addPhoto(actOn(store), end, check(zPhotoQuery, { client: "test" }), bytes);
  addTo(store, end, { kind: "label", job: "Moor", label: "Pad 4 “north”" });
  addTo(store, end, { kind: "sign", name: "Wyn Harrow", outcome: "kept" });
  signedEnd(store, "Wyn Harrow", 0);
  path = await written(store, { end });
  files = await readProof(path);
});

describe("a proof of one end", () => {
  it("holds for Arlent's own verifier and for the one in Python, which share no line", () => {
    const { seal, ends, findings } = verified(files);
    expect({ ends, findings }).toEqual({ ends: 1, findings: [] });
    const { status, stdout } = python(path);
    expect(stdout).toBe(`1 ends, sealed ${NOW.toISOString()}, site key ${seal?.key}\nIt holds.\n`);
    expect(status).toBe(0);
    expect(python(path, seal?.key ?? "").status).toBe(0);
    expect(python(path, "A".repeat(43))).toMatchObject({
      status: 1,
      stdout: expect.stringContaining("another key than the one published"),
    });
  });
  it("has the end word for word with its photograph as cleaned and as it came, and nothing of any other end", () => {
    const names = [...files.keys()];
    expect(names.filter((name) => END_FILE.test(name))).toEqual([`ends/${end}.json`]);
    expect(names.filter((name) => name.startsWith("photos/"))).toHaveLength(2);
    const proof = Buffer.from(files.get(`ends/${end}.json`) ?? []).toString();
    const rows = store.$client.prepare<[string], { id: string; body: string }>(
      "SELECT id, body FROM events WHERE end_id = ? ORDER BY seq",
    );
    expect(JSON.parse(proof).events).toMatchObject(rows.all(end));
    const others = store.$client
      .prepare<[string], string>("SELECT id FROM ends WHERE id <> ?")
      .pluck()
      .all(end);
    const all = [...files.values()].map((bytes) => Buffer.from(bytes).toString("latin1")).join();
    expect(others.filter((other) => all.includes(other))).toEqual([]);
  });
  it("runs as a command, and says of what is none that it is none", () => {
    const run = (...args: string[]) =>
      spawnSync(process.execPath, ["scripts/verify.mjs", ...args], { encoding: "utf8" });
    expect(run(path)).toMatchObject({ status: 0, stdout: expect.stringMatching(/It holds\.\n$/) });
    const other = fresh("other.tar");
    writeFileSync(other, "no archive at all");
    expect([run(other).status, python(other).status]).toEqual([2, 2]);
  });
});

/** A text with a digit or letter of a value changed. */
const changedIn = (text: string, value: string): string => {
  const at = text.indexOf(value);
  if (at < 0) throw new Error(`${value} is not in it`);
  const letter = text[at] === "1" ? "2" : "1";
  return `${text.slice(0, at)}${letter}${text.slice(at + 1)}`;
};

describe("a proof that was changed", () => {
  const altered = (name: string, change: (text: string) => string): Files =>
    new Map(files).set(name, Buffer.from(change(Buffer.from(files.get(name) ?? []).toString())));
  const endFile = () => `ends/${end}.json`;
  const proofOf = () => JSON.parse(Buffer.from(files.get(endFile()) ?? []).toString());
  const withEnd = (change: (proof: ReturnType<typeof proofOf>) => void): Files => {
    const proof = proofOf();
    change(proof);
    return altered(endFile(), () => JSON.stringify(proof));
  };
  type Change = readonly [string, () => Files];
  const CHANGES: readonly Change[] = [
    [
      "what an event says",
      () =>
        withEnd(({ events }) => {
          events[3].body = changedIn(events[3].body, "-");
        }),
    ],
    [
      "an event's hash",
      () =>
        withEnd(({ events }) => {
          events[2].hash = changedIn(events[2].hash, events[2].hash);
        }),
    ],
    [
      "an event taken out",
      () =>
        withEnd(({ events }) => {
          events.splice(2, 1);
        }),
    ],
    [
      "the last event taken off",
      () =>
        withEnd(({ events }) => {
          events.pop();
        }),
    ],
    [
      "all events taken off",
      () =>
        withEnd((proof) => {
          proof.events = [];
        }),
    ],
    [
      "two events in another order",
      () =>
        withEnd(({ events }) => {
          [events[1], events[2]] = [events[2], events[1]];
        }),
    ],
    [
      "what it was started as",
      () =>
        withEnd((proof) => {
          proof.founding = changedIn(proof.founding, "9/125");
        }),
    ],
    [
      "a document left out of the list",
      () =>
        withEnd(({ documents }) => {
          documents.pop();
        }),
    ],
    [
      "the line of its beginning left out",
      () =>
        withEnd((proof) => {
          proof.lines = proof.lines.filter(({ kind }: { kind: string }) => kind !== "end");
        }),
    ],
    [
      "a line's digest",
      () =>
        withEnd(({ lines }) => {
          lines[0].digest = changedIn(lines[0].digest, lines[0].digest);
        }),
    ],
    [
      "a line's place",
      () =>
        withEnd(({ lines }) => {
          lines[0].index += 1;
        }),
    ],
    [
      "a line's path",
      () =>
        withEnd(({ lines }) => {
          lines[0].path.pop();
        }),
    ],
    ["the seal's root", () => altered(HEAD, (text) => changedIn(text, JSON.parse(text).seal.split(" ")[4]))],
    ["the seal's time", () => altered(HEAD, (text) => text.replace("08:00:00.000Z ", "09:00:00.000Z "))],
    [
      "the seal's signature",
      () =>
        altered(HEAD, (text) => {
          const { seal, ...head } = JSON.parse(text);
          const at = seal.length - 40;
          return JSON.stringify({
            ...head,
            seal: `${seal.slice(0, at)}${seal[at] === "A" ? "B" : "A"}${seal.slice(at + 1)}`,
          });
        }),
    ],
    ["the number of ends", () => altered(HEAD, (text) => text.replace('"ends": 1', '"ends": 2'))],
    ["the end's file taken out", () => new Map([...files].filter(([name]) => name !== endFile()))],
    [
      "a document",
      () => {
        const [name = ""] = [...files.keys()].filter((each) => each.startsWith("documents/"));
        return altered(name, (text) => `${text} `);
      },
    ],
    [
      "a document taken out",
      () => {
        const [name] = [...files.keys()].filter((each) => each.startsWith("documents/"));
        return new Map([...files].filter(([each]) => each !== name));
      },
    ],
    [
      "the photograph",
      () => {
        const [name = ""] = [...files.keys()].filter((each) => each.startsWith("photos/"));
        return new Map(files).set(name, Buffer.from("another picture"));
      },
    ],
    ...[0, 1].map(
      (n): Change => [
        `photograph ${n + 1} of 2 taken out`,
        () => {
          const name = [...files.keys()].filter((each) => each.startsWith("photos/"))[n];
          return new Map([...files].filter(([each]) => each !== name));
        },
      ],
    ),
  ];
  it.each(CHANGES)("%s: both verifiers say that it does not hold", async (_, change) => {
    const other = change();
    expect(verified(other).findings).not.toEqual([]);
    const { status, stdout } = python(await packed(other));
    expect([status, stdout.includes("It does not hold.")]).toEqual([1, true]);
  });
});

describe("the register's growth", () => {
  it("is proven from each earlier seal to the newest, and from no other root", async () => {
    const earlier = keepSeal(store, store.$client.name, NOW);
    signedEnd(store, "Osla Brandt", 0);
    const later = keepSeal(store, store.$client.name, NOW);
    const { root, seal, proof } = growthSince(store, earlier.size, NOW);
    expect([root, seal]).toEqual([earlier.root, later.text]);
    expect(isConsistent(earlier, later, proof)).toBe(true);
    expect(isConsistent({ ...earlier, root: later.root }, later, proof)).toBe(false);
    expect(codeOf(() => growthSince(store, later.size + 1, NOW))).toBe("too-many");
  });
});

describe("a proof of many ends", () => {
  it("is of a job's, or of all, each with its own lines", async () => {
    const ofJob = verified(await readProof(await written(store, { job: "Moor" })));
    expect([ofJob.ends, ofJob.findings]).toEqual([1, []]);
    const all = await written(store, {});
    expect(verified(await readProof(all))).toMatchObject({ ends: 4, findings: [] });
    expect(python(all).status).toBe(0);
  });
  it("of a job nobody has, or of an end there is not, is refused", () => {
    expect(codeOf(() => proofStream(store, { job: "Nowhere" }, NOW))).toBe("not-found");
    expect(codeOf(() => proofStream(store, { end: "nowhere" }, NOW))).toBe("not-found");
  });
  it.each([4, 9, 13] as const)(
    "of a record that was written under schema %i holds as well",
    async (schema) => {
      const file = fresh("old.db");
      writeFileSync(file, goldenFile(schema));
      const old = await written(openStore(file), {});
      expect(verified(await readProof(old)).findings).toEqual([]);
      expect(python(old)).toMatchObject({ status: 0 });
    },
  );
});

describe("a proof taken into another record", () => {
  it("is there word for word, shows the same record, and is proven again", async () => {
    const other = openStore(fresh("other.db"));
    startBatch(actOn(store), check(zBatch, { ...CAM, count: 2, job: "Moor" }));
    const all = await readProof(await written(store, {}));
    expect(takeIn(other, all, NOW)).toEqual({ ends: 6, there: 0 });
    const rows = (of: Store) =>
      of.$client.prepare("SELECT id, end_id, seq, v, at, body, before, hash FROM events ORDER BY id").all();
    expect(rows(other)).toEqual(rows(store));
    const ids = store.$client.prepare<[], string>("SELECT id FROM ends").pluck().all();
    const shown = (of: Store) => ids.map((id) => recordJson(endRecord(of, id)));
    // Who a person is now is told where the people are known.
    const unnamed = (of: Store) =>
      shown(of).map(({ signed, ...record }) => ({
        ...record,
        signed: signed && { ...signed, called: null },
      }));
    expect(unnamed(other)).toEqual(unnamed(store));
    expect([...checkWholeRecord(other)].flatMap(({ findings }) => findings)).toEqual([]);
    expect(verified(await readProof(await written(other, {})))).toMatchObject({ ends: 6, findings: [] });
    expect(photographsIn(other).every((hash) => photoBytes(other, hash) !== null)).toBe(true);
    expect(takeIn(other, all, NOW)).toEqual({ ends: 0, there: 6 });
  });
  it("that does not hold, or says something else of an end that is there, changes nothing", async () => {
    const other = openStore(fresh("other.db"));
    const changed = new Map(files).set(HEAD, Buffer.from("{}"));
    expect(codeOf(() => takeIn(other, changed, NOW))).toBe("altered");
    takeIn(other, files, NOW);
    addTo(other, end, {
      kind: "correction",
      corrects: correctedIn(other),
      says: "Pad 5",
      why: "misread",
      name: "Wyn Harrow",
    });
    const before = registerHead(other);
    expect(codeOf(() => takeIn(other, files, NOW))).toBe("id-taken");
    expect(registerHead(other)).toEqual(before);
  });
  it("of the first version is moved by a backup instead", async () => {
    const file = fresh("old.db");
    writeFileSync(file, goldenFile(4));
    const old = await readProof(await written(openStore(file), {}));
    expect(codeOf(() => takeIn(openStore(fresh("other.db")), old, NOW))).toBe("newer");
  });
  it("runs as a command", () => {
    const database = fresh("other.db");
    openStore(database).$client.close();
    const { status, stdout } = spawnSync(process.execPath, ["scripts/import.mjs", path, database], {
      encoding: "utf8",
    });
    expect([status, stdout]).toEqual([0, "1 ends taken in\n"]);
  });
});

const correctedIn = (of: Store): string =>
  of.$client.prepare<[string], string>("SELECT id FROM events WHERE end_id = ? LIMIT 1").pluck().get(end) ??
  "";
