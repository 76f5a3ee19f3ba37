"use client";

import { Download } from "lucide-react";
import { Popover } from "radix-ui";
import { t } from "@/messages/ledger";
import { Button } from "../controls/button";
import { PdfButton } from "./pdf-button";

/** The ends of a filter as files. */
export function ExportMenu({ filter }: { readonly filter: Readonly<Record<string, string>> }) {
  const asFile = (format: string) => `/api/v1/ledger?${new URLSearchParams({ ...filter, format })}`;
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button>{t("export")}</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={t("export")}
          align="end"
          sideOffset={6}
          collisionPadding={12}
          className="z-30 grid min-w-44 gap-2 rounded-lg border-2 border-ink bg-raised p-3 shadow-lg"
        >
          <FileLink href={asFile("csv")} name="CSV" />
          <FileLink href={asFile("json")} name="JSON" />
          <PdfButton href={asFile("pdf")} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const FileLink = ({ href, name }: { readonly href: string; readonly name: string }) => (
  <Button look="quiet" asChild>
    <a href={href} download={`arlent-ledger.${name.toLowerCase()}`} className="gap-2">
      <Download aria-hidden="true" className="size-4" /> {name}
    </a>
  </Button>
);
