import sharp from "sharp";
import { beforeEach, describe, expect, it } from "vitest";
import { check, endState, InputError, zPhotoQuery } from "@/core";
import { sha256 } from "@/store/database/hash";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { dropPhoto, photographsIn } from "@/store/record/photos";
import { actOn } from "../act";
import { changeCrew } from "../crew/rules";
import { addTo, endRead, signedEnd } from "../fixtures/made-ends";
import { checkWholeRecord } from "../keeping/record-check";
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
    const { bytes } = await photoOf(store, photo?.sha256 ?? "");
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
    expect(await codeOf(photoOf(store, "../../a.db"))).toBe("not-found");
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
    expect((await photoOf(store, photo?.sha256 ?? "")).type).toBe("jpeg");
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
    expect(await codeOf(photoOf(store, sha256))).toBe("not-found");
  });
  it("is kept as the camera sent it too, once the crew says so, and is checked like the cleaned one", async () => {
    const sent = await picture(300, 200)
      .withMetadata({ exif: { IFD0: { Artist: "Somebody" } } })
      .png()
      .toBuffer();
    changeCrew(actOn(store), { kind: "photographs", originals: true });
    await addPhoto(actOn(store), end, check(zPhotoQuery, { client: "test" }), sent);
    const [{ sha256 = "", original } = {}] = photos();
    expect(original).toMatchObject({ type: "png", bytes: sent.length });
    expect(await photoOf(store, original?.sha256 ?? "")).toEqual({ bytes: sent, type: "png" });
    expect((await photoOf(store, sha256)).bytes.includes("Somebody")).toBe(false);
    expect(new Set(photographsIn(store))).toEqual(new Set([sha256, original?.sha256]));
    const findings = () => [...checkWholeRecord(store)].flatMap((stretch) => stretch.findings);
    expect(findings()).toEqual([]);
    dropPhoto(store, original?.sha256 ?? "");
    expect(findings()).toMatchObject([{ what: "The original of its photograph is gone or was changed." }]);
    changeCrew(actOn(store), { kind: "photographs", originals: false });
    await addPhoto(actOn(store), end, check(zPhotoQuery, { client: "test" }), sent);
    expect(photos().at(-1)?.original).toBeUndefined();
  });
  it("refused by the record leaves no original on the disk either", async () => {
    changeCrew(actOn(store), { kind: "photographs", originals: true });
    const bytes = await picture(35, 25).webp().toBuffer();
    const stranger = "7f1c5b5e-5c53-4f0e-9d0a-3a8e2f6a1b01";
    const refused = addPhoto(
      { ...actOn(store), actor: stranger },
      end,
      check(zPhotoQuery, { client: "test" }),
      bytes,
    );
    expect(await codeOf(refused)).toBe("unknown-person");
    expect(await codeOf(photoOf(store, sha256(bytes)))).toBe("not-found");
  });
});
