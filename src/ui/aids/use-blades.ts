"use client";

import { useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import { v4 as uuid } from "uuid";
import type { BladeLine } from "@/core";
import { t } from "@/messages/aids";
import { call } from "../http/http";

/**
 * How the blades stand, and what sees to one. Asked again whenever a cleave comes up: the same blade is used at other benches.
 * @param shown as the server had them when the page was drawn.
 */
export function useBlades(shown: readonly BladeLine[], cleaves: boolean) {
  const [blades, setBlades] = useState(shown);
  /** How often one was seen to here: an answer to what was asked before that says what stood before it. */
  const seenTo = useRef(0);
  useEffect(() => {
    if (!cleaves) return;
    const askedAt = seenTo.current;
    call("get /tools", {}).then((answer) => {
      if (answer.ok && seenTo.current === askedAt) setBlades(answer.value);
    });
  }, [cleaves]);
  const seeTo = async (tool: string, action: "wipe" | "turn" | "new") => {
    seenTo.current += 1;
    const answer = await call("post /tools/{id}", { params: { id: tool }, body: { id: uuid(), action } });
    if (answer.ok)
      setBlades((before) => before.map((bladeLine) => (bladeLine.tool === tool ? answer.value : bladeLine)));
    else toast.error(t("not-noted-of-the-blade", { message: answer.problem.message }));
  };
  return { blades, seeTo };
}
