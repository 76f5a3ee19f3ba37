import { compileRunSheet, mustHoldAt, um, withDefaults } from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";

/** Whole ends that can be practised, and the cable each is made on. */
const ENDS = [
  ["stub-wedge-release-cord", "simplex-3.0"],
  ["fusion-splice-on", "distribution-900"],
  ["adhesive-polish-900", "distribution-900"],
] as const;
/** The cleaver a series of cleaves is made with. */
const CLEAVER = "bench-cleaver";

const named = <T extends { readonly id: string }>(all: readonly T[], id: string): T =>
  mustHoldAt(
    all.filter((each) => each.id === id),
    0,
  );

/** Parts of the drills: whole ends of the shipped shelf, its tools, and the figures of a cleave. */
export function practiceKit() {
  const { procedures, cables, tools } = shippedLibrary();
  const ends = ENDS.map(([procedure, cable]) => ({
    procedure: named(procedures, procedure),
    cable: named(cables, cable),
  }));
  const { procedure, cable } = mustHoldAt(ends, 0);
  const core = mustHoldAt(cable.cores, 0);
  const { checks } = compileRunSheet({
    ...{ procedure, cable, core, tools },
    choices: withDefaults(procedure, {}),
  });
  const { nominal, min, max } = mustHoldAt(
    checks.filter(({ dimension }) => dimension === "cleave"),
    0,
  );
  const scrap = named(tools, CLEAVER).scrap ?? um(0);
  return { ends, tools, cleave: { nominal, min: min ?? nominal, max: max ?? nominal, scrap } };
}
