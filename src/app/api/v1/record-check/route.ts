import { zRecordChecked } from "@/core";
import { checkRecord } from "@/service/keeping/record-check";
import { theStore } from "@/service/the-store";
import { answerAs } from "../../answer";

/** Checks a stretch of the record; `?after=` goes on where the one before it stopped. */
export const GET = (request: Request) =>
  answerAs(zRecordChecked, () =>
    checkRecord(theStore(), Object.fromEntries(new URL(request.url).searchParams)),
  );
