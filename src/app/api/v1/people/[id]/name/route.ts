import { zPeopleAnswer } from "@/core";
import { renamePerson } from "@/service/people";
import { theStore } from "@/service/the-store";
import { answerAs, jsonBody } from "../../../../answer";

/** Calls a person otherwise from now on: `{name, by?}`. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answerAs(zPeopleAnswer, async () => ({
    people: renamePerson(theStore(), (await params).id, await jsonBody(request)),
  }));
