import { zIdAnswer, zJobsAnswer } from "@/core";
import { jobsPage, newJob } from "@/service/job/jobs";
import { theStore } from "@/service/the-store";
import { acting } from "../../acting";
import { answerAs } from "../../answer";

/** Jobs, newest first, a page at a time. */
export const GET = (request: Request) =>
  answerAs(zJobsAnswer, () => jobsPage(theStore(), Object.fromEntries(new URL(request.url).searchParams)));

/** Begins a job. */
export const POST = (request: Request) =>
  answerAs(
    zIdAnswer,
    async () => {
      const { act, input } = await acting(request);
      return newJob(act, input);
    },
    201,
  );
