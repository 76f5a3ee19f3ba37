import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { glowOf, parseGlowLine, simulatedGlow } from "./fault-light";

describe("a fault light's stand-in", () => {
  it("sends lines that read, bright before the fibre is seated and dimmer once it is home (property)", () => {
    const number = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(number, number, (x, y) => {
        const [open, seated] = [false, true].map((isSeated) =>
          parseGlowLine(simulatedGlow(isSeated, [x, y])),
        );
        expect(open?.ok && glowOf(open.value)).toBe("bright");
        expect(seated?.ok && glowOf(seated.value) !== "bright").toBe(x <= 5 / 6);
      }),
    );
  });
  it("is told apart by its limits, and a line of another form or share is refused", () => {
    expect([0, 4, 5, 49, 50, 100].map(glowOf)).toEqual([
      ...["dark", "dark", "faint", "faint", "bright", "bright"],
    ]);
    const refused = ["glow", "glow 101 %", "glow red %", "glow 5", "shine 5 %", `glow ${"9".repeat(60)} %`];
    expect(refused.filter((line) => parseGlowLine(line).ok)).toEqual([]);
    expect(parseGlowLine(" GLOW 100% ")).toEqual({ ok: true, value: 100 });
  });
});
