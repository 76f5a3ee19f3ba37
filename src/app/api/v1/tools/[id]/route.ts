import { zBladeAnswer } from "@/core";
import { theStore } from "@/service/the-store";
import { seeToBlade } from "@/service/tools";
import { answerAs, jsonBody } from "../../../answer";

/** A blade was wiped, turned or changed. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answerAs(zBladeAnswer, async () => seeToBlade(theStore(), (await params).id, await jsonBody(request)), 201);
