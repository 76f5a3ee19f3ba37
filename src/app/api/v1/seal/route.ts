import { check, zFindingsAnswer, zSealAnswer } from "@/core";
import { checkSeal, makeSeal, SEAL_LIMIT, zSealText } from "@/service/keeping/seal";
import { theStore } from "@/service/the-store";
import { answerAs, jsonBody } from "../../answer";

/** The whole record under one figure, with every end's own. */
export const GET = () => answerAs(zSealAnswer, () => makeSeal(theStore()));

/** Holds the record against an earlier seal: `{seal}`, its one line or its file. */
export const POST = (request: Request) =>
  answerAs(zFindingsAnswer, async () => {
    const { seal } = check(zSealText, await jsonBody(request, SEAL_LIMIT));
    return { findings: checkSeal(theStore(), seal) };
  });
