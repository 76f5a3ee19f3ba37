"use client";

import { useState } from "react";
import { toast } from "sonner";
import { z } from "zod";
import { tapsInput, withBestTaps, withTaps } from "@/core";
import { computed } from "../http/http";
import type { FeederHeld } from "./use-feeder";

const zChoice = z.object({ choice: z.array(z.number()) });

/** Finds the best taps: at once where the box is not counted, else on the server, of those that are there. */
export function useBestTaps({ plan, change }: Pick<FeederHeld, "plan" | "change">) {
  const [busy, setBusy] = useState(false);
  const find = async () => {
    if (plan.stock.every(({ count }) => count === null)) return change(withBestTaps(plan));
    setBusy(true);
    const answer = await computed("stocked-taps", tapsInput(plan), zChoice);
    setBusy(false);
    if (answer.ok) change(withTaps(plan, answer.value));
    else toast.error(answer.problem.message);
  };
  return { busy, find };
}
