"use client";

import { usePathname } from "next/navigation";
import { Toaster } from "sonner";

/** Messages over the foot of a page. The bench has a line of its own for them: nothing may lie over a figure there. */
export function PageMessages() {
  const path = usePathname();
  if (path.startsWith("/bench/")) return null;
  return (
    <Toaster
      position="bottom-left"
      offset={{ bottom: "1rem", left: "6.5rem" }}
      mobileOffset={{ bottom: "10rem" }}
      toastOptions={{
        style: {
          background: "var(--strong)",
          color: "var(--on-strong)",
          fontSize: "1rem",
          border: "none",
        },
      }}
    />
  );
}
