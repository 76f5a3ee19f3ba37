import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { leadCount, leadLoss, zDevice } from "./device";
import type { SplicedCable } from "./fibres";
import { fibreEndText } from "./fibres";
import { openJoint, splicedIn } from "./open-joint";
import { reviewSplices } from "./splice-check";
import { zSplicePlan } from "./splice-plan";

const loose = shippedLibrary().cables.find(({ id }) => id === "loose-tube-36");
if (!loose) throw new Error("a cable");
const trunk: SplicedCable = {
  ...{ id: "c1", number: 1, name: "Hill feeder", cable: loose, core: "9/125", through: true, parted: [7] },
};
let next = 0;
const nextId = () => `00000000-0000-4000-8000-${String(++next).padStart(12, "0")}`;
const jointOf = (labels: readonly string[], lightFrom: "A" | "B" = "A") =>
  openJoint({
    ...{ cable: "c1", fibre: 7, lightFrom, tapPct: 10, excessDb: 0.2, splitExcessDb: 0.4, labels, nextId },
  });
const planOf = (joint: ReturnType<typeof jointOf>) => zSplicePlan.parse(joint);

describe("losses of taps and splitters", () => {
  it("are by their shares: 1 : 99 takes 20.0 dB to its drop and 0.044 dB on, 1 : 4 takes 6.02 dB (check value 20)", () => {
    const tap = { kind: "tap", tapPct: 1, excessDb: 0 } as const;
    expect(leadLoss(tap, 1, 3)).toBeCloseTo(20, 6);
    expect(leadLoss(tap, 1, 2)).toBeCloseTo(0.044, 3);
    expect(leadLoss({ kind: "splitter", outputs: 4, excessDb: 0 }, 1, 3)).toBeCloseTo(6.02, 2);
  });
  it("are the same both ways, and no light goes from output to output (property)", () => {
    const any = fc.oneof(
      fc.record({
        kind: fc.constant("tap" as const),
        tapPct: fc.integer({ min: 1, max: 99 }),
        excessDb: fc.integer({ min: 0, max: 20 }).map((n) => n / 10),
      }),
      fc.record({
        kind: fc.constant("splitter" as const),
        outputs: fc.integer({ min: 2, max: 64 }),
        excessDb: fc.constant(0.4),
      }),
    );
    fc.assert(
      fc.property(any, fc.nat(), fc.nat(), (device, x, y) => {
        const leads = leadCount(device);
        const [a, b] = [1 + (x % leads), 1 + (y % leads)];
        expect(leadLoss(device, a, b)).toBe(leadLoss(device, b, a));
        expect(leadLoss(device, a, b) === null).toBe(a === b || (a !== 1 && b !== 1));
      }),
    );
  });
});

describe("an open joint", () => {
  it("cuts one fibre, takes both its ends to a tap and its drop to a splitter: nothing is wrong or left over", () => {
    const plan = planOf(jointOf(["Cottage 1", "Cottage 2", "Cottage 3", "Cottage 4"]));
    expect(plan.devices.map(({ kind }) => kind)).toEqual(["tap", "splitter"]);
    expect(reviewSplices(plan, [trunk])).toEqual({ problems: [], leftOver: [] });
    const cables = splicedIn({ cables: [trunk], plan });
    expect(plan.splices.map(({ a, b }) => [fibreEndText(cables, a), fibreEndText(cables, b)])).toEqual([
      ["1 A Hill feeder, 2/1", "2 tap 10 %, input"],
      ["2 tap 10 %, through", "1 B Hill feeder, 2/1"],
      ["2 tap 10 %, drop", "3 splitter 1:4, input"],
    ]);
  });
  it("with one output ends on the tap's own drop, and with light from B begins there", () => {
    const plan = planOf(jointOf(["Weather hut"], "B"));
    expect(plan.devices).toMatchObject([{ kind: "tap", ports: [{ lead: 3, label: "Weather hut" }] }]);
    expect(plan.splices.map(({ a }) => a.towards)).toEqual(["B", null]);
    expect(reviewSplices(plan, [trunk])).toEqual({ problems: [], leftOver: [] });
  });
  it("says of a lead that is neither spliced nor on a port that it is left over, and of a port that it is not spliced", () => {
    const joint = jointOf(["Cottage 1", "Cottage 2"]);
    const bare = planOf({ ...joint, devices: joint.devices.map((device) => ({ ...device, ports: [] })) });
    expect(reviewSplices(bare, [trunk]).leftOver.map(({ fibres }) => fibres)).toEqual([[2, 3]]);
    const [, splitter] = joint.devices;
    const [first] = joint.splices;
    if (!first || !splitter) throw new Error("an open joint");
    const spliced = planOf({
      ...joint,
      splices: [
        ...joint.splices,
        {
          ...first,
          id: nextId(),
          a: { ...first.a, cable: splitter.id, towards: null, fibre: 2 },
          b: { cable: "pigtail", towards: null, fibre: 1 },
        },
      ],
    });
    expect(
      reviewSplices(spliced, [trunk])
        .problems.map(({ message }) => message.text)
        .join(),
    ).toMatch(/ends on a labelled port/);
  });
  it("refuses a splitter of one output, and a share that is none", () => {
    const id = nextId();
    expect(zDevice.safeParse({ kind: "splitter", id, outputs: 1, excessDb: 0 }).success).toBe(false);
    expect(zDevice.safeParse({ kind: "tap", id, tapPct: 100, excessDb: 0 }).success).toBe(false);
    expect(zDevice.safeParse({ kind: "tap", id, tapPct: 10, excessDb: 0 }).success).toBe(true);
  });
});
