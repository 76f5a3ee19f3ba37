import { randomUUID } from "node:crypto";
import sharp from "sharp";
import type { z } from "zod";
import type { EndId } from "@/core";
import { InputError, PICTURES, type Recorded, type zPhotoQuery } from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { dropPhoto, keepPhoto, photoBytes } from "@/store/record/photos";
import { crewNow } from "@/store/workshop/crew";
import type { Act } from "../act";
import { getEnd, writeEvents } from "./ends";

/** The largest photograph taken in, and the longest side it is kept with. */
export const PHOTO_LIMIT = 12 * 1024 * 1024;
const LONGEST_SIDE = 2000;
const MOST_PIXELS = 60_000_000;

/**
 * Stores a photograph with an end: read as a picture and written again, turned upright, made smaller, with nothing of
 * what the camera noted (place, time, device). Its original bytes are stored beside it where the crew says so.
 * @throws InputError: not a JPEG, PNG or WebP picture, too large, or no such end.
 */
export async function addPhoto(
  act: Act,
  end: EndId,
  { client, caption, id = randomUUID() }: z.output<typeof zPhotoQuery>,
  bytes: Buffer,
): Promise<readonly Recorded[]> {
  const { store } = act;
  const { events } = getEnd(store, end);
  const { data, info, type } = await inTurn(() => redrawn(bytes));
  const cleaned = keepPhoto(store, data);
  const original = crewNow(store).storesOriginals ? keepPhoto(store, bytes) : null;
  const { sha256 } = cleaned;
  const { width, height, size } = info;
  try {
    return writeEvents(act, end, {
      client,
      after: events.at(-1)?.seq ?? 0,
      events: [
        {
          id,
          event: {
            ...{ kind: "photo", sha256, width, height, bytes: size, caption },
            ...(original && { original: { sha256: original.sha256, type, bytes: bytes.length } }),
          },
        },
      ],
    });
  } catch (error) {
    for (const { sha256, fresh } of [cleaned, ...(original ? [original] : [])])
      if (fresh) dropPhoto(store, sha256);
    throw error;
  }
}

let last: Promise<unknown> = Promise.resolve();

/** One picture is opened at a time: each takes memory for every pixel of it. */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = last.then(work, work);
  last = mine.catch(() => undefined);
  return mine;
}

async function redrawn(bytes: Buffer) {
  const refused = (cause?: unknown) =>
    new InputError("not-a-photo", say("only-jpeg-png-or-webp-pictures-can"), ["photo"], { cause });
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: "error" });
    const { format } = await picture.metadata();
    const type = PICTURES.find((each) => each === format);
    if (!type) throw refused(format);
    const cleaned = await picture
      .rotate()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: "inside", withoutEnlargement: true })
      .flatten({ background: "#ffffff" })
      .jpeg({ quality: 85 })
      .toBuffer({ resolveWithObject: true });
    return { ...cleaned, type };
  } catch (cause) {
    throw refused(cause);
  }
}

/** A photograph's bytes and what kind of picture they are. @throws InputError `not-found`. */
export async function photoOf(
  store: Store,
  sha256: string,
): Promise<{ readonly bytes: Buffer; readonly type: (typeof PICTURES)[number] }> {
  const bytes = photoBytes(store, sha256);
  if (!bytes) throw new InputError("not-found", say("no-photograph-by-that-name-is-stored"), ["sha256"]);
  const { format } = await sharp(bytes).metadata();
  return { bytes, type: PICTURES.find((each) => each === format) ?? "jpeg" };
}

/** The most photographs of one record put on paper. */
const MOST_ON_PAPER = 6;

/** The photographs of some records, by hash; those that are gone are left out. */
export function photosOf(
  store: Store,
  records: readonly { readonly photos: readonly { readonly sha256: string }[] }[],
): Map<string, Buffer> {
  const photographs = records
    .flatMap(({ photos }) => photos.slice(0, MOST_ON_PAPER))
    .flatMap(({ sha256 }) => {
      const bytes = photoBytes(store, sha256);
      return bytes ? [[sha256, bytes] as const] : [];
    });
  return new Map(photographs);
}
