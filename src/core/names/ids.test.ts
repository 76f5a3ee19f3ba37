import { expectTypeOf, test } from "vitest";
import type { ClosureId, EndId, JobId, PieceId } from "./ids";

test("plain text is taken as any id, and an id of one kind never as another", () => {
  expectTypeOf<string>().toExtend<EndId>();
  expectTypeOf<EndId>().toExtend<string>();
  expectTypeOf<PieceId>().not.toExtend<EndId>();
  expectTypeOf<EndId>().not.toExtend<PieceId>();
  expectTypeOf<JobId>().not.toExtend<ClosureId>();
  expectTypeOf<ClosureId>().not.toExtend<PieceId>();
});
