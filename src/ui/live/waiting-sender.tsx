"use client";

import { usePathname } from "next/navigation";
import { useEffect } from "react";
import { toast } from "sonner";
import { deviceBox, endsWaiting } from "./outbox";
import { refusalText, sendWaiting } from "./sender";

const TRY_AGAIN_MS = 3_000;

/** On every page, sends what an end left at the bench still has waiting on this device. */
export function WaitingSender() {
  const path = usePathname();
  useEffect(() => {
    let busy = false;
    const send = async () => {
      if (busy) return;
      busy = true;
      for (const end of endsWaiting(deviceBox()).filter((id) => path !== `/bench/${id}`))
        await sendWaiting(deviceBox(), end, {
          answered: () => {},
          reached: () => {},
          refused: (problem, event) => void toast.error(refusalText(problem, event), { duration: 9_000 }),
        });
      busy = false;
    };
    send();
    const timer = setInterval(send, TRY_AGAIN_MS);
    return () => clearInterval(timer);
  }, [path]);
  return null;
}
