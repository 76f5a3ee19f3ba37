"use client";

import { useRouter } from "next/navigation";
import { useEffect } from "react";

/** Asks for a page again that is come back to: the window has it as it was left, whatever was done since. */
export function ComeBack(): null {
  const { refresh } = useRouter();
  useEffect(() => {
    // The router hears the same event, and goes there first.
    const askAgain = () => window.setTimeout(refresh);
    window.addEventListener("popstate", askAgain);
    return () => window.removeEventListener("popstate", askAgain);
  }, [refresh]);
  return null;
}
