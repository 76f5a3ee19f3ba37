import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { midSpanOf } from "../cable/mid-span";
import { misfits } from "../procedure/fit";
import { compileRunSheet } from "../runsheet/compile";
import { throughId } from "./entry-procedure";
import { openingOf } from "./prepared";
import { openingIn, storedTubes, throughOf } from "./through";

const { entries, cables, procedures, tools } = shippedLibrary();

const pairs = entries.flatMap((entry) =>
  cables
    .filter(({ construction }) => entry.takes.includes(construction))
    .map((cable) => [`${cable.name} in ${entry.name}`, entry, cable] as const),
);

describe("tubes in the storage of an entry", () => {
  it.each(pairs)(
    "%s: lie in whole turns, none tighter than allowed, as its own sheet opens it",
    (_, entry, cable) => {
      const going = procedures.find(({ id }) => id === throughId(entry.id));
      const inRun = midSpanOf(cable);
      const core = cable.cores.find((each) => going && misfits(going, inRun, each).length === 0);
      const sheet =
        going && core && compileRunSheet({ procedure: going, cable: inRun, core, choices: {}, tools });
      const { opened } = openingIn(entry, throughOf(entry, cable), sheet ? openingOf(sheet) : null);
      const { lies } = storedTubes(entry, opened.tubeLength);
      const [a, b] = entry.storage.paths;
      expect(a + b + (lies?.turns ?? 0) * (lies?.perimeter ?? 0)).toBeCloseTo(opened.tubeLength, -1);
      expect(lies?.radius).toBeGreaterThanOrEqual(entry.radius - 1);
      expect(lies?.turns).toBeGreaterThanOrEqual(entry.storage.turns.min);
    },
  );
  it("are told by how much they are over or under, and lie once that is taken or given", () => {
    let off = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...entries),
        fc.integer({ min: 100_000, max: 6_000_000 }),
        (entry, tube) => {
          const { lies, over, under } = storedTubes(entry, tube);
          if (lies) return;
          off += 1;
          expect(over + under).toBeGreaterThan(0);
          if (over > 0) expect(storedTubes(entry, tube - over).lies).not.toBeNull();
          if (under > 0) expect(storedTubes(entry, tube + under).lies).not.toBeNull();
        },
      ),
    );
    expect(off).toBeGreaterThan(20);
  });
});
