import { checkRecord } from "@/service/record-check";
import { theStore } from "@/service/the-store";
import { answer } from "../../answer";

/** Checks a stretch of the record; `?after=` goes on where the one before it stopped. */
export async function GET(request: Request) {
  return answer(() => checkRecord(theStore(), Object.fromEntries(new URL(request.url).searchParams)));
}
