"use client";

import { UserRound } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { t } from "@/messages/people";
import { usePeople } from "./people-context";
import { PeopleList } from "./people-list";

/** The letters a name begins with: Wyn Harrow is WH. */
const initials = (name: string): string =>
  name
    .split(/\s+/)
    .flatMap((word) => [...word].slice(0, 1))
    .slice(0, 3)
    .join("")
    .toUpperCase();

/** Who is working at this device, on every page; changed by a touch on another name. */
export function WhoButton() {
  const { who } = usePeople();
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label={who ? t("working-change", { name: who.name }) : t("who-is-working-2")}
        className="flex min-h-14 flex-1 flex-col items-center justify-center gap-0.5 text-sm text-soft sm:min-h-[62px]"
      >
        {who ? (
          <span
            aria-hidden="true"
            // Drawn, not written: the name below is what is read and spoken.
            data-initials={initials(who.name)}
            className="flex size-7 items-center justify-center rounded-full bg-strong font-bold text-on-strong text-xs before:content-[attr(data-initials)]"
          />
        ) : (
          <UserRound aria-hidden="true" className="size-6" strokeWidth={1.8} />
        )}
        <span className="max-w-full truncate px-1">{who ? who.name.split(/\s+/)[0] : t("who")}</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={t("who-is-working-here")}
          side="top"
          align="start"
          collisionPadding={12}
          className="z-30 w-[min(26rem,calc(100vw-1.5rem))] rounded-lg border-2 border-ink bg-raised p-4 shadow-lg"
        >
          <h2 className="mb-2 font-bold text-lg">{t("who-is-working-here")}</h2>
          <PeopleList onPicked={() => setOpen(false)} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
