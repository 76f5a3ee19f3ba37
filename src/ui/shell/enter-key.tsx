"use client";

import { useState } from "react";
import { t } from "@/messages/enter";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { useSubmit } from "../controls/use-submit";
import { call } from "../http/http";

/** Asks a device for the crew's key, once. */
export function EnterKey({ to }: { to: string }) {
  const [key, setKey] = useState("");
  const { problem, busy, submit } = useSubmit(async () => {
    const answer = await call("post /enter", { body: { key: key.trim() } });
    if (!answer.ok) return answer.problem.message;
    window.location.assign(to);
    return "";
  });
  return (
    <main className="min-w-0 flex-1 px-6 py-10">
      <h1 className="font-bold text-2xl">{t("this-record-belongs-to-a-crew")}</h1>
      <p className="mt-2 max-w-prose text-lg">{t("type-the-crew-key-once-on")}</p>
      <form onSubmit={submit} className="mt-5 grid max-w-md gap-4">
        <Field
          title={t("crew-key")}
          type="password"
          autoComplete="current-password"
          large
          autoFocus
          value={key}
          maxLength={200}
          problem={problem}
          onChange={(event) => setKey(event.target.value)}
        />
        <Button type="submit" look="next" size="large" disabled={busy || key.trim() === ""}>
          {busy ? t("looking") : t("come-in")}
        </Button>
      </form>
    </main>
  );
}
