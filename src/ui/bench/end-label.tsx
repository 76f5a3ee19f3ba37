"use client";

import { Pencil } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { t } from "@/messages/bench";
import { Button } from "../controls/button";
import { Input } from "../controls/input";
import { backToStep } from "../keys/to-step";

interface EndLabelProps {
  readonly job: string;
  readonly label: string;
  readonly onLabel: (job: string, label: string) => void;
  readonly parked: boolean;
  readonly onPark: (why: string) => void;
  readonly onDiscard: () => void;
}

/** Which job and which end this is, if anybody wants to say; it can be said at any time before the sign-off. */
export function EndLabel({ job, label, onLabel, parked, onPark, onDiscard }: EndLabelProps) {
  const [open, setOpen] = useState(false);
  const named = [job, label].filter(Boolean).join(" · ");
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="flex min-h-12 min-w-8 items-center gap-2 rounded-md px-2 text-left">
        <span className={`truncate ${named ? "font-bold text-lg" : "text-soft"}`}>
          {named || t("name-this-end")}
        </span>
        <Pencil aria-hidden="true" className="size-4 shrink-0 text-soft" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          onCloseAutoFocus={backToStep}
          align="start"
          className="z-20 w-[min(24rem,calc(100vw-1rem))] rounded-lg border border-line bg-raised p-4 shadow-xl"
          aria-label={t("name-this-end")}
        >
          <form
            className="grid gap-3"
            onSubmit={(event) => {
              event.preventDefault();
              const form = new FormData(event.currentTarget);
              onLabel(String(form.get("job")).trim(), String(form.get("label")).trim());
              setOpen(false);
            }}
          >
            <Field name={t("job")} title={t("job-optional")} value={job} hint={t("pad-7-feeder")} />
            <Field name={t("label")} title={t("this-end")} value={label} hint={t("fibre-3-orange-end-a")} />
            <Button look="strong" type="submit">
              {t("keep")}
            </Button>
          </form>
          {!parked && (
            <form
              className="mt-3 grid gap-2 border-line border-t pt-3"
              onSubmit={(event) => {
                event.preventDefault();
                onPark(String(new FormData(event.currentTarget).get("why")).trim());
                setOpen(false);
              }}
            >
              <Field
                name={t("why")}
                title={t("why-it-waits-optional")}
                value=""
                hint={t("wrong-boots-back-on-monday")}
              />
              <Button type="submit">{t("park-it")}</Button>
            </form>
          )}
          <button
            type="button"
            onClick={() => {
              setOpen(false);
              onDiscard();
            }}
            className="mt-3 min-h-12 w-full border-line border-t pt-2 text-left underline"
          >
            {t("begun-by-mistake-put-it-away-2")}
          </button>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Field({ name, title, value, hint }: { name: string; title: string; value: string; hint: string }) {
  return (
    <label className="grid gap-1">
      <span className="text-sm text-soft">{title}</span>
      <Input name={name} defaultValue={value} maxLength={120} placeholder={hint} autoComplete="off" />
    </label>
  );
}
