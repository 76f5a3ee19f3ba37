import { randomUUID } from "node:crypto";
import { describe, expect, it } from "vitest";
import { liftedClosure, zClosurePlan } from "./closure";
import { PORT_ROLES } from "./ports";

const plan = (role: string, through: boolean) => ({
  name: "Pad 4 closure",
  entry: "entry-dome-gel",
  cables: [{ id: randomUUID(), cable: "loose-tube-36", role, through }],
});

describe("what a cable of a closure is for", () => {
  it.each(PORT_ROLES)("%s says by itself whether the cable goes through", (role) => {
    expect(zClosurePlan.safeParse(plan(role, role === "through")).success).toBe(true);
    expect(zClosurePlan.safeParse(plan(role, role !== "through")).error?.issues[0]?.path).toEqual([
      "cables",
      0,
      "through",
    ]);
  });
  it.each([
    ["branch", true, "through", true],
    ["drop", true, "through", true],
    ["through", false, "branch", false],
    ["drop", false, "drop", false],
    ["through", true, "through", true],
  ])("kept as %s, %s before, is prepared as it was: %s, %s", (role, through, now, still) => {
    const lifted = zClosurePlan.parse(liftedClosure(plan(role, through)));
    expect(lifted.cables[0]).toMatchObject({ role: now, through: still });
  });
});
