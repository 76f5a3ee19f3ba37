import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { NOTHING, readSelection, writeSelection } from "./selection";

describe("a sheet in the address bar", () => {
  it("comes back as it was sent, whatever was picked", () => {
    const word = fc.stringMatching(/^[a-z0-9./-]{1,20}$/);
    fc.assert(
      fc.property(
        fc.record({
          place: fc.option(fc.record({ piece: word, side: word, at: fc.oneof(word, fc.constant("")) })),
          cable: fc.option(word),
          style: fc.option(word),
          core: fc.option(word),
          choices: fc.dictionary(word, word, { noNullPrototype: true, maxKeys: 4 }),
        }),
        (selection) => {
          expect(readSelection(new URLSearchParams(writeSelection(selection)))).toEqual(selection);
        },
      ),
    );
  });
  it("is nothing when empty", () => {
    expect(readSelection(new URLSearchParams(""))).toEqual(NOTHING);
  });
});
