import { zIdAnswer } from "@/core";
import { endsAtBench, startEnd } from "@/service/ends";
import { theStore } from "@/service/the-store";
import { answer, answerAs, jsonBody } from "../../answer";

/** Ends still at the bench, newest first. */
export const GET = () => answer(() => endsAtBench(theStore()));

/** Starts an end from a sheet. */
export const POST = (request: Request) =>
  answerAs(zIdAnswer, async () => startEnd(theStore(), await jsonBody(request)), 201);
