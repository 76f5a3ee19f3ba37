"use client";

import { KeyRound } from "lucide-react";
import { useState } from "react";
import type { CrewAnswer, Outcome } from "@/core";
import { t } from "@/messages/crew";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { useSubmit } from "../controls/use-submit";
import { refusalOf, usePasskeys, useSession } from "./session-context";

interface ProveProps {
  /** Whose name is proven. */
  readonly person: string;
  readonly purpose: "enter" | "again";
  /** What the button says that sends the PIN. */
  readonly action: string;
  readonly onProven: () => void;
}

/** Asks for a PIN, or for a passkey where the person has one. */
export function Prove({ person, purpose, action, onProven }: ProveProps) {
  const { crew, signIn, proveAgain, askPasskey } = useSession();
  const [pin, setPin] = useState("");
  const [refusal, setRefusal] = useState("");
  const ready = (answer: Outcome<CrewAnswer>): string => {
    if (answer.ok) {
      setPin("");
      onProven();
    }
    return refusalOf(answer);
  };
  const { problem, busy, submit } = useSubmit(async () => {
    setRefusal("");
    return ready(await (purpose === "enter" ? signIn(person, pin) : proveAgain(pin)));
  });
  const proofs = crew.people.find(({ id }) => id === person);
  const canUsePasskeys = usePasskeys();
  const hasPasskey = (proofs?.passkeys.length ?? 0) > 0 && canUsePasskeys;
  return (
    <form onSubmit={submit} className="grid gap-2">
      <Field
        title={t("pin-of", { name: proofs?.name ?? "" })}
        type="password"
        inputMode="text"
        autoComplete="current-password"
        value={pin}
        maxLength={64}
        autoFocus
        onChange={(event) => setPin(event.target.value)}
        problem={problem || refusal}
        about={proofs?.pin === "none" ? t("no-pin-yet-ask-a-keeper") : undefined}
      />
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="strong" disabled={busy || pin === ""} className="flex-1">
          {busy ? t("checking") : action}
        </Button>
        {hasPasskey && (
          <Button
            className="gap-2"
            onClick={async () => setRefusal(ready(await askPasskey(purpose, person)))}
          >
            <KeyRound aria-hidden="true" className="size-5" />
            {t("use-a-passkey")}
          </Button>
        )}
      </div>
    </form>
  );
}
