"use client";

import { useEffect } from "react";

/** Names the window by what it shows now; what the server named the page by may still arrive after, and gives way. */
export function useTitle(title: string): void {
  useEffect(() => {
    const name = () => {
      if (document.title !== title) document.title = title;
    };
    name();
    const watch = new MutationObserver(name);
    watch.observe(document.head, { childList: true, subtree: true, characterData: true });
    return () => watch.disconnect();
  }, [title]);
}
