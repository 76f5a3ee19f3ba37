import { zTimersAnswer } from "@/core";
import { recordNow } from "@/service/clock";
import { runningTimers } from "@/service/end/timers";
import { theStore } from "@/service/the-store";
import { answerAs } from "../../answer";

/** Holds and cures running now, with the server's clock to count them by. */
export const GET = () =>
  answerAs(zTimersAnswer, () => {
    const store = theStore();
    return { now: recordNow(store).toISOString(), timers: runningTimers(store) };
  });
