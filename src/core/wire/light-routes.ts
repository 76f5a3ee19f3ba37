import { zIdAnswer, zRevisionAnswer } from "./answers";
import {
  zFeederAnswer,
  zFeederSaved,
  zFeedersAnswer,
  zNewFeeder,
  zNewReference,
  zReferencesAnswer,
  zSaveFeeder,
} from "./light";
import { route } from "./route";

/** The interface for programs: feeders of a job, and references of light. */
export const LIGHT_ROUTES = {
  "get /jobs/{id}/feeders": route({
    does: "Feeders of a job, in the order they came.",
    answer: zFeedersAnswer,
  }),
  "post /jobs/{id}/feeders": route({
    does: "Adds a feeder to a job.",
    body: zNewFeeder,
    answer: zFeederSaved,
    status: 201,
    acts: true,
    roles: ["lead"],
  }),
  "get /feeders/{id}": route({
    does: "A feeder as it is planned, with the powers read at its joints.",
    answer: zFeederAnswer,
  }),
  "post /feeders/{id}": route({
    does: "Saves a change to a feeder, or takes it off its job.",
    body: zSaveFeeder,
    answer: zRevisionAnswer,
    acts: true,
    roles: ["lead"],
  }),
  "get /light/references": route({
    does: "References of light that can still be used, newest first, with the matings since.",
    answer: zReferencesAnswer,
  }),
  "post /light/references": route({
    does: "Stores a reference of light, so that every device of the crew can use it.",
    body: zNewReference,
    answer: zIdAnswer,
    status: 201,
    acts: true,
  }),
} as const;
