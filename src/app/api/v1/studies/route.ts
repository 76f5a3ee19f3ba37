import { zStudiesAnswer, zStudyAnswer } from "@/core";
import { addStudy, studies } from "@/service/studies";
import { theStore } from "@/service/the-store";
import { answerAs, jsonBody } from "../../answer";

/** Studies, newest first. */
export const GET = () => answerAs(zStudiesAnswer, () => studies(theStore()));

/** Keeps a study. */
export const POST = (request: Request) =>
  answerAs(zStudyAnswer, async () => addStudy(theStore(), await jsonBody(request)), 201);
