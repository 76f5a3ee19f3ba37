import { zPeopleAnswer } from "@/core";
import { mergePerson } from "@/service/people";
import { theStore } from "@/service/the-store";
import { answerAs, jsonBody } from "../../../../answer";

/** Says that a person is another who is known here: `{into, by?}`. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answerAs(zPeopleAnswer, async () => ({
    people: mergePerson(theStore(), (await params).id, await jsonBody(request)),
  }));
