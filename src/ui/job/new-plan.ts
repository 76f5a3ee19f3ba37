import { type Cable, type Core, mm, type PiecePlan } from "@/core";

const SIDE: PiecePlan["sides"]["A"] = {
  place: "",
  procedure: null,
  choices: {},
  onto: null,
  slack: null,
  ends: 0,
  leave: null,
  entry: null,
  squaring: null,
  grip: null,
  retries: null,
};

/** A piece as it is begun: a cable and a name, nothing of its route known yet. */
export const newPlan = (name: string, cable: Cable, core: Core): PiecePlan => ({
  name,
  cable: cable.id,
  core,
  sides: { A: SIDE, B: SIDE },
  route: [],
  loops: [],
  stations: [],
  bendAtRest: null,
  yield: null,
  risk: 0.05,
  roundUpTo: mm(500),
});
