import { zTimersAnswer } from "@/core";
import { theStore } from "@/service/the-store";
import { runningTimers } from "@/service/timers";
import { answerAs } from "../../answer";

/** Holds and cures running now, with the server's clock to count them by. */
export const GET = () =>
  answerAs(zTimersAnswer, () => ({ now: new Date().toISOString(), timers: runningTimers(theStore()) }));
