"use client";

import { useRouter } from "next/navigation";
import { useRef } from "react";
import { v4 as uuid } from "uuid";
import { z } from "zod";
import { type ClosureCable, NO_SPLICES, zClosurePlan } from "@/core";
import { t } from "@/messages/jobs";
import { useSubmit } from "../controls/use-submit";
import { call } from "../http/http";
import { usePrefs } from "../prefs/prefs-context";

interface NewClosure {
  readonly job: string;
  readonly name: string;
  readonly entry: string;
  readonly cables: readonly ClosureCable[];
}

/** Adds a closure to a job and opens it. Sent again after no answer, it is the same closure. */
export function useNewClosure({ job, name, entry, cables }: NewClosure) {
  const { prefs } = usePrefs();
  const router = useRouter();
  const id = useRef(uuid());
  return useSubmit(async () => {
    if (name.trim() === "") return t("a-closure-has-a-name-where");
    const answer = await call("post /jobs/{id}/closures", {
      params: { id: job },
      body: {
        id: id.current,
        plan: z.encode(zClosurePlan, { name: name.trim(), entry, cables, splicing: NO_SPLICES }),
        by: prefs.person,
      },
    });
    if (answer.ok) {
      router.push(`/jobs/${job}/closures/${answer.value.id}`);
      return "";
    }
    if (answer.problem.code !== "offline") id.current = uuid();
    return answer.problem.message;
  });
}
