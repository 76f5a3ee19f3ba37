"use client";

import { Check } from "lucide-react";
import { useState } from "react";
import { t } from "@/messages/people";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { useSubmit } from "../controls/use-submit";
import { Prove } from "../session/prove";
import { refusalOf, useSession } from "../session/session-context";
import { usePeople } from "./people-context";

/** Who is working: one touch on a name; whoever is not there yet writes theirs. */
export function PeopleList({ onPicked }: { onPicked?: () => void }) {
  const { people, who, pick, come } = usePeople();
  const { crew, signOut } = useSession();
  const [name, setName] = useState("");
  const [proving, setProving] = useState<string | null>(null);
  const [refusal, setRefusal] = useState("");
  const proven = crew.names === "proven";
  const { problem, submit } = useSubmit(async () => {
    const answer = await come(name);
    if (!answer.ok) return answer.problem.message;
    setName("");
    onPicked?.();
    return "";
  });
  return (
    <div className="grid gap-3">
      {people.length > 0 && (
        <ul aria-label={t("who-is-working")} className="flex flex-wrap gap-2">
          {people.map(({ id, name: called }) => (
            <li key={id}>
              <Button
                look={id === who?.id ? "strong" : "quiet"}
                aria-pressed={id === who?.id}
                onClick={() => {
                  if (proven) return setProving(id);
                  pick(id);
                  onPicked?.();
                }}
                className="gap-2"
              >
                {id === who?.id && <Check aria-hidden="true" className="size-4" />}
                {called}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {proving !== null && (
        <Prove
          key={proving}
          person={proving}
          purpose="enter"
          action={t("sign-in")}
          onProven={() => {
            setProving(null);
            onPicked?.();
          }}
        />
      )}
      {proven && who && (
        <Button onClick={async () => setRefusal(refusalOf(await signOut()))}>
          {t("sign-out", { name: who.name })}
        </Button>
      )}
      <p role="alert" className="text-out empty:hidden">
        {refusal}
      </p>
      <form className={crew.names === "free" ? "flex items-end gap-2" : "hidden"} onSubmit={submit}>
        <Field
          title={people.length > 0 ? t("somebody-else") : t("your-name")}
          value={name}
          maxLength={120}
          autoComplete="name"
          onChange={(event) => setName(event.target.value)}
          problem={problem}
          className="flex-1"
        />
        <Button type="submit" disabled={name.trim() === ""}>
          {t("that-is-me")}
        </Button>
      </form>
    </div>
  );
}
