import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { addressText, elementAt, fibreNumber, fibresBelow, parseAddress } from "../piece/address";
import { identity } from "../piece/identity";
import { opened } from "../piece/opened";
import { InputError } from "../problem/problem";
import { misfits, proceduresFor } from "../procedure/fit";
import { type Cable, zCable } from "./cable";

const { cables, procedures } = shippedLibrary();
const cable = (id: string): Cable => {
  const cable = cables.find((cable) => cable.id === id);
  if (!cable) throw new Error(`${id} is not shipped`);
  return cable;
};
const glassOf = ({ cores: [core = "9/125"] }: Cable) => core;
const problem = (work: () => unknown): string => {
  try {
    work();
  } catch (error) {
    if (error instanceof InputError) return `${error.problem.code}: ${error.problem.message}`;
    throw error;
  }
  return "taken";
};

describe("the elements of every shipped cable", () => {
  it.each(cables)(
    "$id: as many fibres as it has, each found by its address and numbered in order",
    (item) => {
      const fibres = fibresBelow(item, []);
      expect(fibres).toHaveLength(item.fibreCount);
      expect(fibres.map((address) => fibreNumber(item, address))).toEqual(fibres.map((_, i) => i + 1));
      for (const address of fibres) expect(parseAddress(addressText(address))).toEqual(address);
    },
  );
  it("go by colours in their order, tube and fibre each, as a fibre's identity says", () => {
    const trunk = cable("loose-tube-144");
    for (const address of fibresBelow(trunk, [])) {
      const said = identity({ perTube: 12, tubes: 12, number: fibreNumber(trunk, address) });
      expect(elementAt(trunk, address.slice(0, 1)).mark).toEqual(said.tube);
      expect(elementAt(trunk, address).mark).toEqual(said.fibre);
    }
  });
  it("of ribbons lie three deep", () => {
    const address = parseAddress("Tube 1/ribbon 8 / FIBRE 12");
    expect(fibreNumber(cable("central-tube-ribbon-96"), address)).toBe(96);
  });
});

describe("an address the cable does not have", () => {
  const trunk = cable("loose-tube-36");
  it.each([
    ["tube 7", "has tubes 1 to 6, not 7"],
    ["tube 1 / fibre 9", "A tube of Stranded loose tube, 6 × 6 has fibres 1 to 6, not 9"],
    ["ribbon 1", "holds tubes, not ribbons"],
    ["tube 1 / fibre 1 / fibre 1", "holds nothing further"],
    ["tube", "“tube” is not an element"],
    ["strand 4", "“strand 4” is not an element"],
    ["tube 0", "“tube 0” is not an element"],
  ])("%s is refused, saying what there is", (text, message) => {
    const said = problem(() => elementAt(trunk, parseAddress(text)));
    expect(said).toContain("no-such-element: ");
    expect(said).toContain(message);
  });
});

describe("what work opens onto", () => {
  it("is a whole cable document for every element of every shipped cable", () => {
    for (const cable of cables)
      for (const address of fibresBelow(cable, []).slice(0, 14))
        for (let depth = 1; depth <= address.length; depth++) {
          const from = address.slice(0, depth);
          const layered = problem(() => opened(cable, from, glassOf(cable)));
          if (layered === "taken") zCable.encode(opened(cable, from, glassOf(cable)));
          else expect([cable.id, layered]).toEqual([cable.id, expect.stringContaining("worked by itself")]);
        }
  });
  it("runs as one chain from a loose tube by a breakout kit into 900 tubing to any style that takes it", () => {
    const trunk = cable("loose-tube-144");
    const kit = procedures.find(({ id }) => id === "breakout-kit-12");
    const furcation = cable("furcation-900");
    if (!kit) throw new Error("the kit is not shipped");
    expect(misfits(kit, trunk, "9/125")).toEqual([]);
    const fibre = opened(trunk, parseAddress("tube 3 / fibre 7"), "9/125", furcation);
    const fits = (item: Cable) => proceduresFor(procedures, item, "9/125").map(({ id }) => id);
    expect(fits(fibre)).toEqual(fits(furcation));
    expect(fits(fibre)).toContain("stub-cam-crimp-900");
    expect(fibre.name).toBe("fibre of Stranded loose tube, 12 × 12, in a furcation tube");
  });
  it("leaves a sub-unit of a breakout cable a cord of its own, and a fibre of it its buffer", () => {
    const breakout = cable("breakout-2.0");
    const unit = opened(breakout, parseAddress("unit 2"), "9/125");
    expect(unit.layers.map(({ kind }) => kind)).toEqual(["jacket", "yarn", "buffer", "coating", "glass"]);
    expect(proceduresFor(procedures, unit, "9/125").map(({ id }) => id)).toContain("stub-cam-crimp-cord");
    const fibre = opened(breakout, parseAddress("unit 2 / fibre 1"), "9/125");
    expect(fibre.layers[0]?.kind).toBe("buffer");
    expect(proceduresFor(procedures, fibre, "9/125").map(({ id }) => id)).toContain("stub-cam-crimp-900");
  });
  it("keeps the core that was picked, so that no other goes on", () => {
    const duplex = cable("duplex-3.0");
    const leg = opened(duplex, parseAddress("leg 2"), "50/125");
    expect(leg.cores).toEqual(["50/125"]);
    expect(proceduresFor(procedures, leg).every(({ appliesTo }) => appliesTo.cores.includes("50/125"))).toBe(
      true,
    );
  });
});
