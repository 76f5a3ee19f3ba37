import { describe, expect, it } from "vitest";
import { check, discardEvent, zBenchQuery } from "@/core";
import { openStore } from "@/store/opening/open";
import { addTo, endRead } from "../fixtures/made-ends";
import { benchPage } from "./bench-page";
import { getEnd } from "./ends";
import { runningTimers } from "./timers";

const store = openStore(":memory:");
const rowOf = (id: string, now = new Date()) =>
  benchPage(store, check(zBenchQuery, {}), now).rows.find((row) => row.id === id);
const later = () => new Date(Date.now() + 3_600_000);

describe("an end in the list of the bench", () => {
  it("says the step it has reached, what is too late on it, and why it is parked", () => {
    const id = endRead(store, "cleave");
    const { sheet } = getEnd(store, id);
    const cleave = sheet.lines.findIndex(({ step }) => step.kind === "cleave");
    expect(rowOf(id)?.step).toEqual({ number: cleave + 1, of: sheet.lines.length, title: "Cleave" });
    addTo(store, id, { kind: "step", to: cleave + 1 });
    expect(rowOf(id)?.late).toEqual([]);
    expect(rowOf(id, later())?.late).toEqual(["cleaved end"]);
    addTo(store, id, { kind: "park", on: true, why: "wrong boots" });
    expect(rowOf(id, later())).toMatchObject({ parked: "wrong boots", late: [] });
    expect(
      runningTimers(store).filter(({ end }) => end === id),
      "a parked end runs no clocks",
    ).toEqual([]);
    addTo(store, id, { kind: "step", to: cleave + 2 });
    expect(rowOf(id)?.parked, "whoever goes on has taken it up").toBeNull();
  });
  it("put away as begun by mistake is gone from it, and back where that is taken back", () => {
    const id = endRead(store, "cleave");
    const [sign] = addTo(store, id, discardEvent({ shards: { made: 0, binned: 0 } }, "Osla Brandt")).slice(
      -1,
    );
    const last = getEnd(store, id).events.at(-1);
    expect([sign, rowOf(id)]).toEqual([undefined, undefined]);
    addTo(store, id, { kind: "take-back", event: last?.id ?? "" });
    expect(rowOf(id)).toBeDefined();
    expect(getEnd(store, id).result).toBeNull();
  });
});
