"use client";

import { useState } from "react";
import type { CrewAnswer, CrewEvent } from "@/core";
import { t } from "@/messages/crew";
import { Button } from "../controls/button";
import { type Answered, call } from "../http/http";
import { LocalTime } from "../words/local-time";
import { ROLE_NAMES } from "./role-boxes";

const HOW = { "crew-key": t("the-crew-key"), pin: t("a-pin"), passkey: t("a-passkey") };
const RULE = {
  free: t("names-are-free"),
  known: t("names-must-be-known"),
  proven: t("names-must-be-proven"),
};

/** One line of the log in words. */
function lineOf(event: CrewEvent, nameOf: (person: string | null) => string): string {
  switch (event.kind) {
    case "names":
      return RULE[event.rule];
    case "roles":
      return t("log-roles", {
        name: nameOf(event.person),
        roles: event.roles.map((role) => ROLE_NAMES[role]).join(", ") || t("none"),
      });
    case "pin": {
      const name = nameOf(event.person);
      if (event.secret === "") return t("log-pin-taken", { name });
      return event.temporary ? t("log-temporary-pin", { name }) : t("log-pin", { name });
    }
    case "passkey":
      return t("log-passkey", { name: nameOf(event.person) });
    case "passkey-removed":
      return t("the-passkey-is-removed");
    case "device":
      return t("called", { name: event.name });
    case "device-revoked":
      return t("log-device-revoked", { id: event.device.slice(0, 6) });
    case "token":
      return t("log-token", { name: event.name });
    case "token-revoked":
      return t("the-token-is-revoked");
    case "entered":
      return t("log-entered", { name: nameOf(event.person), how: HOW[event.how] });
    case "refused":
      return t("log-refused", { name: nameOf(event.person), how: HOW[event.how], count: event.count });
    case "photographs":
      return event.originals ? t("log-originals-stored") : t("log-originals-not-stored");
    case "crew-key":
      return event.print === "" ? t("log-crew-key-off") : t("log-crew-key");
    case "acted":
      return `${event.route} ${event.ref}`;
  }
}

/** What came in, was refused, was changed and exported: the newest first, asked for when it is wanted. */
export function CrewLog({ crew }: { crew: CrewAnswer }) {
  const [log, setLog] = useState<Answered<"get /crew/log">["events"] | null>(null);
  const [problem, setProblem] = useState("");
  const nameOf = (person: string | null): string =>
    crew.people.find(({ id }) => id === person)?.name ?? t("somebody");
  const show = async () => {
    const answer = await call("get /crew/log", { query: { most: 200 } });
    setProblem(answer.ok ? "" : answer.problem.message);
    if (answer.ok) setLog(answer.value.events);
  };
  return (
    <section aria-labelledby="log">
      <h2 id="log" className="font-bold text-lg">
        {t("log")}
      </h2>
      <p className="mb-2 text-soft">{t("log-about")}</p>
      <Button size="small" onClick={show}>
        {log ? t("look-again") : t("show-the-log")}
      </Button>
      <p role="alert" className="text-out empty:hidden">
        {problem}
      </p>
      {log && (
        <ol className="mt-2 divide-y divide-line border-line border-y">
          {log.map(({ id, at, by, device, event }) => (
            <li key={id} className="flex flex-wrap gap-x-4 py-1">
              <span className="w-44 text-soft text-sm">
                <LocalTime iso={at} />
              </span>
              <span className="min-w-60 flex-1 wrap-anywhere">{lineOf(event, nameOf)}</span>
              <span className="text-soft text-sm">
                {[by && nameOf(by), device && deviceName(crew, device)].filter(Boolean).join(", ")}
              </span>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}

const deviceName = ({ devices }: CrewAnswer, device: string): string =>
  devices.find(({ id }) => id === device)?.name || device.slice(0, 6);
