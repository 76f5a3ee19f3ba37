import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { ProcedureDocument } from "../procedure/procedure";
import { cord, tools } from "../runsheet/fixtures/made";
import { firstLook, firstLooks } from "./first-look";
import { review } from "./review";

const document: ProcedureDocument = {
  id: "p",
  revision: 1,
  source: { kind: "own", note: "", date: "2026-11-25" },
  name: "P",
  family: "p",
  about: "",
  appliesTo: { constructions: ["simplex-cord"], cores: ["9/125"] },
  startsAt: "jacket",
  parts: [],
  features: [
    { id: "end", name: "end", kind: "end" },
    { id: "jacket", name: "jacket edge", kind: "edge" },
    { id: "buffer", name: "buffer edge", kind: "edge" },
  ],
  dimensions: [
    {
      id: "jacket",
      name: "jacket",
      from: "end",
      to: "jacket",
      nominal: 60,
      plus: 1,
      minus: 1,
      after: "mark-jacket",
      cases: [
        {
          when: { layer: { kind: "jacket", diameter: { min: 1.5, max: 2.5 } } },
          nominal: 55,
          plus: 1,
          minus: 1,
        },
      ],
    },
    {
      id: "buffer",
      name: "buffer",
      from: "end",
      to: "buffer",
      nominal: 30,
      plus: 1,
      minus: 1,
      after: "mark-buffer",
    },
  ],
  steps: [
    { id: "mark-jacket", kind: "mark", title: "Mark", makes: "jacket", by: "jacket", tool: "pen" },
    { id: "mark-buffer", kind: "mark", title: "Mark", makes: "buffer", by: "buffer", tool: "pen" },
  ],
  squareUp: 5,
  retries: [],
};
const thin = cord({ id: "thin", layers: [{ kind: "jacket", name: "jacket", diameter: 2, hue: "yellow" }] });
const shelf = { cables: [cord(), thin], tools };
const of = (changes: Partial<ProcedureDocument>, on = cord()) =>
  review({ ...document, ...changes }, shelf, on.id);
const withBuffer = (nominal: number) =>
  document.dimensions.map((dimension) => (dimension.id === "buffer" ? { ...dimension, nominal } : dimension));

describe("a document under the pen", () => {
  it("that holds together is drawn, and nothing stops it", () => {
    const { sheet, problem, contradictions } = of({});
    expect(sheet?.features.map(({ id }) => id)).toEqual(["end", "jacket", "buffer"]);
    expect({ problem, contradictions }).toEqual({ problem: null, contradictions: [] });
  });
  it("says which of a length's figures the cable drawn is worked to", () => {
    expect(of({}).cases).toEqual({ jacket: null, buffer: null });
    expect(of({}, thin).cases).toEqual({ jacket: 0, buffer: null });
  });
  it("that cannot be read names the field, and is not drawn", () => {
    const { procedure, problem, sheet } = of({ name: "" });
    expect(problem?.path).toEqual(["name"]);
    expect([procedure, sheet]).toEqual([null, null]);
  });
  it("that contradicts is told as that, not as a document that is broken", () => {
    const both = [
      ...document.dimensions,
      {
        id: "beyond",
        name: "beyond",
        from: "buffer",
        to: "jacket",
        nominal: 20,
        plus: 1,
        minus: 1,
        after: "mark-buffer",
      },
    ];
    const { problem, contradictions, sheet } = of({ dimensions: both });
    expect(problem).toBeNull();
    expect(sheet).toBeNull();
    expect(contradictions[0]?.message).toContain("cannot all hold: 7.0 mm short");
  });
  it("whose limit read at the end is tighter than what feeds it says so, on whichever cable", () => {
    const beyond = (tolerance: number) => ({
      dimensions: [
        { ...document.dimensions[0], cases: [] } as ProcedureDocument["dimensions"][number],
        document.dimensions[1] as ProcedureDocument["dimensions"][number],
        {
          id: "beyond",
          name: "buffer beyond the jacket",
          from: "buffer",
          to: "jacket",
          nominal: 30,
          plus: tolerance,
          minus: tolerance,
          after: "mark-buffer",
        },
      ],
      steps: [...document.steps, { id: "read", kind: "measure" as const, title: "Read", checks: ["beyond"] }],
    });
    const questionOf = (tolerance: number) =>
      of(beyond(tolerance), thin).advice.filter(({ message }) => message.includes("may be out by"));
    expect(questionOf(2)).toEqual([]);
    expect(questionOf(1.5)).toMatchObject([{ about: "dimension", id: "beyond" }]);
  });
  it("that puts a mark in front of the cable end says so", () => {
    expect(of({ dimensions: withBuffer(-3) }).problem).toMatchObject({
      code: "off-cable",
      message: "The buffer edge would lie 3.0 mm in front of the cable end, where there is no cable.",
    });
  });
  it("without a cable to draw it on is still looked through", () => {
    const { sheet, advice } = review(document, { cables: [], tools }, null);
    expect(sheet).toBeNull();
    expect(advice.map(({ id }) => id)).toEqual(["jacket", "buffer"]);
  });
  it("is never thrown at the person, whatever it holds", () => {
    for (const broken of [{}, { ...document, steps: [] }, { ...document, dimensions: [{}] }, null])
      expect(review(broken as unknown as ProcedureDocument, shelf, cord().id).problem).not.toBeNull();
  });
  it("tells at the first look what the whole review tells of its figures", () => {
    const figures = [document.dimensions, withBuffer(70), withBuffer(30.5)];
    const beyond = { ...document.dimensions[1], id: "beyond", from: "buffer", to: "jacket", nominal: 20 };
    for (const dimensions of [...figures, [...document.dimensions, beyond]]) {
      const changed = { ...document, dimensions } as ProcedureDocument;
      const first = firstLook(changed, shelf.cables).contradictions;
      expect(of({ dimensions: changed.dimensions }).contradictions).toEqual(
        expect.arrayContaining([...first]),
      );
    }
    expect(
      firstLook(
        { ...document, dimensions: [...document.dimensions, beyond] } as ProcedureDocument,
        shelf.cables,
      ).contradictions,
    ).toHaveLength(2);
  });
  it("whose figures cannot be read has none that contradict, and says nothing at the first look", () => {
    const astray = { ...document, dimensions: [{ ...document.dimensions[0], to: "nowhere" }] };
    for (const broken of [{}, null, astray, { ...document, dimensions: [{}] }])
      expect(firstLook(broken as unknown as ProcedureDocument, shelf.cables).contradictions).toEqual([]);
  });

  const beyond = { ...document.dimensions[1], id: "beyond", from: "buffer", to: "jacket", nominal: 20 };
  const part = { jacket: { min: 1.5, max: 2.5 } };
  /** What a key or a click may change, each leaving all else the very same. */
  const EDITS: Readonly<Record<string, (now: ProcedureDocument, n: number) => ProcedureDocument>> = {
    figure: (now, n) => withLength(now, n, (item) => ({ ...item, nominal: n })),
    tolerance: (now, n) => withLength(now, n, (item) => ({ ...item, plus: n % 3 })),
    condition: (now, n) =>
      withLength(now, n, (item) => ({
        ...item,
        when: n % 2 ? { layer: { kind: "jacket", diameter: { min: 1.5, max: 2.5 } } } : undefined,
      })),
    unreadable: (now, n) => withLength(now, n, (item) => ({ ...item, minus: -1 })),
    another: (now) => ({
      ...now,
      dimensions: [...now.dimensions, beyond] as ProcedureDocument["dimensions"],
    }),
    fewer: (now) => ({ ...now, dimensions: now.dimensions.slice(0, 2) }),
    cables: (now, n) => ({ ...now, appliesTo: { ...document.appliesTo, ...(n % 2 ? part : {}) } }),
    feature: (now, n) => ({ ...now, features: n % 3 ? document.features : document.features.slice(0, 2) }),
    again: () => document,
  };
  const withLength = (
    now: ProcedureDocument,
    n: number,
    change: (item: ProcedureDocument["dimensions"][number]) => object,
  ) =>
    ({
      ...now,
      dimensions: now.dimensions.map((dimension, i) =>
        i === n % now.dimensions.length ? change(dimension) : dimension,
      ),
    }) as ProcedureDocument;
  it("looked at key by key, contradicts as it does looked at afresh", () => {
    const documented = new Set<number>();
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...Object.keys(EDITS)), fc.nat(80)), { maxLength: 14 }),
        (edits) => {
          const look = firstLooks(shelf.cables);
          let now = document;
          for (const [edit, n] of edits) {
            now = EDITS[edit]?.(now, n) ?? now;
            const { contradictions } = look(now);
            documented.add(contradictions.length);
            expect(contradictions).toEqual(firstLook(now, shelf.cables).contradictions);
          }
        },
      ),
      { numRuns: 300 },
    );
    expect([...documented].sort()).toEqual([0, 1, 2]);
  });
});
