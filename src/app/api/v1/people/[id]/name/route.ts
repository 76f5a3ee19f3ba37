import { zPeopleAnswer } from "@/core";
import { renamePerson } from "@/service/crew/people";
import { acting } from "../../../../acting";
import { answerAs } from "../../../../answer";

/** Calls a person otherwise from now on: `{name, by?}`. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answerAs(zPeopleAnswer, async () => {
    const { act, input } = await acting(request);
    return { people: renamePerson(act, (await params).id, input) };
  });
