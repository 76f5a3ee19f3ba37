"use client";

import { useRouter } from "next/navigation";
import { Dialog } from "radix-ui";
import { useRef, useState } from "react";
import { v4 as uuid } from "uuid";
import type { Rule, RunSheet } from "@/core";
import { t } from "@/messages/bench";
import { Button } from "../controls/button";
import { call } from "../http/http";

interface AskPracticeProps {
  readonly sheet: RunSheet;
  readonly rule: Rule;
  readonly onClose: () => void;
}

/** A simulated reading on an end that is work would stand in its record for one that was never taken: it asks first. */
export function AskPractice({ sheet, rule, onClose }: AskPracticeProps) {
  const router = useRouter();
  const [problem, setProblem] = useState("");
  /** Sent again after no answer came, it is the same end. */
  const id = useRef(uuid());
  const practise = async () => {
    const answer = await call("post /ends", {
      body: {
        id: id.current,
        cable: sheet.cable.id,
        procedure: sheet.procedure.id,
        core: sheet.picked.core,
        choices: sheet.picked.choices,
        rule,
        purpose: "practice",
      },
    });
    if (answer.ok) router.push(`/bench/${answer.value.id}`);
    else setProblem(answer.problem.message);
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-40 grid w-[min(28rem,calc(100vw-2rem))] -translate-x-1/2 -translate-y-1/2 gap-3 rounded-lg border border-line bg-raised p-5 shadow-xl">
          <Dialog.Title className="font-bold text-2xl">{t("this-end-is-work")}</Dialog.Title>
          <Dialog.Description>{t("a-simulated-reading-in-its-record")}</Dialog.Description>
          <p role="alert" className="text-out empty:hidden">
            {problem}
          </p>
          <Button look="next" size="large" onClick={practise}>
            {t("practise-on-a-copy")}
          </Button>
          <Dialog.Close asChild>
            <Button look="quiet">{t("stay-with-this-end")}</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
