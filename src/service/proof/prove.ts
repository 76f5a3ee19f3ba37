import { readFileSync } from "node:fs";
import { join } from "node:path";
import { Readable } from "node:stream";
import { pack } from "tar-stream";
import type { z } from "zod";
import { type EndId, InputError } from "@/core";
import { say, t } from "@/messages/service";
import { PROGRAM } from "@/store/database/program";
import type { Store } from "@/store/database/store";
import { eventRows, foundingParts1 } from "@/store/record/chain";
import { findDocument } from "@/store/record/documents";
import { endIdsFrom, endIdsOfJob, findBatch, findEnd } from "@/store/record/ends";
import { photoBytes } from "@/store/record/photos";
import { linesAbout, registerTree } from "@/store/record/register-tree";
import { endRecord, recordJson } from "../end/record";
import { type SignedSeal, sealNow } from "../keeping/kept-seals";
import { HEAD, type ProvenEnd, type zHead } from "./bundle";

/** Which ends a proof is of: one, those of a job by its name, or all. */
interface ProofOf {
  readonly end?: string | undefined;
  readonly job?: string | undefined;
}

const AT_ONCE = 50;

function* endsOf(store: Store, { end, job }: ProofOf): Generator<EndId> {
  if (end !== undefined) {
    if (!findEnd(store, end))
      throw new InputError("not-found", say("no-end-with-the-id-is-on", { id: end.slice(0, 60) }), ["end"]);
    yield end;
    return;
  }
  if (job !== undefined) return yield* endIdsOfJob(store, job);
  for (let after = ""; ; ) {
    const ids = endIdsFrom(store, after, AT_ONCE);
    yield* ids;
    const last = ids.at(-1);
    if (last === undefined || ids.length < AT_ONCE) return;
    after = last;
  }
}

const NAMED = /"sha256":"([0-9a-f]{64})"/g;

/** An end with its lines of the register, each proven to be under a seal. */
function provenEnd(store: Store, id: EndId, { size }: SignedSeal): ProvenEnd {
  const row = findEnd(store, id);
  if (!row) throw new InputError("not-found", say("no-end-with-the-id-is-on", { id }), ["end"]);
  const tree = registerTree(store);
  const events = eventRows(store, id).map(({ v, id: event, seq, at, client, body, before, hash }) => ({
    ...{ v, id: event, seq, at, client, body, before, hash },
  }));
  const batch = row.batchId === null ? null : (findBatch(store, row.batchId) ?? null);
  const documents = [row.procedureHash, row.cableHash, row.toolsHash, row.sheetHash].filter(
    (hash) => hash !== null,
  );
  const lines = linesAbout(store, [id, ...(batch ? [batch.id] : []), ...documents]).filter(
    ({ index }) => index < size,
  );
  // Of how far its chain had come, the last is enough: it takes in all before it.
  const lastHead = lines.findLast(({ kind }) => kind === "head");
  return {
    id,
    founding: row.founding,
    founding1: row.founding === null ? foundingParts1(row) : null,
    batch,
    events,
    documents,
    photographs: [
      ...new Set(events.flatMap(({ body }) => [...body.matchAll(NAMED)].map(([, hash = ""]) => hash))),
    ],
    lines: lines
      .filter((line) => line.kind !== "head" || line === lastHead)
      .map(({ index, kind, ref, digest }) => ({
        index,
        kind,
        ref,
        digest,
        path: tree.inclusion(index, size),
      })),
  };
}

const text = (value: unknown): string => `${JSON.stringify(value, null, 1)}\n`;

/** The files of a proof one after the other: its head first, documents and photographs once. */
function* filesOf(store: Store, of: ProofOf, now: Date): Generator<{ name: string; body: string | Buffer }> {
  const ids = [...endsOf(store, of)];
  if (ids.length === 0) throw new InputError("not-found", say("there-is-no-end-to-prove"), ["job"]);
  const seal = sealNow(store, store.$client.name, now);
  const head: z.input<typeof zHead> = {
    ...{ arlent: "proof", v: 1, program: PROGRAM, at: now.toISOString(), seal: seal.text, ends: ids.length },
  };
  yield { name: HEAD, body: text(head) };
  const folder = join(process.cwd(), "docs");
  yield { name: "verify.py", body: readFileSync(join(folder, "verify.py"), "utf8") };
  yield { name: "HOW-TO-VERIFY.md", body: readFileSync(join(folder, "verify.md"), "utf8") };
  const written = new Set<string>();
  for (const id of ids) {
    const end = provenEnd(store, id, seal);
    yield { name: `ends/${id}.json`, body: text(end) };
    yield { name: `records/${id}.json`, body: text(recordJson(endRecord(store, id))) };
    for (const hash of end.documents.filter((hash) => !written.has(hash))) {
      written.add(hash);
      yield { name: `documents/${hash}.json`, body: findDocument(store, hash)?.body ?? "" };
    }
    for (const hash of end.photographs.filter((hash) => !written.has(hash))) {
      written.add(hash);
      const bytes = photoBytes(store, hash);
      if (bytes) yield { name: `photos/${hash}.jpg`, body: bytes };
    }
  }
}

/**
 * A proof for a stranger: ends word for word with their documents and photographs, the signed seal they are under, and how
 * to verify it without Arlent; a tar archive, made as it is read.
 * @throws InputError `not-found`.
 */
export function proofStream(store: Store, of: ProofOf, now: Date): Readable {
  const files = filesOf(store, of, now);
  const first = files.next();
  const archive = pack();
  const put = ({ name, body }: { name: string; body: string | Buffer }) =>
    new Promise<void>((next, failed) => {
      archive.entry({ name, mtime: now }, body, (error) => (error ? failed(error) : next()));
    });
  const fill = async () => {
    if (!first.done) await put(first.value);
    for (const file of files) {
      await put(file);
      await new Promise((next) => setImmediate(next));
    }
    archive.finalize();
  };
  // The client may leave before it is whole.
  archive.on("error", () => undefined);
  fill().catch((error) => archive.destroy(error));
  return Readable.from(archive);
}

/** What a proof's file is called: what it is of, and when it was made. */
export function proofName({ end, job }: ProofOf, at: Date): string {
  const day = at.toISOString().slice(0, 10);
  const of = (end ?? job ?? "all").replaceAll(/[^A-Za-z0-9]+/g, "-").slice(0, 40);
  return `arlent-proof-${of}-${day}.tar`;
}

/** The proof of one end as a file to go with its paper, and the seal it is under. */
export async function proofToAttach(store: Store, end: EndId, at: Date) {
  const { text: seal } = sealNow(store, store.$client.name, at);
  const chunks: Buffer[] = [];
  for await (const chunk of proofStream(store, { end }, at)) chunks.push(chunk);
  const bytes = new Uint8Array(Buffer.concat(chunks));
  return {
    seal,
    bytes,
    name: proofName({ end }, at),
    mime: "application/x-tar",
    about: t("what-proves-this-record"),
  };
}
