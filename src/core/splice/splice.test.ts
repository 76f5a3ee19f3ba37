import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { problemOf } from "../problem/check";
import { cutEndsOf, type SplicedCable } from "./fibres";
import { type Joint, readSplices, ringClosed, straight, toPigtails, tubeToTube } from "./patterns";
import { reviewSplices } from "./splice-check";
import { zSplicePlan } from "./splice-plan";

const { cables } = shippedLibrary();
const cableOf = (id: string) => {
  const cable = cables.find((of) => of.id === id);
  if (!cable) throw new Error(`no ${id}`);
  return cable;
};
const spliced = (number: number, id: string, more: Partial<SplicedCable> = {}): SplicedCable => ({
  id: `c${number}`,
  number,
  name: `Pad ${number} branch`,
  cable: cableOf(id),
  core: "9/125",
  through: false,
  parted: null,
  ...more,
});
const trunk = spliced(1, "loose-tube-36", { name: "Ring", through: true, parted: [7, 8, 9] });
const branch = spliced(2, "loose-tube-36");
const drop = spliced(3, "flat-drop", { name: "Gate drop" });
const ribbons = [spliced(4, "central-tube-ribbon-96"), spliced(5, "armoured-ribbon-96")] as const;
const all = [trunk, branch, drop, ...ribbons];

let next = 0;
const id = () => `00000000-0000-4000-8000-${String(++next).padStart(12, "0")}`;
const planOf = (joints: readonly Joint[], more: object = {}) =>
  zSplicePlan.parse({ splices: joints.map((joint) => ({ id: id(), ...joint })), ...more });
const review = (joints: readonly Joint[], more: object = {}) => reviewSplices(planOf(joints, more), all);
const messages = (joints: readonly Joint[], more: object = {}) =>
  review(joints, more).problems.map(({ kind, message }) => `${kind}: ${message.text}`);

describe("cut ends of a closure's cables", () => {
  it("are one of each fibre of a cable that ends, and two of each fibre that is parted of one that goes through", () => {
    expect(cutEndsOf(branch)).toHaveLength(36);
    expect(cutEndsOf(trunk).map(({ towards, fibre }) => `${towards}${fibre}`)).toEqual([
      "A7",
      "A8",
      "A9",
      "B7",
      "B8",
      "B9",
    ]);
  });
});

describe("patterns", () => {
  it("join each fibre to its like, as far as both go", () => {
    const joints = straight({ cable: branch, towards: null }, { cable: drop, towards: null });
    expect(joints).toEqual([
      { a: { cable: "c2", towards: null, fibre: 1 }, b: { cable: "c3", towards: null, fibre: 1 }, count: 1 },
    ]);
  });
  it("join a tube to a tube, and leave nothing wrong", () => {
    const joints = tubeToTube(
      { cable: branch, towards: null, tube: 2 },
      { cable: { ...branch, id: "c6" }, towards: null, tube: 1 },
    );
    expect(joints.map(({ a, b }) => [a.fibre, b.fibre])).toEqual(
      [7, 8, 9, 10, 11, 12].map((n) => [n, n - 6]),
    );
  });
  it("close a ring: both cut ends of every parted fibre, and nothing is left over of it", () => {
    const joints = ringClosed(trunk);
    expect(joints).toHaveLength(3);
    const { problems, leftOver } = reviewSplices(planOf(joints), [trunk]);
    expect([problems, leftOver]).toEqual([[], []]);
  });
  it("join whole ribbons in one sleeve each, and single fibres where that is not wished", () => {
    const [a, b] = ribbons.map((cable) => ({ cable, towards: null }) as const);
    if (!a || !b) throw new Error("two ribbon cables");
    expect(straight(a, b, true).map(({ count }) => count)).toEqual(Array(8).fill(12));
    expect(straight(a, b)).toHaveLength(96);
    expect(messages(straight(a, b, true))).toEqual([]);
  });
  it("give every fibre a pigtail of its own", () => {
    expect(toPigtails({ cable: drop, towards: null }, 5)).toEqual([
      {
        a: { cable: "c3", towards: null, fibre: 1 },
        b: { cable: "pigtail", towards: null, fibre: 5 },
        count: 1,
      },
    ]);
  });
});

describe("a typed list", () => {
  it("is read by a cable's number, its name or the beginning of it, and by tube and place", () => {
    const text = "1 A 7-8 = 2 2/1-2\n\nring B 9 = Gate drop 1\n2 12 → pigtail 3";
    expect(readSplices(text, all).map(({ a, b }) => [a.cable, a.towards, a.fibre, b.cable, b.fibre])).toEqual(
      [
        ["c1", "A", 7, "c2", 7],
        ["c1", "A", 8, "c2", 8],
        ["c1", "B", 9, "c3", 1],
        ["c2", null, 12, "pigtail", 3],
      ],
    );
  });
  it.each([
    ["1 A 7", "Line 1: “1 A 7” is not a splice. Write it like 1 3/1-6 = 2 1/1-6."],
    [
      "\n1 A 7-9 = 2 1-2",
      "Line 2: 3 fibres on the left and 2 on the right: both sides must have the same number.",
    ],
    ["9 1 = 2 1", "Line 1: No cable of this closure, or more than one, is called “9”. Use its number."],
    ["Pad 1 = 2 1", "Line 1: No cable of this closure, or more than one, is called “Pad”. Use its number."],
    ["2 7/1 = 3 1", "Line 1: Pad 2 branch has 6 × 6 fibres, 1 to 36."],
    ["2 2/7 = 3 1", "Line 1: Pad 2 branch has 6 × 6 fibres, 1 to 36."],
    ["2 = 3 1", "Line 1: “2” names no fibres. Write the cable and its fibres, like Pad 4 1/1-6 or 2 7-12."],
  ])("%j is refused in words", (text, message) => {
    let thrown: unknown;
    try {
      readSplices(text, all);
    } catch (error) {
      thrown = error;
    }
    expect(problemOf(thrown)?.message).toBe(message);
  });
});

const single = (a: [string, number, ("A" | "B")?], b: [string, number, ("A" | "B")?], count = 1): Joint => ({
  a: { cable: a[0], towards: a[2] ?? null, fibre: a[1] },
  b: { cable: b[0], towards: b[2] ?? null, fibre: b[1] },
  count,
});

describe("a splice plan held against its cables", () => {
  it("says at its row what is wrong, and which fibre was probably meant", () => {
    const { problems } = review([single(["c1", 7, "A"], ["c2", 1]), single(["c1", 8, "A"], ["c2", 1])]);
    expect(problems.map(({ message, instead }) => [message.text, instead?.fibre])).toEqual([
      ["2 Pad 2 branch, 1/1 is already in splice 1.", 2],
    ]);
  });
  it.each([
    [
      "a fibre beyond the cable",
      [single(["c2", 37], ["c3", 1])],
      "wrong: Pad 2 branch has 36 fibres, not 37.",
    ],
    [
      "a fibre that is not cut",
      [single(["c1", 5, "A"], ["c3", 1])],
      "wrong: Fibre 5 of Ring is not cut here.",
    ],
    [
      "no side of a through cable",
      [single(["c1", 7], ["c3", 1])],
      "wrong: Ring goes through: name the cut end, A or B.",
    ],
    [
      "a side of one that ends",
      [single(["c2", 7, "A"], ["c3", 1])],
      "wrong: Pad 2 branch ends here: it has one cut end for each fibre.",
    ],
    [
      "a cable that is gone",
      [single(["c9", 7], ["c3", 1])],
      "wrong: This cable is no longer in the closure.",
    ],
    [
      "a fibre to itself",
      [single(["c2", 7], ["c2", 7])],
      "wrong: A splice must join two different fibre ends.",
    ],
    [
      "fibres across two ribbons",
      [single(["c4", 7], ["c5", 1], 12)],
      "wrong: 12 fibres from here do not lie in one ribbon of Pad 4 branch.",
    ],
    [
      "no ribbon at all",
      [single(["c2", 1], ["c5", 1], 6)],
      "wrong: 6 fibres from here do not lie in one ribbon of Pad 2 branch.",
    ],
    [
      "other colours, with the like one free",
      [single(["c1", 7, "A"], ["c2", 2])],
      "look: blue to orange, and 2 Pad 2 branch, 1/1 is free. Is this meant?",
    ],
  ])("%s", (_, joints, message) => {
    expect(messages(joints)).toEqual([message]);
  });
  it("asks of no colour that nothing else could be meant by, nor of one with a note", () => {
    expect(messages([single(["c1", 8, "A"], ["c3", 1])])).toEqual([]);
    const noted = planOf([single(["c1", 7, "A"], ["c2", 2])]);
    const [splice] = noted.splices;
    if (!splice) throw new Error("one splice");
    expect(
      reviewSplices({ ...noted, splices: [{ ...splice, note: "as the ring was" }] }, all).problems,
    ).toEqual([]);
  });
  it("refuses glass of another class, and a fibre that is spliced and stored", () => {
    const multimode = { ...drop, core: "50/125" };
    expect(
      reviewSplices(planOf([single(["c2", 1], ["c3", 1])]), [branch, multimode]).problems[0]?.message.text,
    ).toBe("These fibres have different glass: 9/125 and 50/125.");
    const spares = [{ cable: "c2", towards: null, fibres: [1, 2], reason: "for pad 6" }];
    expect(messages([single(["c2", 1], ["c3", 1])], { spares })).toEqual([
      "wrong: 2 Pad 2 branch, 1/1 is listed as spare.",
    ]);
  });
  it("counts every fibre once: spliced, stored, or left over and named", () => {
    const spares = [
      {
        cable: "c2",
        towards: null,
        fibres: Array.from({ length: 30 }, (_, i) => i + 7),
        reason: "for pad 6",
      },
    ];
    const joints = [1, 2, 3].map((n) => single(["c1", n + 6, "A"], ["c2", n]));
    const { leftOver } = reviewSplices(planOf(joints, { spares }), [trunk, branch]);
    expect(leftOver.map(({ message }) => message.text)).toEqual([
      "1 B Ring: fibres 7–9 neither spliced nor stored.",
      "2 Pad 2 branch: fibres 4–6 neither spliced nor stored.",
    ]);
  });
});
