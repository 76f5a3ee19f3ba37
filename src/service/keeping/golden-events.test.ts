import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { drawnEnd, endState, featureOf, mustHoldAt, recordOf, reworkedSheet, trimDue } from "@/core";
import { goldenEvents3 } from "@/store/fixtures/golden";
import { openStore } from "@/store/opening/open";
import { getEnd } from "../end/ends";
import { addTo } from "../fixtures/made-ends";
import { checkWholeRecord } from "./record-check";

const file = join(mkdtempSync(join(tmpdir(), "arlent-golden-")), "events-3.db");
writeFileSync(file, goldenEvents3());
const store = openStore(file);
const labelled = (label: string): string =>
  store.$client
    .prepare<[string], string>("SELECT id FROM ends WHERE label LIKE ? || '%'")
    .pluck()
    .get(label) ?? "";
const report = (id: string) => {
  const { sheet, events } = getEnd(store, id);
  const state = endState(events);
  return { sheet, state, shown: reworkedSheet(sheet, state) };
};
const line = (shown: ReturnType<typeof report>["shown"], step: string) =>
  mustHoldAt(
    shown.lines.filter((line) => line.step.id === step),
    0,
  );
const findings = () => [...checkWholeRecord(store)].flatMap((end) => end.findings);

describe("ends reworked by version 3 of the events, which counted from the end as it first was", () => {
  it.each(["fibre 1", "fibre 2"])("%s, in progress, is told from its end as it is now", (label) => {
    const { shown } = report(labelled(label));
    const at = (id: string) => featureOf(shown, id).position;
    expect([at("cable-end"), at("buffer-edge"), at("jacket-edge")]).toEqual([0, 37_000, 65_000]);
    // It was shown as 46.5 before the buffer edge.
    expect(line(shown, "cleave").figure).toMatchObject({
      fromEnd: 27_500,
      own: { datum: "buffer-edge", distance: -9_500, plus: 450, minus: 450 },
    });
    expect(line(shown, "mark-buffer").figure?.own).toMatchObject({ datum: "cable-end", distance: 37_000 });
  });
  it("asks for the trim where nothing of it was begun, and not where the work has gone on", () => {
    const [fresh, begun] = ["fibre 1", "fibre 2"].map((label) => report(labelled(label)));
    expect(fresh && trimDue(fresh.sheet, fresh.state)).toBe(37_000);
    expect(begun && trimDue(begun.sheet, begun.state)).toBeNull();
  });
  it("stay as they were shown where they are signed off: figures, moves and drawing", () => {
    const id = labelled("fibre 3");
    const { sheet, state } = report(id);
    const then = { "cable-end": 37_000, "buffer-edge": 74_000, "jacket-edge": 102_000, "glass-end": 27_500 };
    const drawn = drawnEnd(sheet, state, getEnd(store, id).rule);
    for (const [feature, at] of Object.entries(then))
      expect(featureOf(drawn.sheet, feature).position).toBe(at);
    const record = recordOf(getEnd(store, id));
    expect(record.reworks[0]?.moves.find(({ feature }) => feature === "buffer-edge")).toMatchObject({
      was: 37_000,
      now: 74_000,
    });
    expect(record.figures.find(({ feature }) => feature === "cleaved end")).toMatchObject({
      fromEnd: 27_500,
    });
  });
  it("are found as they were written, and go on by the version of today", () => {
    expect(findings()).toEqual([]);
    addTo(store, labelled("fibre 1"), { kind: "trimmed", leg: "" }, { kind: "step", to: 2 });
    expect(report(labelled("fibre 1")).state.inHand?.trimmed).toBe(true);
    expect(findings()).toEqual([]);
  });
});
