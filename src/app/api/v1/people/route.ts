import { zPeopleAnswer } from "@/core";
import { addPerson, people } from "@/service/people";
import { theStore } from "@/service/the-store";
import { answerAs, jsonBody } from "../../answer";

/** Everybody who works here. */
export const GET = () => answerAs(zPeopleAnswer, () => ({ people: people(theStore()) }));

/** Adds somebody: `{id?, name, by?}`. */
export const POST = (request: Request) =>
  answerAs(zPeopleAnswer, async () => ({ people: addPerson(theStore(), await jsonBody(request)) }), 201);
