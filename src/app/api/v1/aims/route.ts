import { aimsOf } from "@/service/aims";
import { theStore } from "@/service/the-store";
import { answer } from "../../answer";

/** How a person aims: `?person=` and, for one style, `&style=`. */
export async function GET(request: Request) {
  return answer(() => aimsOf(theStore(), Object.fromEntries(new URL(request.url).searchParams)));
}
