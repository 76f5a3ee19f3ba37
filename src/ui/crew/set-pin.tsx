"use client";

import { useState } from "react";
import { toast } from "sonner";
import { t } from "@/messages/crew";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { useSubmit } from "../controls/use-submit";
import { call } from "../http/http";
import { useSession } from "../session/session-context";

interface SetPinProps {
  readonly person: string;
  /** Whether the old PIN is asked for: it is, where the person sets their own anew. */
  readonly asksOld: boolean;
  readonly onDone: () => void;
}

/** Sets a PIN: typed twice, so that no slip locks anybody out. */
export function SetPin({ person, asksOld, onDone }: SetPinProps) {
  const { crew, learn } = useSession();
  const [old, setOld] = useState("");
  const [pin, setPin] = useState("");
  const [again, setAgain] = useState("");
  const name = crew.people.find(({ id }) => id === person)?.name ?? "";
  const { problem, busy, submit } = useSubmit(async () => {
    if (pin !== again) return t("the-two-are-not-the-same");
    const answer = await call("post /crew/pins", { body: { person, pin, ...(asksOld ? { old } : {}) } });
    if (!answer.ok) return answer.problem.message;
    learn(answer.value);
    toast(t("the-pin-is-set", { name }));
    onDone();
    return "";
  });
  const field = (title: string, value: string, set: (text: string) => void, autoComplete: string) => (
    <Field
      title={title}
      type="password"
      value={value}
      maxLength={64}
      autoComplete={autoComplete}
      onChange={(event) => set(event.target.value)}
    />
  );
  return (
    <form onSubmit={submit} className="grid gap-2 rounded-lg border-2 border-line p-3">
      {asksOld && field(t("old-pin"), old, setOld, "current-password")}
      {field(t("new-pin-of", { name }), pin, setPin, "new-password")}
      {field(t("new-pin-again"), again, setAgain, "new-password")}
      <p className="text-soft text-sm">{t("at-least-6-characters")}</p>
      <p role="alert" className="text-out empty:hidden">
        {problem}
      </p>
      <div className="flex gap-2">
        <Button type="submit" look="strong" disabled={busy || pin === ""} className="flex-1">
          {t("set-the-pin")}
        </Button>
        <Button look="quiet" onClick={onDone}>
          {t("cancel")}
        </Button>
      </div>
    </form>
  );
}
