import { zIdAnswer } from "@/core";
import { startBatch } from "@/service/end/batches";
import { acting } from "../../acting";
import { answerAs } from "../../answer";

/** Starts many ends of one style. */
export const POST = (request: Request) =>
  answerAs(
    zIdAnswer,
    async () => {
      const { act, input } = await acting(request);
      return startBatch(act, input);
    },
    201,
  );
