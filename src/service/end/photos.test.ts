import sharp from "sharp";
import { beforeEach, describe, expect, it } from "vitest";
import { check, endState, InputError, zPhotoQuery } from "@/core";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { dropPhoto } from "@/store/record/photos";
import { actOn } from "../act";
import { addTo, endRead, signedEnd } from "../fixtures/made-ends";
import { getEnd } from "./ends";
import { addPhoto, photoOf } from "./photos";

let store: Store;
let end: string;
beforeEach(() => {
  store = openStore(":memory:");
  end = endRead(store, "measure");
});
const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: "#89a" } });
const photos = () => endState(getEnd(store, end).events).photos;
const codeOf = async (work: Promise<unknown>): Promise<string> => {
  try {
    await work;
    return "taken";
  } catch (error) {
    if (error instanceof InputError) return error.problem.code;
    throw error;
  }
};

describe("a photograph of an end", () => {
  it("is kept upright, smaller, and without what the camera noted", async () => {
    const taken = await picture(4000, 3000)
      .withMetadata({ orientation: 6, exif: { IFD0: { Artist: "Somebody", ImageDescription: "51.5 N" } } })
      .jpeg()
      .toBuffer();
    expect(taken.includes("Somebody")).toBe(true);
    await addPhoto(actOn(store), end, check(zPhotoQuery, { client: "test", caption: "the cleave" }), taken);
    const [photo] = photos();
    expect(photo).toMatchObject({ width: 1500, height: 2000, caption: "the cleave" });
    const bytes = photoOf(store, photo?.sha256 as string);
    const { exif, orientation, format } = await sharp(bytes).metadata();
    expect({ exif, orientation, format }).toEqual({
      exif: undefined,
      orientation: undefined,
      format: "jpeg",
    });
    expect(bytes.includes("Somebody")).toBe(false);
  });
  it.each([
    ["text", Buffer.from("not a picture at all")],
    ["nothing", Buffer.alloc(0)],
    ["a drawing with script in it", Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>')],
  ])("%s is refused and nothing is kept", async (_what, bytes) => {
    expect(await codeOf(addPhoto(actOn(store), end, check(zPhotoQuery, { client: "test" }), bytes))).toBe(
      "not-a-photo",
    );
    expect(photos()).toEqual([]);
  });
  it("cut short on the way is refused", async () => {
    const whole = await picture(600, 400).jpeg().toBuffer();
    expect(
      await codeOf(
        addPhoto(actOn(store), end, check(zPhotoQuery, { client: "test" }), whole.subarray(0, 400)),
      ),
    ).toBe("not-a-photo");
  });
  it("is attached after the sign-off too; a name that is not a hash finds no file", async () => {
    end = signedEnd(store, "Osla Brandt", 0);
    await addPhoto(
      actOn(store),
      end,
      check(zPhotoQuery, { client: "test" }),
      await picture(30, 20).png().toBuffer(),
    );
    expect(photos()).toHaveLength(1);
    expect(await codeOf(Promise.resolve().then(() => photoOf(store, "../../a.db")))).toBe("not-found");
  });
  it("cannot be entered by what is said of it, kept or not: its size is measured, not claimed", async () => {
    await addPhoto(
      actOn(store),
      end,
      check(zPhotoQuery, { client: "test" }),
      await picture(30, 20).png().toBuffer(),
    );
    const [saved] = photos();
    for (const sha256 of ["0".repeat(64), saved?.sha256 ?? ""]) {
      const event = { kind: "photo", sha256, width: 9_000, height: 1, bytes: 1, caption: "" } as const;
      expect(await codeOf(Promise.resolve().then(() => addTo(store, end, event)))).toBe("bad-input");
    }
    expect(photos()).toHaveLength(1);
  });
  it("that is refused leaves nothing on the disk; one that another end has too stays", async () => {
    const bytes = await picture(31, 21).png().toBuffer();
    const by = (actor: string | null) =>
      codeOf(addPhoto({ ...actOn(store), actor }, end, check(zPhotoQuery, { client: "test" }), bytes));
    const stranger = "7f1c5b5e-5c53-4f0e-9d0a-3a8e2f6a1b01";
    expect(await by(stranger)).toBe("unknown-person");
    expect(photos()).toEqual([]);
    const events = await addPhoto(actOn(store), end, check(zPhotoQuery, { client: "test" }), bytes);
    const [photo] = endState(events).photos;
    expect(await by(stranger)).toBe("unknown-person");
    expect(photoOf(store, photo?.sha256 ?? "")).toBeInstanceOf(Buffer);
  });
  it("that is refused is not to be had by its hash", async () => {
    const bytes = await picture(33, 23).png().toBuffer();
    const elsewhere = openStore(":memory:");
    const other = endRead(elsewhere, "measure");
    const taken = await addPhoto(actOn(elsewhere), other, check(zPhotoQuery, { client: "test" }), bytes);
    const sha256 = endState(taken).photos[0]?.sha256 ?? "";
    dropPhoto(store, sha256);
    const stranger = "7f1c5b5e-5c53-4f0e-9d0a-3a8e2f6a1b01";
    await codeOf(
      addPhoto({ ...actOn(store), actor: stranger }, end, check(zPhotoQuery, { client: "test" }), bytes),
    );
    expect(await codeOf(Promise.resolve().then(() => photoOf(store, sha256)))).toBe("not-found");
  });
});
