import { zIdAnswer } from "@/core";
import { startBatch } from "@/service/batches";
import { theStore } from "@/service/the-store";
import { answerAs, jsonBody } from "../../answer";

/** Starts many ends of one style. */
export const POST = (request: Request) =>
  answerAs(zIdAnswer, async () => startBatch(theStore(), await jsonBody(request)), 201);
