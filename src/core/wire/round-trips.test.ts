import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { z } from "zod";
import { CLOSURE, PLAN } from "../../../harness/plans";
import { shippedLibrary } from "../../../harness/shipped";
import { zCable } from "../cable/cable";
import { zEntry } from "../entry/entry";
import { NEW_FEEDER } from "../light/feeder-plan";
import { readLightTable } from "../light/light-table";
import { zProcedure } from "../procedure/procedure";
import { zJobPlan } from "./job-plan";

/** A document written as a file and read again. */
const there = <T extends z.ZodType>(schema: T, document: z.output<T>): z.output<T> =>
  schema.parse(JSON.parse(JSON.stringify(z.encode(schema, document))));

const { procedures, cables, entries } = shippedLibrary();

/** Words as people write them: any script, quotes, line ends inside, nothing at the edges. */
const words = fc
  .string({ unit: "grapheme", minLength: 1, maxLength: 60 })
  .map((text) => text.trim())
  .filter((text) => text !== "");
const micrometres = fc.integer({ min: 1, max: 900_000 });

describe("a document of the shelf comes back from its file as it was", () => {
  it.each(procedures.map((each) => [each.id, each] as const))("procedure %s", (_, procedure) => {
    expect(there(zProcedure, procedure)).toEqual(procedure);
  });
  it.each(cables.map((each) => [each.id, each] as const))("cable %s", (_, cable) => {
    expect(there(zCable, cable)).toEqual(cable);
  });
  it.each(entries.map((each) => [each.id, each] as const))("entry %s", (_, entry) => {
    expect(there(zEntry, entry)).toEqual(entry);
  });
  it("whatever it is called and whatever whole micrometres its lengths are (property)", () => {
    fc.assert(
      fc.property(fc.constantFrom(...procedures), words, micrometres, (procedure, name, by) => {
        const dimensions = procedure.dimensions.map((dimension) => ({
          ...dimension,
          nominal: dimension.nominal + by,
        }));
        const own = { ...procedure, name, dimensions } as typeof procedure;
        expect(there(zProcedure, own)).toEqual(own);
      }),
      { numRuns: 60 },
    );
    fc.assert(
      fc.property(fc.constantFrom(...cables), words, micrometres, (cable, name, by) => {
        const layers = cable.layers.map((layer) => ({ ...layer, diameter: layer.diameter + (by % 20_000) }));
        const own = { ...cable, name, layers } as typeof cable;
        expect(there(zCable, own)).toEqual(own);
      }),
      { numRuns: 60 },
    );
  });
});

describe("a plan comes back from its file as it was", () => {
  const id = fc.uuid({ version: 4 });
  const piece = fc
    .record({ name: words, place: words, length: micrometres, ends: fc.nat(12), leave: micrometres })
    .map(({ name, place, length, ends, leave }) => ({
      ...PLAN,
      name,
      sides: {
        A: { ...PLAN.sides.A, place, leave: leave / 1_000 },
        B: { ...PLAN.sides.B, procedure: ends > 0 ? "stub-cam-crimp-900" : null, ends },
      },
      route: [{ kind: "duct", name: place, length: length / 1_000, allowancePct: 2.5 }],
    }));
  const plan = fc.record({
    plan: fc.constant(1),
    name: words,
    pieces: fc.array(fc.record({ id, plan: piece }), { maxLength: 4 }),
    closures: fc.array(fc.record({ id, plan: words.map((name) => ({ ...CLOSURE, name })) }), {
      maxLength: 2,
    }),
    feeders: fc.array(
      fc.record({ id, plan: words.map((name) => ({ ...NEW_FEEDER, name, launchDbm: -3.25 })) }),
      { maxLength: 2 },
    ),
  });
  it("with every piece, closure and feeder (property)", () => {
    fc.assert(
      fc.property(plan, (written) => {
        const read = zJobPlan.parse(written);
        expect(there(zJobPlan, read)).toEqual(read);
        expect(read.pieces.map(({ plan: { name } }) => name)).toEqual(
          written.pieces.map(({ plan: { name } }) => name),
        );
      }),
      { numRuns: 60 },
    );
  });
});

describe("a table of light readings comes back as it was written", () => {
  const power = fc.integer({ min: -6_000, max: -100 }).map((n) => n / 100);
  const row = fc.record({
    end: fc.stringMatching(/^[A-Z][a-z]{2,8} [1-9]\d?$/),
    wavelength: fc.constantFrom(1310, 1550, 850),
    reference: fc.array(power, { minLength: 1, maxLength: 3 }),
    reading: fc.array(power, { minLength: 1, maxLength: 3 }),
    from: fc.constantFrom("here", "far"),
  });
  it("whatever order its columns are in (property)", () => {
    fc.assert(
      fc.property(
        fc.array(row, { minLength: 1, maxLength: 12 }),
        fc.shuffledSubarray(["label", "nm", "reference", "reading", "from"], { minLength: 5 }),
        (rows, heads) => {
          const cellsOf = (each: (typeof rows)[number]): Record<string, string> => ({
            ...{ label: each.end, nm: String(each.wavelength), from: each.from },
            reference: each.reference.join(" "),
            reading: each.reading.join(" "),
          });
          const table = [heads, ...rows.map((each) => heads.map((head) => cellsOf(each)[head] ?? ""))];
          const read = readLightTable(table);
          if (!read.ok) throw new Error(read.problem.message);
          expect(
            read.value.rows.map(({ end, wavelength, reference, reading, from }) => ({
              ...{ end, wavelength, reference, reading, from },
            })),
          ).toEqual(rows);
        },
      ),
      { numRuns: 80 },
    );
  });
});
