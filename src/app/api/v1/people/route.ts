import { zPeopleAnswer } from "@/core";
import { addPerson, people } from "@/service/crew/people";
import { theStore } from "@/service/the-store";
import { acting } from "../../acting";
import { answerAs } from "../../answer";

/** Everybody who works here. */
export const GET = () => answerAs(zPeopleAnswer, () => ({ people: people(theStore()) }));

/** Adds somebody: `{id?, name, by?}`. */
export const POST = (request: Request) =>
  answerAs(
    zPeopleAnswer,
    async () => {
      const { act, input } = await acting(request);
      return { people: addPerson(act, input) };
    },
    201,
  );
