"use client";

import { X } from "lucide-react";
import { useEffect } from "react";
import { type Action, type ToastT, toast, useSonner } from "sonner";
import { t } from "@/messages/messages";
import { IconButton } from "../controls/icon-button";

const SHOWN_MS = 6_000;

/**
 * The newest message, in a line of its own at the foot of the view. The line takes room from the view, so that a
 * message never covers a figure, a field or a button.
 */
export function MessageLine({ className = "" }: { className?: string }) {
  const { toasts } = useSonner();
  const message = toasts[0];
  const id = message?.id;
  const shown = message?.type === "loading" ? Number.POSITIVE_INFINITY : (message?.duration ?? SHOWN_MS);
  useEffect(() => {
    if (id === undefined || shown === Number.POSITIVE_INFINITY) return;
    const timer = setTimeout(() => toast.dismiss(id), shown);
    return () => clearTimeout(timer);
  }, [id, shown]);
  return (
    <div role="status" aria-live="polite" className={className}>
      {message && (
        <div className="flex items-center gap-3 bg-strong pl-4 text-on-strong">
          <p data-message className="min-w-0 flex-1 py-2 leading-tight">
            {typeof message.title === "function" ? message.title() : message.title}
          </p>
          {isAction(message.action) && (
            <MessageAction action={message.action} onDone={() => toast.dismiss(message.id)} />
          )}
          <IconButton name={t("close-the-message")} onClick={() => toast.dismiss(message.id)}>
            <X aria-hidden="true" className="size-5" />
          </IconButton>
        </div>
      )}
    </div>
  );
}

const isAction = (action: ToastT["action"]): action is Action =>
  typeof action === "object" && action !== null && "onClick" in action;

/** What can be done about a message, for example take the change back. A click may keep the message: it prevents its default. */
function MessageAction({ action, onDone }: { action: Action; onDone: () => void }) {
  return (
    <button
      type="button"
      className="min-h-12 shrink-0 px-3 font-bold underline"
      onClick={(event) => {
        action.onClick(event);
        if (!event.defaultPrevented) onDone();
      }}
    >
      {action.label}
    </button>
  );
}
