import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { FACE_KINDS, type FaceMark, gradeFace, zEndFace, zoneOf } from "./end-face";

const defect = (size: number, x: number, y = 0): FaceMark => ({
  ...{ kind: "defect", size, at: { x, y }, to: null, zone: null },
});
const scratch = (size: number, from: [number, number], to: [number, number]): FaceMark => ({
  ...{ kind: "scratch", size, zone: null },
  ...{ at: { x: from[0], y: from[1] }, to: { x: to[0], y: to[1] } },
});
const passes = (face: (typeof FACE_KINDS)[number], ...marks: FaceMark[]) => gradeFace({ face, marks }).passes;
const times = (count: number, mark: FaceMark): FaceMark[] => Array.from({ length: count }, () => mark);

describe("the zones of an end face (IEC 61300-3-35, from memory)", () => {
  it("take a mark where its edge comes nearest to the core", () => {
    expect(zoneOf("single-mode-45", defect(1, 13))).toBe("A");
    expect(zoneOf("single-mode-45", defect(1, 14))).toBe("B");
    expect(zoneOf("multimode", defect(1, 14))).toBe("A");
    expect(zoneOf("single-mode-45", scratch(1, [-100, 5], [100, 5]))).toBe("A");
    expect(zoneOf("single-mode-45", scratch(1, [-100, 40], [100, 40]))).toBe("B");
    expect(zoneOf("single-mode-45", defect(2, 64))).toBe("C");
    expect(zoneOf("single-mode-45", defect(2, 90))).toBe("D");
    expect(zoneOf("single-mode-45", defect(2, 200))).toBeNull();
  });
  it("fail by what their criteria do not take, and by no more", () => {
    expect(passes("single-mode-45")).toBe(true);
    expect(passes("single-mode-45", defect(0.1, 0))).toBe(false);
    expect(passes("single-mode-45", ...times(50, defect(1.9, 40)))).toBe(true);
    expect(passes("single-mode-45", ...times(5, defect(5, 40)))).toBe(true);
    expect(passes("single-mode-45", ...times(6, defect(2, 40)))).toBe(false);
    expect(passes("single-mode-45", defect(5.1, 40))).toBe(false);
    expect(passes("single-mode-45", defect(9.9, 90), defect(200, 64.9))).toBe(false);
    expect(passes("single-mode-45", defect(9.9, 90), defect(2, 64.9))).toBe(true);
    expect(passes("single-mode-45", defect(10, 90))).toBe(false);
    expect(passes("single-mode-angled", ...times(4, scratch(3, [0, 5], [9, 5])))).toBe(true);
    expect(passes("single-mode-angled", ...times(5, scratch(3, [0, 5], [9, 5])))).toBe(false);
    expect(passes("single-mode-26", ...times(2, defect(3, 0)))).toBe(true);
    expect(passes("single-mode-26", ...times(3, defect(3, 0)))).toBe(false);
    expect(passes("multimode", ...times(4, defect(5, 0)), scratch(3, [0, 0], [20, 20]))).toBe(true);
    expect(passes("multimode", scratch(3.1, [0, 0], [20, 20]))).toBe(false);
  });
  it("say why they fail: how many, how large, and what they take", () => {
    const { zones } = gradeFace({
      face: "single-mode-45",
      marks: [...times(6, defect(4, 40)), defect(8, 40)],
    });
    expect(zones.find(({ zone }) => zone === "B")).toEqual({
      ...{ zone: "B", scratches: 0, defects: 7 },
      faults: [
        { kind: "defect", why: "too-large", count: 1, largest: 8, allowed: 5, upTo: 5 },
        { kind: "defect", why: "too-many", count: 6, largest: 4, allowed: 5, upTo: 5 },
      ],
    });
  });
  it("one mark more never makes a face pass, nor a larger one (property)", () => {
    const any = fc.record({
      kind: fc.constantFrom("scratch" as const, "defect" as const),
      size: fc.integer({ min: 1, max: 300 }).map((n) => n / 10),
      zone: fc.constantFrom("A" as const, "B" as const, "C" as const, "D" as const),
      at: fc.constant(null),
      to: fc.constant(null),
    });
    fc.assert(
      fc.property(
        fc.constantFrom(...FACE_KINDS),
        fc.array(any, { maxLength: 9 }),
        any,
        (face, marks, more) => {
          const before = gradeFace({ face, marks }).passes;
          const after = gradeFace({ face, marks: [...marks, more] }).passes;
          expect(before || !after).toBe(true);
          const larger = marks.map((mark) => ({ ...mark, size: mark.size + 5 }));
          expect(before || !gradeFace({ face, marks: larger }).passes).toBe(true);
        },
      ),
    );
  });
  it("refuse a mark with both a place and a zone, or neither", () => {
    const mark = { kind: "defect", size: 2, at: null, to: null, zone: null };
    const face = (...marks: object[]) =>
      zEndFace.safeParse({ kind: "end-face", face: "multimode", marks, photo: null }).success;
    expect(face(mark)).toBe(false);
    expect(face({ ...mark, zone: "A", at: { x: 0, y: 0 } })).toBe(false);
    expect(face({ ...mark, zone: "A" }, { ...mark, at: { x: 0.3, y: -0.7 } })).toBe(true);
  });
});
