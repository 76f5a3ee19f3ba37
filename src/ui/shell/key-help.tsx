"use client";

import { Dialog } from "radix-ui";
import { useEffect, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { t } from "@/messages/shell";

const KEYS = [
  {
    place: t("sheet"),
    keys: [
      ["C", t("pick-a-cable")],
      ["S", t("pick-a-connector")],
      ["V", t("how-exactly-glass-interface-light")],
      [t("b-then-enter"), t("to-the-bench")],
      ["P", "print"],
    ],
  },
  {
    place: t("bench"),
    keys: [
      [t("space-page-down"), t("next-step")],
      [t("page-up"), "back"],
      ["Enter", t("keep-the-reading-count-one-start")],
      [t("enter-nothing-typed"), t("take-what-is-to-be-redone")],
      [t("1-to-9"), t("a-part-is-on-an-answer")],
      ["R", t("read-the-step-aloud")],
      [t("enter-something-still-asked-for"), t("do-it-now-space-again-passes")],
      ["Z", t("undo-the-last-act-a-reading")],
    ],
  },
  { place: t("a-piece"), keys: [["Z", t("take-the-last-change-back")]] },
  {
    place: t("everywhere"),
    keys: [
      ["U", t("millimetres-inches-or-both")],
      ["?", t("this-list")],
    ],
  },
] as const;

const SHOW_KEYS = "arlent:keys";

/** Opens the list of keys from wherever keys are what one works with. */
export const showKeys = (): void => {
  window.dispatchEvent(new Event(SHOW_KEYS));
};

/** Every key that does something, at the press of a question mark. */
export function KeyHelp() {
  const [open, setOpen] = useState(false);
  useHotkeys("?", () => setOpen(true), { useKey: true });
  useEffect(() => {
    const show = () => setOpen(true);
    window.addEventListener(SHOW_KEYS, show);
    return () => window.removeEventListener(SHOW_KEYS, show);
  }, []);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-40 max-h-[90dvh] w-[min(34rem,calc(100vw-2rem))] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-lg border border-line bg-raised p-6 shadow-xl"
        >
          <Dialog.Title className="font-bold text-2xl">{t("keys")}</Dialog.Title>
          {KEYS.map(({ place, keys }) => (
            <section key={place} aria-label={place} className="mt-4">
              <h3 className="font-semibold">{place}</h3>
              <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
                {keys.map(([key, does]) => (
                  <div key={key} className="contents">
                    <dt className="figures font-bold">{key}</dt>
                    <dd>{does}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
          <Dialog.Close className="mt-6 min-h-12 w-full rounded-lg bg-strong font-semibold text-on-strong">
            {t("close")}
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
