"use client";

import { Pencil } from "lucide-react";
import { useState } from "react";
import { t } from "@/messages/entry";
import { IconButton } from "../controls/icon-button";
import { Input } from "../controls/input";

interface NameFieldProps {
  readonly name: string;
  readonly onTake: (name: string) => void;
}

/** What a closure is called, as the page's heading; a pencil makes it a field. */
export function NameField({ name, onTake }: NameFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const take = () => {
    const next = typed?.trim() ?? "";
    setTyped(null);
    if (next !== "" && next !== name) onTake(next);
  };
  return (
    <div className="flex min-w-0 items-center">
      <h1 className={typed === null ? "min-w-0 truncate font-bold text-xl" : "sr-only"}>{name}</h1>
      {typed === null ? (
        <IconButton name={t("rename")} onClick={() => setTyped(name)} className="no-print">
          <Pencil aria-hidden="true" className="size-4" />
        </IconButton>
      ) : (
        <Input
          aria-label={t("what-it-is-called")}
          value={typed}
          maxLength={200}
          autoFocus
          onChange={({ target }) => setTyped(target.value)}
          onBlur={take}
          onKeyDown={({ key }) => {
            if (key === "Enter") take();
            if (key === "Escape") setTyped(null);
          }}
        />
      )}
    </div>
  );
}
