"use client";

import { useRouter } from "next/navigation";
import { toast } from "sonner";
import type { Outcome } from "@/core";
import { t } from "@/messages/jobs";

/** Saves a plan after a revision; null takes the thing off its job. */
type Save<T> = (basis: number, plan: T | null) => Promise<Outcome<{ readonly revision: number }>>;

/** Takes a thing off its job, at once, with an undo that puts its plan back. */
export function useTakeOff<T extends { readonly name: string }>(save: Save<T>) {
  const router = useRouter();
  return async (revision: number, plan: T): Promise<void> => {
    const answer = await save(revision, null);
    if (!answer.ok) return void toast.error(answer.problem.message);
    router.refresh();
    toast(t("is-taken-off-the-job", { name: plan.name }), {
      action: {
        label: t("undo"),
        onClick: async () => {
          const back = await save(answer.value.revision, plan);
          if (back.ok) router.refresh();
          else toast.error(back.problem.message);
        },
      },
    });
  };
}
