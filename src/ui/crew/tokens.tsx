"use client";

import { useState } from "react";
import type { Role } from "@/core";
import { t } from "@/messages/crew";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { useSubmit } from "../controls/use-submit";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";
import { LocalTime } from "../words/local-time";
import { ROLE_NAMES, RoleBoxes } from "./role-boxes";
import type { CrewApi } from "./use-crew";

/** Programs that come in by a token of their own: what each may do, and an end to it. */
export function Tokens({ crew, change, refresh }: CrewApi) {
  return (
    <section aria-labelledby="tokens">
      <h2 id="tokens" className="font-bold text-lg">
        {t("programs")}
      </h2>
      <p className="mb-2 text-soft">{t("programs-about")}</p>
      <ul className="mb-3 divide-y divide-line border-line border-y empty:hidden">
        {crew.tokens.map(({ id, name, roles, at, revoked }) => (
          <li key={id} className={`flex flex-wrap items-center gap-3 py-2 ${revoked ? "opacity-60" : ""}`}>
            <span className="min-w-0 flex-1 wrap-anywhere">
              {name}
              <span className="block text-soft text-sm">
                {roles.map((role) => ROLE_NAMES[role]).join(", ")}; <LocalTime iso={at} />
              </span>
            </span>
            {revoked ? (
              <strong>{t("revoked")}</strong>
            ) : (
              <Button
                size="small"
                look="quiet"
                onClick={() => change({ kind: "token-revoked", token: id }, t("the-token-is-revoked"))}
              >
                {t("revoke")}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <NewToken onMade={refresh} />
    </section>
  );
}

function NewToken({ onMade }: { onMade: () => void }) {
  const { who } = usePeople();
  const [name, setName] = useState("");
  const [roles, setRoles] = useState<readonly Role[]>(["technician"]);
  const [secret, setSecret] = useState("");
  const { problem, busy, submit } = useSubmit(async () => {
    const answer = await call("post /crew/tokens", {
      body: { name, roles: [...roles], by: who?.id ?? null },
    });
    if (!answer.ok) return answer.problem.message;
    setSecret(answer.value.secret);
    setName("");
    onMade();
    return "";
  });
  return (
    <form onSubmit={submit} className="grid gap-2">
      <Field
        title={t("what-the-program-is-called")}
        value={name}
        maxLength={60}
        problem={problem}
        onChange={(event) => setName(event.target.value)}
      />
      <div className="flex flex-wrap gap-4">
        <RoleBoxes roles={roles} onRoles={setRoles} />
        <Button type="submit" disabled={busy || name.trim() === ""} className="ml-auto">
          {t("make-a-token")}
        </Button>
      </div>
      {secret && (
        <p role="status" className="rounded-md border-2 border-now bg-now-wash px-3 py-2">
          {t("the-token-is-shown-once")} <code className="figures wrap-anywhere">{secret}</code>
        </p>
      )}
    </form>
  );
}
