"use client";

import { useRouter } from "next/navigation";
import { useEffect, useRef } from "react";
import { usePolled } from "../http/use-polled";

const ASK_MS = 4_000;

/**
 * Asks for a page again when an end was begun or signed or a plan changed elsewhere, while it is looked at.
 * @param seen how far the record had come when the page was made.
 */
export function useFresh(seen: number): void {
  const { refresh } = useRouter();
  const last = useRef(seen);
  useEffect(() => {
    last.current = Math.max(last.current, seen);
  }, [seen]);
  usePolled(
    "get /pulse",
    {},
    {
      every: ASK_MS,
      onAnswer: ({ n }) => {
        if (n <= last.current) return;
        last.current = n;
        refresh();
      },
    },
  );
}
