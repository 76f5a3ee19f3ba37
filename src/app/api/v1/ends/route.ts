import { zBenchAnswer, zIdAnswer } from "@/core";
import { benchPage } from "@/service/end/bench-page";
import { startEnd } from "@/service/end/ends";
import { theStore } from "@/service/the-store";
import { acting } from "../../acting";
import { answerAs } from "../../answer";

/** Ends still at the bench, newest first. */
export const GET = (request: Request) =>
  answerAs(zBenchAnswer, () => benchPage(theStore(), Object.fromEntries(new URL(request.url).searchParams)));

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
