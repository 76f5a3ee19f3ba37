import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mustAccept } from "../accept/accept";
import { WORLD } from "../fixtures/example-world";
import type { LightReading } from "../light/light-reading";
import { referenceTrouble } from "../light/reference";
import { problemOf } from "../problem/check";
import type { LightRead } from "./end-state";
import { judgeLight, lightStandings } from "./light";
import { resultOf } from "./result";
import { endState } from "./state";

const { rule, sheet, recorded, read: readState } = WORLD;
const reading = (more: Partial<LightReading> = {}): LightReading => ({
  kind: "light",
  read: "2026-11-25T08:00:00.000Z",
  from: "here",
  ...WORLD.lightRead,
  reference: { ...WORLD.lightRead.reference, dBm: [...WORLD.lightRead.reference.dBm] },
  matings: 0,
  celsius: null,
  limitFrom: "ANSI/TIA-568.3, connector",
  tried: "first",
  ...more,
});
const through = (from: LightReading["from"], dBm: number): LightRead => ({
  ...reading({ from, dBm: [dBm] }),
  id: `${from} ${dBm}`,
  at: "",
});

describe("light read through an end", () => {
  it("of a pure step between two fibres reads as gain one way and as loss the other: the mean is nothing", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 600 }), (hundredths) => {
        const step = hundredths / 100;
        const [mean] = lightStandings(
          { light: [through("here", -20 - step), through("far", -20 + step)] },
          rule,
        );
        expect(mean).toMatchObject({ from: "both", verdict: "in", gain: false });
        expect(mean?.loss).toBeCloseTo(0, 9);
      }),
    );
  });
  it("counts by its newest reading at each wavelength and direction; one brighter than its reference is never in", () => {
    const [newest] = lightStandings({ light: [through("here", -22), through("here", -20.3)] }, rule);
    expect(newest).toMatchObject({ from: "here", verdict: "in" });
    expect(newest?.loss).toBeCloseTo(0.3, 9);
    const [bright] = lightStandings({ light: [through("here", -19)] }, rule);
    expect(bright).toMatchObject({ gain: true, verdict: "unsure" });
    expect(judgeLight(reading({ dBm: [-19] }), rule).verdict).toBe("in");
  });
  it("makes an end out though its lengths are in, and one that was made again has none", () => {
    const fine = readState({});
    const light = (dBm: number) => [through("here", dBm)];
    expect(resultOf(sheet, { ...fine, light: [] }, rule)).toBe(
      resultOf(sheet, { ...fine, light: light(-20.3) }, rule),
    );
    expect(resultOf(sheet, { ...fine, light: light(-22) }, rule)).toBe("out");
    expect(resultOf(sheet, { ...fine, light: light(-19) }, rule)).toBe("unsure");
    const events = [
      recorded(1, reading()),
      recorded(2, {
        kind: "retry",
        judgement: null,
        answer: null,
        rule: "recleave",
        to: 0,
        voids: { checks: [], judgements: [], steps: [] },
      }),
    ];
    expect(endState(events.slice(0, 1)).light).toHaveLength(1);
    const broke = {
      kind: "fault",
      what: "broken",
      feature: "cleaved-end",
      leg: "",
      at: null,
      on: true,
    } as const;
    expect(endState([...events.slice(0, 1), recorded(2, broke)]).light).toEqual([]);
    expect(endState(events).light).toEqual([]);
    expect(
      endState([...events.slice(0, 1), recorded(2, { kind: "strike", reading: recorded(1, reading()).id })])
        .light,
    ).toEqual([]);
  });
  it("with a stale reference is never taken, whatever went before", () => {
    const hours = fc.integer({ min: -3, max: 12 });
    const celsius = fc.option(fc.integer({ min: 5, max: 25 }), { nil: null });
    let [refused, taken] = [0, 0];
    fc.assert(
      fc.property(hours, fc.nat({ max: 70 }), celsius, celsius, (since, matings, then, now) => {
        const read = new Date(Date.parse("2026-11-25T08:00:00Z") + since * 3_600_000).toISOString();
        const reference = { ...reading().reference, taken: "2026-11-25T08:00:00.000Z", celsius: then };
        const event = reading({ read, matings, celsius: now, reference });
        const isStale =
          since < 0 ||
          since > 8 ||
          matings >= 50 ||
          (then !== null && now !== null && Math.abs(then - now) > 10);
        expect(referenceTrouble(event) !== null).toBe(isStale);
        try {
          mustAccept(sheet, readState({}), event, rule);
          taken += 1;
          expect(isStale).toBe(false);
        } catch (error) {
          refused += 1;
          expect(problemOf(error)?.code).toBe("stale-reference");
          expect(isStale).toBe(true);
        }
      }),
    );
    expect(Math.min(refused, taken)).toBeGreaterThan(5);
  });
  it("by the simulated meter is taken for practice and by no real end", () => {
    const meter = { ...reading().meter, id: "simulated-meter" };
    const codeAs = (purpose: "work" | "practice") => {
      try {
        mustAccept(sheet, readState({}), reading({ meter }), rule, purpose);
        return null;
      } catch (error) {
        return problemOf(error)?.code;
      }
    };
    expect([codeAs("practice"), codeAs("work")]).toEqual([null, "simulated"]);
  });
});
