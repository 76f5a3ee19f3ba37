import { zStudiesAnswer, zStudyAnswer } from "@/core";
import { theStore } from "@/service/the-store";
import { addStudy, listStudies } from "@/service/workshop/studies";
import { acting } from "../../acting";
import { answerAs } from "../../answer";

/** Studies, newest first. */
export const GET = () => answerAs(zStudiesAnswer, () => listStudies(theStore()));

/** Keeps a study. */
export const POST = (request: Request) =>
  answerAs(
    zStudyAnswer,
    async () => {
      const { act, input } = await acting(request);
      return addStudy(act, input);
    },
    201,
  );
