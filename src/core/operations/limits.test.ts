import { expect, it } from "vitest";
import { DIMENSION_LIMIT, FEATURE_LIMIT } from "../dimensions/dimension";
import { problemOf } from "../problem/check";
import { compute } from "./operations";

const names = (count: number) => Array.from({ length: count }, (_, i) => `f${i}`);
const lengths = (count: number) =>
  Array.from({ length: count }, (_, i) => ({
    id: `d${i}`,
    from: "f0",
    to: "f1",
    nominal: 3,
    plus: 1,
    minus: 1,
  }));
const codeOf = async (operation: string, input: unknown) => {
  try {
    await compute(operation, input);
    return null;
  } catch (error) {
    return problemOf(error)?.code;
  }
};

// What is answered within its limits is timed in perf: `npm run perf -- limits`.
it("a question larger than can be answered within a second is refused, one as large as that is answered", async () => {
  const dimensions = (features: number, count: number) => ({
    features: names(features),
    dimensions: lengths(count),
  });
  expect(await codeOf("dimensions", dimensions(2, DIMENSION_LIMIT))).toBeNull();
  expect(await codeOf("dimensions", dimensions(2, DIMENSION_LIMIT + 1))).toBe("bad-input");
  expect(await codeOf("dimensions", dimensions(FEATURE_LIMIT, 1))).toBeNull();
  expect(await codeOf("dimensions", dimensions(FEATURE_LIMIT + 1, 1))).toBe("bad-input");
  const rework = (features: number) => ({
    features: names(features).map((name, i) => ({ name, kind: "cut", at: i, bite: 1 })),
    dimensions: [],
    forced: [],
    cable: "f0",
  });
  expect(await codeOf("rework", rework(FEATURE_LIMIT))).toBeNull();
  expect(await codeOf("rework", rework(FEATURE_LIMIT + 1))).toBe("bad-input");
});
