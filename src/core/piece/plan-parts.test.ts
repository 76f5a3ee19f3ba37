import { describe, expect, it } from "vitest";
import { WORLD } from "../fixtures/example-world";
import { planParts } from "./plan-parts";

const { loose, plan } = WORLD;
const sheet = (consumed: number) => ({ consumed }) as never;
const style = (id: string, opens: readonly number[] = []) => ({
  id,
  sheet: sheet(1),
  onto: [{ id: "pigtail", sheet: sheet(2) }],
  opens,
});
const planned = (procedure: string, ends = 0) => ({
  ...plan,
  sides: {
    ...plan.sides,
    A: { ...plan.sides.A, procedure, ends, onto: { procedure: "pigtail", choices: {}, retries: null } },
  },
});
const sheets = { cable: loose, styles: [style("stub", [12, 12, 6])], midRun: [], own: { A: null, B: null } };

describe("what a plan is worked out from", () => {
  it("is the procedure's defaults, and nothing at a side without a procedure", () => {
    expect(planParts(planned("stub"), sheets).sheets).toEqual({ A: sheet(1), B: null });
  });
  it("is the sheet picked there, while it is of the procedure planned", () => {
    const own = { A: { procedure: "stub", sheet: sheet(7) }, B: null };
    expect(planParts(planned("stub"), { ...sheets, own }).sheets.A).toEqual(sheet(7));
    const other = { A: { procedure: "polish", sheet: sheet(7) }, B: null };
    expect(planParts(planned("stub"), { ...sheets, own: other }).sheets.A).toEqual(sheet(1));
  });
  it("counts the elements that the ends planned open onto", () => {
    expect(planParts(planned("stub", 2), sheets).opened.A).toEqual({ sheet: sheet(2), ends: 24 });
  });
  it("knows how far each procedure for mid-run works", () => {
    expect(planParts(plan, { ...sheets, midRun: [{ id: "window", reach: 900_000 }] }).reach).toEqual({
      window: 900_000,
    });
  });
});
