import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { negate } from "../length/length";
import type { Procedure } from "../procedure/procedure";
import { compile, procedureOf, type Row } from "./fixtures/made";

const tolerance = fc.option(fc.integer({ min: 0, max: 3_000 }), { nil: null, freq: 4 });
/** Behind the end by enough that no mark comes to lie in front of it. */
const FAR_BACK = 130_000;
/** A chain or fan of marks behind the end, each from any feature made before it. */
const procedures = fc
  .array(
    fc.record({
      datum: fc.nat(),
      nominal: fc.integer({ min: -20_000, max: 60_000 }),
      plus: tolerance,
      minus: tolerance,
    }),
    { minLength: 1, maxLength: 6 },
  )
  .map((marks) =>
    procedureOf(
      marks.map(({ datum, nominal, plus, minus }, i): Row => {
        const from = datum % (i + 1);
        return [
          `d${i}`,
          from === 0 ? "end" : `m${from}`,
          `m${i + 1}`,
          (from === 0 ? nominal + FAR_BACK : nominal) / 1000,
          plus === null ? null : plus / 1000,
          minus === null ? null : minus / 1000,
        ];
      }),
    ),
  );

/** The same procedure with every dimension said from its other feature. */
const turned = (procedure: Procedure): Procedure => ({
  ...procedure,
  dimensions: procedure.dimensions.map((dimension) => ({
    ...dimension,
    from: dimension.to,
    to: dimension.from,
    nominal: negate(dimension.nominal),
    plus: dimension.minus,
    minus: dimension.plus,
  })),
});

const essence = (procedure: Procedure) => {
  const { features, lengths, uses } = compile(procedure);
  return {
    features,
    uses,
    lengths: lengths
      .map(({ from, to, nominal, min, max, predicted }) => ({ from, to, nominal, min, max, predicted }))
      .sort((a, b) => `${a.from}>${a.to}`.localeCompare(`${b.from}>${b.to}`)),
  };
};

describe("the same end however it is said", () => {
  it("saying a length from its other feature changes no place, limit or stack-up", () => {
    fc.assert(
      fc.property(procedures, (procedure) => {
        expect(essence(turned(procedure))).toEqual(essence(procedure));
      }),
    );
  });
  it("the order in which dimensions are listed changes nothing", () => {
    fc.assert(
      fc.property(procedures, (procedure) => {
        const reversed = { ...procedure, dimensions: [...procedure.dimensions].reverse() };
        expect(essence(reversed)).toEqual(essence(procedure));
      }),
    );
  });
  it("from the end, from the mark before and from its own datum all come to one place", () => {
    fc.assert(
      fc.property(procedures, (procedure) => {
        const { lines, features } = compile(procedure);
        const place = (id: string) => features.find((feature) => feature.id === id)?.position ?? Number.NaN;
        for (const { figure } of lines) {
          if (!figure) continue;
          expect(place(figure.own.datum) + figure.own.distance).toBe(figure.fromEnd);
          if (figure.previous)
            expect(place(figure.previous.feature) + figure.previous.distance).toBe(figure.fromEnd);
        }
      }),
    );
  });
});
