"use client";

import { X } from "lucide-react";
import { useEffect } from "react";
import { toast, useSonner } from "sonner";
import { IconButton } from "../controls/icon-button";

const SHOWN_MS = 6_000;

/** The last message, in a line of its own at the foot of the bench: it takes room and covers nothing. */
export function BenchMessages() {
  const { toasts } = useSonner();
  const message = toasts[0];
  const id = message?.id;
  const shown = message?.duration ?? SHOWN_MS;
  useEffect(() => {
    if (id === undefined) return;
    const timer = setTimeout(() => toast.dismiss(id), shown);
    return () => clearTimeout(timer);
  }, [id, shown]);
  return (
    <div role="status" aria-live="polite" className="empty:hidden">
      {message && (
        <div className="flex items-center gap-3 bg-strong pl-4 text-on-strong">
          <p data-message className="min-w-0 flex-1 py-2 leading-tight">
            {typeof message.title === "function" ? message.title() : message.title}
          </p>
          <IconButton name="Close the message" onClick={() => toast.dismiss(message.id)}>
            <X aria-hidden="true" className="size-5" />
          </IconButton>
        </div>
      )}
    </div>
  );
}
