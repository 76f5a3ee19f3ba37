"use client";

import { useRouter } from "next/navigation";
import { toast } from "sonner";
import { v4 as uuid } from "uuid";
import { t } from "@/messages/ledger";
import { Button } from "../controls/button";
import { Input } from "../controls/input";
import { useSubmit } from "../controls/use-submit";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";

interface CorrectProps {
  readonly end: string;
  /** The event it corrects, and its words. */
  readonly event: string;
  readonly words: string;
  readonly after: number;
  readonly onDone: () => void;
}

/** Puts an event right: the event stays as it is, the correction stands beside it with a name and a reason. */
export function Correct({ end, event, words, after, onDone }: CorrectProps) {
  const { who } = usePeople();
  const router = useRouter();
  const { problem, submit } = useSubmit(async (element) => {
    const form = new FormData(element);
    const text = (name: string) => String(form.get(name) ?? "").trim();
    const correction = {
      kind: "correction" as const,
      corrects: event,
      says: text("says"),
      why: text("why"),
      name: text("name"),
    };
    const answer = await call("post /ends/{id}/events", {
      params: { id: end },
      body: {
        client: uuid(),
        after,
        by: who?.id ?? null,
        events: [{ id: uuid(), event: correction }],
      },
    });
    if (!answer.ok) return answer.problem.message;
    toast(t("correction-kept-beside-the-event"));
    onDone();
    router.refresh();
    return "";
  });
  return (
    <form
      aria-label={t("correct-this", { words })}
      className="my-1 grid gap-2 rounded-md border-2 border-ink p-3"
      onSubmit={submit}
    >
      {(
        [
          ["says", t("what-it-should-say"), ""],
          ["why", t("why"), ""],
          ["name", t("your-name"), who?.name ?? ""],
        ] as const
      ).map(([name, title, value]) => (
        <label key={name} className="grid gap-0.5">
          <span className="text-soft">{title}</span>
          <Input name={name} defaultValue={value} maxLength={300} required className="text-base" />
        </label>
      ))}
      <p role="alert" className="text-out">
        {problem}
      </p>
      <div className="flex gap-2">
        <Button look="strong" size="small" type="submit" className="flex-1">
          {t("keep-the-correction")}
        </Button>
        <Button size="small" onClick={onDone}>
          {t("leave-it")}
        </Button>
      </div>
    </form>
  );
}
