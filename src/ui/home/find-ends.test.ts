import { describe, expect, it } from "vitest";
import { styleOf } from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";
import { connectorTypes, kindOf } from "../sheet/style-kinds";
import { findable, findEnds } from "./find-ends";

const { cables, procedures } = shippedLibrary();
const styles = procedures.map(styleOf);
const entries = findable(cables, styles);
const ask = (question: string) => findEnds(question, entries);
const best = (question: string) => {
  const { fits, near } = ask(question);
  const [first] = [...fits, ...near];
  return first && [first.cable.id, first.style.id];
};

describe("one line over cables and connectors", () => {
  it("“3 mm cord, SC wedge” has one answer, with its interface picked", () => {
    const { fits, near, unknown } = ask("3 mm cord, SC wedge");
    expect(fits.map(({ cable, style }) => [cable.id, style.id])).toEqual([
      ["simplex-3.0", "stub-wedge-release-cord"],
    ]);
    expect(fits[0]?.choices).toEqual({ interface: "sc" });
    expect(unknown).toEqual([]);
    expect(near.length).toBeGreaterThan(3);
    expect(near.every(({ differs }) => differs !== "")).toBe(true);
    expect(near.map(({ differs }) => differs)).toContain("thinner: 2.9");
    expect(near.map(({ differs }) => differs)).toContain("other connector");
  });
  it.each([
    ["2.0 LC fusion", ["simplex-2.0", "fusion-splice-on-cord"]],
    ["SC/APC splice-on semi-tight 900", ["distribution-900-semi", "fusion-splice-on"]],
    ["flat drop SC", ["flat-drop", "drop-clamp"]],
    ["duplex 1.8", ["duplex-1.8", "stub-two-fibre-cord"]],
    ["circular harness", null],
  ])("“%s” is answered by its size before a loose word", (question, answer) => {
    if (answer) expect(best(question)).toEqual(answer);
    else expect(best(question)?.[1]).toMatch(/^backshell/);
  });
  it("a size is never answered by another size", () => {
    for (const { cable } of ask("3.0 cord").fits) expect(cable.name).toMatch(/3\.0/);
  });
  it("what is not on the shelf is said, and nothing claims to fit", () => {
    const { fits, unknown } = ask("3 mm cord MPO");
    expect(fits).toEqual([]);
    expect(unknown).toEqual(["mpo"]);
    expect(ask("zzqx")).toMatchObject({ fits: [], near: [], unknown: ["zzqx"] });
    expect(ask("  , ")).toMatchObject({ fits: [], near: [], unknown: [] });
  });
  it("says what each word was read as", () => {
    expect(ask("3 mm cord, SC wedge").reads.map(({ word, as }) => [word, as])).toEqual([
      ["3.0", "size"],
      ["cord", "cable"],
      ["sc", "option"],
      ["wedge", "style"],
    ]);
  });
  it("finds connectors alone: kits and entries have finders of their own", () => {
    expect(entries.every(({ style }) => kindOf(style) === "connector")).toBe(true);
    expect(styles.filter((style) => kindOf(style) === "kit").map(({ family }) => family)).toContain(
      "breakout-kit",
    );
  });
});

describe("types of connector, before how they go on", () => {
  const types = connectorTypes(styles);
  it("are the interfaces, and what has none of its own to pick", () => {
    expect(types.slice(0, 3).map(({ name }) => name)).toEqual(["SC", "LC", "BFOC/2.5"]);
    expect(types.map(({ name }) => name)).toContain("Circular connector, fibre harness");
  });
  it("between them have every connector of the shelf", () => {
    const all = new Set(types.flatMap((type) => type.styles));
    expect([...all].sort()).toEqual(
      styles
        .filter((style) => kindOf(style) === "connector")
        .map(({ id }) => id)
        .sort(),
    );
  });
});
