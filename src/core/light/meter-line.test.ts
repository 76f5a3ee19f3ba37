import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { WAVELENGTHS } from "./light-reading";
import { meterLine, parseMeterLine, simulatedPower } from "./meter-line";
import { readPowers } from "./reference";

const share = fc.double({ min: 0, max: 1, noNaN: true });

describe("a meter's line", () => {
  it("that the simulated meter sends is read as it was sent", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...WAVELENGTHS),
        fc.boolean(),
        share,
        share,
        (wavelength, isThrough, x, y) => {
          const sent = simulatedPower(wavelength, isThrough, [x, y]);
          expect(parseMeterLine(meterLine(sent))).toEqual({ ok: true, value: sent });
          expect(readPowers(sent.dBm.toFixed(2))).toEqual([sent.dBm]);
        },
      ),
    );
  });
  it.each([
    ["light 1310 nm", "is no meter's line"],
    ["hello", "is no meter's line"],
    ["light 1234 nm -20 dBm", "“1234” is no figure for “nm”"],
    ["light 1310 nm bright dBm", "“bright” is no figure for “dBm”"],
    ["light 1310 nm -200 dBm", "“-200” is no figure for “dBm”"],
    [`light 1310 nm ${"1".repeat(200)} dBm`, "at most 120 characters"],
  ])("“%s” is refused with its reason", (line, reason) => {
    const parsed = parseMeterLine(line);
    expect(parsed.ok ? "" : parsed.problem.message).toContain(reason);
  });
  it("is taken with either decimal sign; powers typed by hand with either minus", () => {
    expect(parseMeterLine("LIGHT 1550 nm -3,5 dBm")).toMatchObject({
      value: { wavelength: 1550, dBm: -3.5 },
    });
    expect(readPowers("−20,14; -20.2")).toEqual([-20.14, -20.2]);
    for (const text of ["", "bright", "-20..1", "1e3", "-200"]) expect(readPowers(text), text).toBeNull();
  });
});
