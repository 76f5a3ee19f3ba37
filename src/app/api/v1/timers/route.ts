import { theStore } from "@/service/the-store";
import { runningTimers } from "@/service/timers";
import { answer } from "../../answer";

/** Holds and cures running now, with the server's clock to count them by. */
export async function GET() {
  return answer(() => ({ now: new Date().toISOString(), timers: runningTimers(theStore()) }));
}
