"use client";

import { useState } from "react";
import type { CrewAnswer } from "@/core";
import { t } from "@/messages/crew";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { LocalTime } from "../words/local-time";
import type { CrewApi } from "./use-crew";

/** The devices that were let in or signed in on: named, seen, revoked each by itself. */
export function Devices({ crew, change }: CrewApi) {
  return (
    <section aria-labelledby="devices">
      <h2 id="devices" className="font-bold text-lg">
        {t("devices")}
      </h2>
      <p className="mb-2 text-soft">{t("devices-about")}</p>
      {crew.devices.length === 0 && <p>{t("no-device-yet")}</p>}
      <ul className="divide-y divide-line border-line border-y empty:hidden">
        {crew.devices.toReversed().map((device) => (
          <DeviceRow
            key={device.id}
            device={device}
            crew={crew}
            onName={(name) => change({ kind: "device", device: device.id, name }, t("called", { name }))}
            onRevoke={() => change({ kind: "device-revoked", device: device.id }, t("the-device-is-revoked"))}
          />
        ))}
      </ul>
    </section>
  );
}

interface DeviceRowProps {
  readonly device: CrewAnswer["devices"][number];
  readonly crew: CrewAnswer;
  readonly onName: (name: string) => void;
  readonly onRevoke: () => void;
}

function DeviceRow({ device, crew, onName, onRevoke }: DeviceRowProps) {
  const [name, setName] = useState(device.name);
  const [sure, setSure] = useState(false);
  const person = crew.people.find(({ id }) => id === device.person)?.name;
  return (
    <li className={`flex flex-wrap items-end gap-3 py-2 ${device.revoked ? "opacity-60" : ""}`}>
      <form
        className="flex flex-1 items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          onName(name.trim());
        }}
      >
        <Field
          title={t("device-name", { id: device.id.slice(0, 6) })}
          value={name}
          maxLength={60}
          onChange={(event) => setName(event.target.value)}
          className="min-w-40 flex-1"
        />
        <Button
          type="submit"
          size="small"
          disabled={name.trim() === "" || name.trim() === device.name || device.revoked}
        >
          {t("keep-the-name")}
        </Button>
      </form>
      <span className="min-w-48 text-soft text-sm">
        {device.id === crew.you.device && <strong className="text-ink">{t("this-device")} </strong>}
        {person && `${person}. `}
        {t("last")} <LocalTime iso={device.last} />
      </span>
      {device.revoked ? (
        <strong>{t("revoked")}</strong>
      ) : (
        <Button
          size="small"
          look={sure ? "strong" : "quiet"}
          onClick={() => (sure ? onRevoke() : setSure(true))}
        >
          {sure ? t("revoke-it-now") : t("revoke")}
        </Button>
      )}
    </li>
  );
}
