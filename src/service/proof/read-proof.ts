import { createReadStream } from "node:fs";
import { pipeline } from "node:stream/promises";
import { extract } from "tar-stream";

/** No file of a proof is larger: what is larger was not made here. Bytes. */
const MOST_BYTES = 64 * 1024 * 1024;

/** The files of a proof's archive, by name. @throws Error: no archive, or a file that is too large. */
export async function readProof(path: string): Promise<Map<string, Uint8Array>> {
  const files = new Map<string, Uint8Array>();
  const archive = extract();
  const reading = pipeline(createReadStream(path), archive);
  reading.catch(() => undefined);
  for await (const entry of archive) {
    const { name, size = 0, type } = entry.header;
    if (size > MOST_BYTES) throw new Error(`${name} is larger than a file of a proof can be.`);
    const chunks: Buffer[] = [];
    for await (const chunk of entry) chunks.push(chunk);
    if (type === "file") files.set(name, Buffer.concat(chunks));
  }
  await reading;
  return files;
}
