import { zIdAnswer } from "@/core";
import { endsAtBench, startEnd } from "@/service/ends";
import { theStore } from "@/service/the-store";
import { acting } from "../../acting";
import { answer, answerAs } from "../../answer";

/** Ends still at the bench, newest first. */
export const GET = () => answer(() => endsAtBench(theStore()));

/** Starts an end from a sheet. */
export const POST = (request: Request) =>
  answerAs(
    zIdAnswer,
    async () => {
      const { act, input } = await acting(request);
      return startEnd(act, input);
    },
    201,
  );
