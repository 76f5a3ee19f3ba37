"use client";

import { Download, Square } from "lucide-react";
import { useRef, useState } from "react";
import { toast } from "sonner";
import { t } from "@/messages/ledger";
import { Button } from "../controls/button";
import { saveFile } from "../controls/save-file";
import { zFailure } from "../http/http";

/** Makes the filtered records into one PDF: it takes a moment for each end, says so, and can be stopped. */
export function PdfButton({ href }: { href: string }) {
  const [making, setMaking] = useState(false);
  const stop = useRef<AbortController | null>(null);
  const make = async () => {
    stop.current = new AbortController();
    setMaking(true);
    try {
      const response = await fetch(href, { signal: stop.current.signal });
      if (!response.ok) {
        const failure = zFailure.safeParse(await response.json());
        toast.error(failure.data?.error.message ?? t("the-pdf-could-not-be-made"), { duration: 9_000 });
      } else saveFile("arlent-ledger.pdf", "application/pdf", await response.blob());
    } catch {
      if (!stop.current.signal.aborted) toast.error(t("the-server-does-not-answer-nothing"));
    }
    setMaking(false);
  };
  return (
    <Button look="quiet" onClick={() => (making ? stop.current?.abort() : make())} className="gap-2">
      {making ? (
        <>
          <Square aria-hidden="true" className="size-4" /> {t("making-it-stop")}
        </>
      ) : (
        <>
          <Download aria-hidden="true" className="size-4" /> {t("pdf")}
        </>
      )}
    </Button>
  );
}
