import { zPeopleAnswer } from "@/core";
import { mergePerson } from "@/service/crew/people";
import { acting } from "../../../../acting";
import { answerAs } from "../../../../answer";

/** Says that a person is another who is known here: `{into, by?}`. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answerAs(zPeopleAnswer, async () => {
    const { act, input } = await acting(request);
    return { people: mergePerson(act, (await params).id, input) };
  });
