import { zBladeAnswer } from "@/core";
import { seeToBlade } from "@/service/workshop/tools";
import { acting } from "../../../acting";
import { answerAs } from "../../../answer";

/** A blade was wiped, turned or changed. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answerAs(
    zBladeAnswer,
    async () => {
      const { act, input } = await acting(request);
      return seeToBlade(act, (await params).id, input);
    },
    201,
  );
