import { beforeEach, describe, expect, it } from "vitest";
import { check, compileRunSheet, midSpanId, misfits, throughId, zPutAway, zSave } from "@/core";
import { actOn } from "../act";
import { codeOf } from "../fixtures/code-of";
import { checkWholeRecord } from "../keeping/record-check";
import { openStore, type Store } from "../the-store";
import { library } from "./library";
import { documentText, newestRevision, putAway, revisionsOf, saveDocument } from "./shelf";

let store: Store;
beforeEach(() => {
  store = openStore(":memory:");
});
const act = () => actOn(store);
const pole = () => JSON.parse(documentText(store, "entry", "entry-pedestal"));
const save = (document: object, basis: number | null) =>
  saveDocument(act(), "entry", check(zSave, { document, basis, why: "" }));
/** How far a sheath is opened where it ends in an entry. */
const opening = (id: string) => {
  const { cables, procedures, tools } = library(store);
  const [cable] = cables.filter((cable) => cable.id === "loose-tube-36");
  const [procedure] = procedures.filter((procedure) => procedure.id === id);
  if (!cable || !procedure) return null;
  const { limits } = compileRunSheet({ procedure, cable, core: "9/125", choices: {}, tools });
  return limits.find(({ dimension }) => dimension === "opening")?.nominal ?? null;
};
const longer = (document: ReturnType<typeof pole>, by: number) => ({
  ...document,
  lengths: {
    ...document.lengths,
    opening: { ...document.lengths.opening, nominal: document.lengths.opening.nominal + by },
  },
});

describe("an entry of one's own", () => {
  it("changed, is what every cable is prepared by from then on; put away, the shipped one is again", () => {
    const before = opening("entry-pedestal") ?? 0;
    const newest = newestRevision(store, "entry", "entry-pedestal");
    const { revision } = save(longer(pole(), 40), newest);
    expect([opening("entry-pedestal"), revision]).toEqual([before + 40_000, (newest ?? 0) + 1]);
    expect(revisionsOf(store, "entry", "entry-pedestal").map(({ origin }) => origin)).toEqual([
      "own",
      "shipped",
    ]);
    putAway(act(), "entry", "entry-pedestal", check(zPutAway, { basis: revision }));
    expect(opening("entry-pedestal")).toBe(before);
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
  });
  it("duplicated, comes to procedures of its own for what ends in it and what goes through, for every cable it takes", () => {
    save({ ...longer(pole(), 40), id: "moor-post", name: "Moor post" }, null);
    expect(opening("moor-post")).toBe((opening("entry-pedestal") ?? 0) + 40_000);
    const { cables, procedures } = library(store);
    const going = procedures.find(({ id }) => id === throughId("moor-post"));
    const inRun = cables.find(({ id }) => id === midSpanId("loose-tube-36"));
    expect(going && inRun && misfits(going, inRun)).toEqual([]);
    expect(codeOf(() => save({ ...pole(), id: "moor-post" }, null))).toBe("id-taken");
    expect(codeOf(() => save({ ...pole(), id: "breakout-kit-6" }, null))).toBe("id-taken");
  });
  it("stays representative until somebody says it was checked against the part's sheet", () => {
    const standing = () => library(store).entries.find(({ id }) => id === "moor-post")?.source.kind;
    save({ ...pole(), id: "moor-post" }, null);
    expect(standing()).toBe("representative");
    save({ ...pole(), id: "moor-post", source: { ...pole().source, kind: "own" } }, 1);
    expect(standing()).toBe("own");
  });
  it("is refused, and nothing kept, where it cannot be: a port beyond its face, no opening, a stored turn too tight", () => {
    const { ports, lengths, storage } = pole();
    const { opening: _, ...rest } = lengths;
    const all = [
      { ports: [{ ...ports[0], x: 900 }, ...ports.slice(1)] },
      { lengths: rest },
      { storage: { ...storage, perimeter: 100 } },
      { ports: ports.slice(1) },
    ];
    expect(
      all.map((changed) => codeOf(() => save({ ...pole(), id: "moor-post", ...changed }, null))),
    ).toEqual(["limit", "no-figure", "bend", expect.any(String)]);
    expect(newestRevision(store, "entry", "moor-post")).toBeNull();
    save({ ...pole(), id: "moor-post" }, null);
    expect(codeOf(() => save({ ...pole(), id: "moor-post" }, 7))).toBe("moved-on");
  });
  it("whose stubs cannot both hold is refused, by the lengths that contradict", () => {
    const { lengths } = pole();
    // The armour lies outside the inner jacket: it cannot reach 40 where that ends at 31.
    const both = { ...lengths, armour: { ...lengths.armour, nominal: 40 } };
    // Of a cable that goes through, what is left on either side never reaches the centre mark, 640 away.
    const crossed = { ...lengths, members: { ...lengths.members, nominal: 640 } };
    for (const changed of [both, crossed])
      expect(codeOf(() => save({ ...pole(), id: "moor-post", lengths: changed }, null))).toBe(
        "contradiction",
      );
    expect(newestRevision(store, "entry", "moor-post")).toBeNull();
  });
  it("whose procedure somebody wrote by hand gives way to that", () => {
    const procedure = JSON.parse(documentText(store, "procedure", "entry-pedestal"));
    const basis = newestRevision(store, "procedure", "entry-pedestal");
    const dimensions = procedure.dimensions.map((dimension: { id: string; nominal: number }) =>
      dimension.id === "opening" ? { ...dimension, nominal: dimension.nominal + 10 } : dimension,
    );
    const before = opening("entry-pedestal") ?? 0;
    saveDocument(act(), "procedure", check(zSave, { document: { ...procedure, dimensions }, basis }));
    save(longer(pole(), 40), newestRevision(store, "entry", "entry-pedestal"));
    expect(opening("entry-pedestal")).toBe(before + 10_000);
  });
});
