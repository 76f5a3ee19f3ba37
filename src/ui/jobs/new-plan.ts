import { type Cable, type Core, mm, type PiecePlan } from "@/core";

const SIDE: PiecePlan["sides"]["A"] = {
  place: "",
  procedure: null,
  choices: {},
  onto: null,
  slack: null,
  ends: 0,
  entry: mm(500),
  squaring: mm(50),
  grip: mm(0),
  retries: 0,
};

/** A piece as it is begun: a cable and a name, nothing of its route known yet. */
export const newPlan = (name: string, cable: Cable, core: Core): PiecePlan => ({
  name,
  cable: cable.id,
  core,
  sides: { A: SIDE, B: { ...SIDE, grip: mm(1_000) } },
  route: [],
  loops: [],
  stations: [],
  bendAtRest: null,
  yield: { p: 0.95 },
  risk: 0.05,
  roundUpTo: mm(500),
});
