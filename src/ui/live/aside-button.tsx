"use client";

import { FileWarning } from "lucide-react";
import { Popover } from "radix-ui";
import { type FormEvent, useEffect, useState } from "react";
import { t } from "@/messages/live";
import { Button } from "../controls/button";
import { Input } from "../controls/input";
import { Link } from "../controls/link";
import { type Aside, asides, drop, tryAgain } from "./aside";
import { deviceBox } from "./outbox";

const LOOK_AGAIN_MS = 2_000;

const nameOf = ({ event }: Aside): string =>
  event === null
    ? t("something-that-cannot-be-read")
    : event.kind === "reading"
      ? `Reading ${event.typed} ${event.unit}`
      : t("what-was-entered", { kind: event.kind });

/** What this device holds that the server did not take, on every page: each is tried again, copied or given up. */
export function AsideButton() {
  const [all, setAll] = useState<readonly Aside[]>([]);
  const look = () => setAll(asides(deviceBox()));
  useEffect(() => {
    const again = () => setAll(asides(deviceBox()));
    again();
    const timer = setInterval(again, LOOK_AGAIN_MS);
    return () => clearInterval(timer);
  }, []);
  if (all.length === 0) return null;
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={t("aside-not-stored-what-to-do", { length: all.length })}
        className="flex min-h-14 flex-1 flex-col items-center justify-center gap-0.5 font-bold text-out text-sm sm:min-h-[62px] sm:flex-none"
      >
        <FileWarning aria-hidden="true" className="size-6" strokeWidth={1.8} />
        {t("aside", { length: all.length })}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={t("not-stored-and-kept-on-this")}
          side="top"
          align="start"
          collisionPadding={12}
          className="z-30 max-h-[80vh] w-[min(30rem,calc(100vw-1.5rem))] overflow-y-auto rounded-lg border-2 border-out bg-raised p-4 shadow-lg"
        >
          <h2 className="font-bold text-lg">{t("not-stored-and-kept-on-this")}</h2>
          <ul className="mt-1 divide-y divide-line">
            {all.map((aside) => (
              <Kept key={aside.key} aside={aside} onDone={look} />
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Kept({ aside, onDone }: { aside: Aside; onDone: () => void }) {
  const [dropping, setDropping] = useState(false);
  const [reason, setReason] = useState("");
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    await navigator.clipboard.writeText(aside.text).then(
      () => setCopied(true),
      () => setCopied(false),
    );
  };
  const giveUp = (event: FormEvent) => {
    event.preventDefault();
    drop(deviceBox(), aside, reason.trim(), new Date().toISOString());
    onDone();
  };
  return (
    <li className="grid gap-1 py-3">
      <strong>{nameOf(aside)}</strong>
      <span>{aside.why}</span>
      <Link href={`/bench/${aside.end}`} className="inline-flex min-h-11 items-center underline">
        {t("to-its-end")}
      </Link>
      <div className="flex flex-wrap gap-2">
        {aside.event && (
          <Button
            size="small"
            onClick={() => {
              tryAgain(deviceBox(), aside);
              onDone();
            }}
          >
            {t("try-again")}
          </Button>
        )}
        <Button size="small" onClick={copy}>
          {copied ? t("copied") : t("copy")}
        </Button>
        <Button size="small" onClick={() => setDropping(!dropping)} aria-expanded={dropping}>
          {t("give-it-up")}
        </Button>
      </div>
      {dropping && (
        <form onSubmit={giveUp} className="flex flex-wrap gap-2">
          <Input
            aria-label={t("why-it-is-given-up")}
            placeholder={t("why")}
            required
            value={reason}
            maxLength={200}
            onChange={(event) => setReason(event.target.value)}
            className="min-w-0 flex-1"
          />
          <Button type="submit" look="strong" size="small" disabled={reason.trim() === ""}>
            {t("give-it-up")}
          </Button>
        </form>
      )}
    </li>
  );
}
