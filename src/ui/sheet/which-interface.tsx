"use client";

import { Dialog } from "radix-ui";
import { useEffect } from "react";
import type { InterfaceAsked } from "@/core";
import { t } from "@/messages/sheet";
import { useDigits } from "../keys/use-digits";

interface WhichInterfaceProps {
  /** What there is to pick from; null once it is picked. */
  readonly question: InterfaceAsked | null;
  readonly onPick: (option: string) => void;
  readonly onPicked: () => void;
  readonly onClose: () => void;
}

/** Which interface the connector in hand has: asked once, before the first cut, by a touch or a digit. */
export function WhichInterface({ question, onPick, onPicked, onClose }: WhichInterfaceProps) {
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, as the sheet has taken the answer up
  useEffect(() => {
    if (question === null) onPicked();
  }, [question]);
  useDigits((index) => {
    const option = question?.options[index];
    if (option) onPick(option.id);
  });
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-40 w-[min(26rem,calc(100vw-2rem))] -translate-x-1/2 -translate-y-1/2 rounded-lg border border-line bg-raised p-5 shadow-xl"
        >
          <Dialog.Title className="mb-3 font-bold text-2xl">{t("which-interface-is-it")}</Dialog.Title>
          <div className="grid gap-2">
            {question?.options.map(({ id, name }, i) => (
              <button
                key={id}
                type="button"
                onClick={() => onPick(id)}
                aria-keyshortcuts={String(i + 1)}
                className="flex min-h-14 items-center justify-between rounded-lg border-2 border-line px-4 font-bold text-xl"
              >
                {name}
                <kbd aria-hidden="true" className="figures hidden text-base text-soft lg:block">
                  {i + 1}
                </kbd>
              </button>
            ))}
          </div>
          <Dialog.Close className="mt-3 min-h-12 w-full rounded-lg border border-line">
            {t("not-now")}
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
