import { describe, expect, it } from "vitest";
import { asides, drop, dropped, setAside, tryAgain } from "./aside";
import { type Box, endsWaiting, pageBox, putIn, roomyBox, type Waiting, waitingFor } from "./outbox";

const reading = (n: number): Waiting => ({
  id: `00000000-0000-4000-8000-00000000000${n}`,
  client: "one",
  after: 3,
  at: `2026-11-26T08:00:0${n}.000Z`,
  by: null,
  event: {
    kind: "reading",
    check: "cleave",
    value: 9_300 as never,
    typed: "9.3",
    unit: "mm",
    instrument: { id: "calliper", name: "Calliper", resolution: 10 as never, repeatability: 60 as never },
  },
});
const SIGNED = { code: "signed", message: "This end was signed off by Osla.", path: [] } as const;

describe("what the server did not take", () => {
  it("is set aside with why, and what waits behind it goes on", () => {
    const box = pageBox();
    putIn(box, "end", reading(1));
    putIn(box, "end", reading(2));
    setAside(box, "end", reading(1), SIGNED);
    expect(waitingFor(box, "end").map(({ id }) => id)).toEqual([reading(2).id]);
    expect(asides(box)).toMatchObject([{ end: "end", event: { typed: "9.3" }, why: SIGNED.message }]);
  });
  it("tried again is the very same event, waiting once more", () => {
    const box = pageBox();
    putIn(box, "end", reading(1));
    setAside(box, "end", reading(1), SIGNED);
    const [aside] = asides(box);
    expect(aside && tryAgain(box, aside)).toBe(true);
    expect(asides(box)).toEqual([]);
    expect(waitingFor(box, "end")).toEqual([reading(1)]);
  });
  it("given up is gone from there, with its reason and all it said kept on this device's list", () => {
    const box = pageBox();
    putIn(box, "end", reading(1));
    setAside(box, "end", reading(1), SIGNED);
    const [aside] = asides(box);
    if (aside) drop(box, aside, "read twice", "2026-11-26T09:00:00.000Z");
    expect(asides(box)).toEqual([]);
    expect(dropped(box)).toMatchObject([
      { reason: "read twice", text: expect.stringContaining('"typed":"9.3"') },
    ]);
  });
  it.each(["not json", "{}", '{"id":"x"}', ""])(
    "and cannot read either is told, kept and never sent: %j",
    (text) => {
      const box = pageBox();
      box.setItem("arlent-waiting/end/2026/x", text);
      putIn(box, "end", reading(1));
      expect(waitingFor(box, "end")).toHaveLength(1);
      const [aside] = asides(box);
      expect(aside).toMatchObject({ end: "end", event: null, text });
      expect(aside && tryAgain(box, aside)).toBe(false);
      expect(box.getItem("arlent-waiting/end/2026/x")).toBe(text);
    },
  );
});

describe("a device whose storage is full", () => {
  const full = (): Box => ({
    ...pageBox(),
    length: 0,
    key: () => null,
    getItem: () => null,
    setItem: () => {
      throw new Error("QuotaExceededError");
    },
  });
  it("holds what is entered in the page, says so, and it is sent all the same", () => {
    let reported = 0;
    const box = roomyBox(full(), () => {
      reported += 1;
    });
    putIn(box, "end", reading(1));
    expect(reported).toBe(1);
    expect(endsWaiting(box)).toEqual(["end"]);
    expect(waitingFor(box, "end")).toEqual([reading(1)]);
  });
  it("with room again keeps it in its storage, once", () => {
    const storage = pageBox();
    let room = false;
    const box = roomyBox(
      {
        getItem: storage.getItem,
        removeItem: storage.removeItem,
        key: storage.key,
        get length() {
          return storage.length;
        },
        setItem: (key, value) => {
          if (!room) throw new Error("QuotaExceededError");
          storage.setItem(key, value);
        },
      },
      () => {},
    );
    box.setItem("arlent-waiting/end/a/1", "first");
    room = true;
    box.setItem("arlent-waiting/end/a/1", "second");
    expect([box.length, box.getItem("arlent-waiting/end/a/1"), storage.length]).toEqual([1, "second", 1]);
  });
});
