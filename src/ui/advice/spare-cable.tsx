"use client";

import { Spline } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { type EndEvent, type EndState, parseLength } from "@/core";
import { t } from "@/messages/advice";
import { Button } from "../controls/button";
import { Input } from "../controls/input";
import { backToStep } from "../keys/to-step";
import { figureText, type Units } from "../words/length-text";

/** How much cable is left behind this end: said once, counted down by every rework. */
export function SpareCable({
  state,
  units,
  onAdd,
}: {
  state: EndState;
  units: Units;
  onAdd: (event: EndEvent) => void;
}) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState("");
  const parsed = text.trim() === "" ? null : parseLength(text, { unit: units === "in" ? "in" : "mm" });
  const { spare } = state;
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label={spare === null ? t("cable-to-spare") : undefined}
        className={`flex min-h-12 items-center gap-1.5 rounded-md border px-2.5 text-sm ${spare !== null && spare < 0 ? "border-2 border-out font-bold" : "border-line"}`}
      >
        <Spline aria-hidden="true" className="size-4" />
        {spare === null
          ? t("spare")
          : spare < 0
            ? t("short-of-cable", { figureText: figureText(-spare, units) })
            : `${figureText(spare, units)} spare`}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          onCloseAutoFocus={backToStep}
          align="start"
          aria-label={t("cable-to-spare")}
          className="z-20 w-[min(20rem,calc(100vw-1rem))] rounded-lg border border-line bg-raised p-3 shadow-xl"
        >
          <form
            className="grid gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              if (!parsed?.ok) return;
              onAdd({ kind: "spare", length: parsed.value.length });
              setOpen(false);
            }}
          >
            <label className="grid gap-1">
              <span className="text-soft text-sm">
                {t("slack-behind-this-end-or-1", { value: units === "in" ? "in" : "mm" })}
              </span>
              <Input
                value={text}
                onChange={(event) => setText(event.target.value)}
                maxLength={30}
                aria-invalid={parsed !== null && !parsed.ok}
                aria-describedby="spare-problem"
              />
            </label>
            <p id="spare-problem" role="alert" className="text-out text-sm">
              {parsed && !parsed.ok && text.length > 2 ? parsed.problem.message : ""}
            </p>
            <Button look="strong" type="submit">
              {t("keep")}
            </Button>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
