"use client";

import { usePathname } from "next/navigation";
import { MessageLine } from "./message-line";

/** The message line of a page that scrolls: at its foot, above the tab bar of a phone. */
export const FootMessages = () => (
  <MessageLine className="no-print sticky bottom-[calc(3.5rem+var(--tray,0px))] z-20 sm:bottom-0" />
);

/** Messages on every page but the bench, which fills the screen and places its own line. */
export function PageMessages() {
  const path = usePathname();
  return path.startsWith("/bench/") ? null : <FootMessages />;
}
