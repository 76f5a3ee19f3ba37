import { z } from "zod";
import { check, zEventsAnswer } from "@/core";
import { t } from "@/messages/service";
import { newEvents } from "@/service/end/ends";
import { theStore } from "@/service/the-store";
import { answerAs } from "../../../answer";

const zAfter = z.coerce.number(t("after-must-be-a-whole-number")).int().min(0).default(0);

/** What happened to an end after the event `?after=`. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answerAs(zEventsAnswer, async () => {
    const after = check(zAfter, new URL(request.url).searchParams.get("after") ?? undefined);
    return { events: newEvents(theStore(), (await params).id, after) };
  });
