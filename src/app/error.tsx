"use client";

import { Button } from "@/ui/controls/button";
export default function Failed({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="min-w-0 flex-1 px-6 py-10">
      <h1 className="font-bold text-2xl">This page could not be drawn</h1>
      <p className="mt-2 max-w-prose text-lg">
        Something went wrong in Arlent, not in your work. Drawing a page changes nothing in the record, and
        readings not yet sent are kept on this device.
      </p>
      <Button look="next" onClick={reset} className="mt-5">
        Try again
      </Button>
    </main>
  );
}
