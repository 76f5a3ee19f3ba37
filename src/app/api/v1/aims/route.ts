import { zAimsAnswer } from "@/core";
import { theStore } from "@/service/the-store";
import { aimsOf } from "@/service/workshop/aims";
import { answerAs } from "../../answer";

/** How a person aims: `?person=` (their id) and, for one style, `&style=`. */
export const GET = (request: Request) =>
  answerAs(zAimsAnswer, () => aimsOf(theStore(), Object.fromEntries(new URL(request.url).searchParams)));
