import { zIdAnswer } from "./answers";
import { zJobPlan, zOpenPlan } from "./job-plan";
import { route } from "./route";

/** The interface for programs: the plan of a whole job, out and in. */
export const JOB_PLAN_ROUTES = {
  "get /jobs/{id}/plan": route({
    does: "A job as it is planned: pieces, closures, feeders.",
    answer: zJobPlan,
  }),
  "post /plans": route({
    does: "Begins a job from a plan, all of it or nothing; its pieces, closures and feeders get new ids.",
    body: zOpenPlan,
    answer: zIdAnswer,
    status: 201,
    acts: true,
    roles: ["lead"],
  }),
} as const;
