"use client";

import { KeyRound } from "lucide-react";
import { useState } from "react";
import { toast } from "sonner";
import { type CrewAnswer, ROLES, type Role } from "@/core";
import { t } from "@/messages/crew";
import { Button } from "../controls/button";
import { refusalOf, usePasskeys, useSession } from "../session/session-context";
import { ROLE_NAMES, RoleBoxes } from "./role-boxes";
import { SetPin } from "./set-pin";
import type { CrewApi } from "./use-crew";

const MAY: Record<Role, string> = {
  technician: t("technician-may"),
  lead: t("lead-may"),
  inspector: t("inspector-may"),
  keeper: t("keeper-may"),
};

/** What each person may do, and what they prove their name by. */
export function CrewPeople({ crew, change }: CrewApi) {
  if (crew.people.length === 0) return null;
  return (
    <section aria-labelledby="roles">
      <h2 id="roles" className="font-bold text-lg">
        {t("roles-and-proof")}
      </h2>
      <dl className="mb-2 grid grid-cols-[auto_1fr] gap-x-3 text-soft">
        {ROLES.map((role) => (
          <div key={role} className="contents">
            <dt className="font-semibold">{ROLE_NAMES[role]}</dt>
            <dd>{MAY[role]}</dd>
          </div>
        ))}
      </dl>
      <ul className="divide-y divide-line border-line border-y">
        {crew.people.map((person) => (
          <PersonProof
            key={person.id}
            person={person}
            crew={crew}
            onRoles={(roles) =>
              change(
                { kind: "roles", person: person.id, roles },
                t("roles-of-changed", { name: person.name }),
              )
            }
            onRemove={(passkey) => change({ kind: "passkey-removed", passkey }, t("the-passkey-is-removed"))}
          />
        ))}
      </ul>
    </section>
  );
}

interface PersonProofProps {
  readonly person: CrewAnswer["people"][number];
  readonly crew: CrewAnswer;
  readonly onRoles: (roles: Role[]) => void;
  readonly onRemove: (passkey: string) => void;
}

const PIN_STANDS = { none: t("no-pin"), temporary: t("a-pin-to-be-changed"), own: t("a-pin-of-their-own") };

function PersonProof({ person, crew, onRoles, onRemove }: PersonProofProps) {
  const { askPasskey } = useSession();
  const canUsePasskeys = usePasskeys();
  const [settingPin, setSettingPin] = useState(false);
  const [refusal, setRefusal] = useState("");
  const { id, name, roles, pin, passkeys } = person;
  const isYou = crew.you.person === id;
  const own = crew.names !== "proven" || isYou;
  const addPasskey = async () => {
    const answer = await askPasskey("add", id);
    setRefusal(refusalOf(answer));
    if (answer.ok) toast(t("the-passkey-is-added"));
  };
  return (
    <li className="grid gap-2 py-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span className="min-w-40 flex-1 wrap-anywhere">
          {name}
          <span className="block text-soft text-sm">
            {[PIN_STANDS[pin], passkeys.length > 0 && t("passkeys", { count: passkeys.length })]
              .filter(Boolean)
              .join(", ")}
          </span>
        </span>
        <RoleBoxes roles={roles} onRoles={onRoles} />
        <Button look="quiet" size="small" onClick={() => setSettingPin(true)}>
          {pin === "none" ? t("set-a-pin") : t("change-the-pin")}
        </Button>
        {own && canUsePasskeys && (
          <Button look="quiet" size="small" className="gap-2" onClick={addPasskey}>
            <KeyRound aria-hidden="true" className="size-4" />
            {t("add-a-passkey")}
          </Button>
        )}
      </div>
      {passkeys.map((passkey) => (
        <div key={passkey.id} className="flex items-center gap-2 text-sm">
          <span className="min-w-0 flex-1 wrap-anywhere text-soft">{passkey.name}</span>
          <Button look="quiet" size="small" onClick={() => onRemove(passkey.id)}>
            {t("remove")}
          </Button>
        </div>
      ))}
      {settingPin && (
        <SetPin person={id} asksOld={own && pin !== "none"} onDone={() => setSettingPin(false)} />
      )}
      <p role="alert" className="text-out empty:hidden">
        {refusal}
      </p>
    </li>
  );
}
