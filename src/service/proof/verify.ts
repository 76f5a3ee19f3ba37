import { createPublicKey, verify } from "node:crypto";
import { z } from "zod";
import { canonical, linkHash, sha256 } from "@/store/database/hash";
import { eventHash } from "@/store/record/chain";
import { lineLeaf } from "@/store/record/register-tree";
import { rootByInclusion } from "@/store/record/tree";
import { type SignedSeal, signedSealIn } from "../keeping/kept-seals";
import { DOCUMENT_FILE, END_FILE, HEAD, PHOTOGRAPH_FILE, type ProvenEnd, zHead, zProvenEnd } from "./bundle";

/** What a proof came to: the seal it is under, and what does not hold. */
interface Verified {
  readonly seal: SignedSeal | null;
  readonly ends: number;
  readonly findings: readonly string[];
}

const parsed = (file: Uint8Array | undefined): unknown => {
  try {
    return JSON.parse(Buffer.from(file ?? []).toString("utf8"));
  } catch {
    return null;
  }
};

/** Verifies a proof by its files alone: nothing of a record is asked. */
export function verified(files: ReadonlyMap<string, Uint8Array>): Verified {
  const head = zHead.safeParse(parsed(files.get(HEAD)));
  const seal = head.success ? signedSealIn(head.data.seal) : null;
  if (!head.success || seal === null)
    return { seal: null, ends: 0, findings: ["This is no proof: its head cannot be read."] };
  const named = [...files.keys()].filter((name) => END_FILE.test(name));
  const count =
    named.length === head.data.ends ? [] : ["Ends are missing, or there are more than its head says."];
  const signed = isSigned(seal) ? [] : ["The seal is not signed by the key it names."];
  const ofEnds = named.flatMap((name) => {
    const end = zProvenEnd.safeParse(parsed(files.get(name)));
    if (!end.success) return [`${name}: it cannot be read.`];
    return endOff(end.data, seal, files).map((finding) => `${end.data.id}: ${finding}`);
  });
  return { seal, ends: named.length, findings: [...signed, ...count, ...filesOff(files), ...ofEnds] };
}

/** Whether a seal is signed by the key it names (Ed25519, RFC 8032). */
function isSigned({ line, key, signature }: SignedSeal): boolean {
  const publicKey = createPublicKey({ key: { kty: "OKP", crv: "Ed25519", x: key }, format: "jwk" });
  return verify(null, Buffer.from(line), publicKey, Buffer.from(signature, "base64url"));
}

/** Documents and photographs that are not what their name says. */
const filesOff = (files: ReadonlyMap<string, Uint8Array>): string[] =>
  [...files].flatMap(([name, bytes]) => {
    const hash = (DOCUMENT_FILE.exec(name) ?? PHOTOGRAPH_FILE.exec(name))?.[1];
    return hash === undefined || sha256(bytes) === hash ? [] : [`${name}: it was changed.`];
  });

function endOff(end: ProvenEnd, seal: SignedSeal, files: ReadonlyMap<string, Uint8Array>): string[] {
  const off: string[] = [];
  const has = (kind: string, ref: string, digest?: string) =>
    end.lines.some(
      (line) => line.kind === kind && line.ref === ref && (digest ?? line.digest) === line.digest,
    );
  const founding = end.founding === null ? sha256(JSON.stringify(end.founding1)) : linkHash("", end.founding);
  // What version 1 was started as is bound by its chain alone: its line says more than the proof has.
  if (end.founding === null ? !has("end", end.id) : !has("end", end.id, founding))
    off.push("what it was started as is not what the register has.");
  let before = founding;
  for (const event of end.events) {
    const hash = eventHash({ ...event, endId: end.id });
    if (event.before !== before || event.hash !== hash) off.push(`event ${event.seq} was changed.`);
    if (event.seq !== end.events.indexOf(event) + 1) off.push(`event ${event.seq} is out of its place.`);
    before = event.hash;
  }
  if (end.events.length > 0 && !has("head", end.id, before))
    off.push("the register has another last event than this.");
  if (end.batch && !has("batch", end.batch.id, sha256(canonical(end.batch))))
    off.push("its batch was changed.");
  const hashes = new Set(end.events.map(({ hash }) => hash));
  for (const { kind, digest } of end.lines)
    if (kind === "signed" && !hashes.has(digest)) off.push("a sign-off the register has is not here.");
  for (const line of end.lines)
    if (rootByInclusion(lineLeaf(line), line.index, seal.size, line.path) !== seal.root)
      off.push(`line ${line.index + 1} of the register is not under the seal.`);
  for (const hash of end.documents) {
    if (!files.has(`documents/${hash}.json`)) off.push(`document ${hash.slice(0, 12)} is missing.`);
    if (!has("document", hash)) off.push(`document ${hash.slice(0, 12)} is not in the register.`);
  }
  for (const hash of end.photographs)
    if (!files.has(`photos/${hash}.jpg`)) off.push(`photograph ${hash.slice(0, 12)} is missing.`);
  return [...off, ...foundingOff(end), ...photographsOff(end)];
}

const zDocuments = z.looseObject({
  procedure: z.string(),
  cable: z.string(),
  tools: z.string(),
  sheet: z.string(),
});

function documentsIn(founding: string): readonly string[] {
  const said = zDocuments.safeParse(parsed(Buffer.from(founding)));
  return said.success ? [said.data.procedure, said.data.cable, said.data.tools, said.data.sheet] : [""];
}

/** Documents the founding names that the proof does not list. */
function foundingOff({ founding, founding1, documents }: ProvenEnd): string[] {
  const said = founding === null ? founding1?.slice(2, 5) : documentsIn(founding);
  return (said ?? []).every((hash) => documents.includes(String(hash)))
    ? []
    : ["a document it was made by is left out."];
}

const photographsOff = ({ events, photographs }: ProvenEnd): string[] =>
  events.every(({ body }) =>
    [...body.matchAll(/"sha256":"([0-9a-f]{64})"/g)].every(([, hash = ""]) => photographs.includes(hash)),
  )
    ? []
    : ["a photograph of it is left out."];
