"use client";

import { Trash2 } from "lucide-react";
import { useState } from "react";
import { v4 as uuid } from "uuid";
import {
  type ClosureAtWork,
  type Device,
  deviceName,
  fibreShown,
  leadName,
  type OutputLight,
  openJoint,
  type SplicedCable,
} from "@/core";
import { decimal } from "@/messages/numbers";
import { t } from "@/messages/splicing";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { IconButton } from "../controls/icon-button";
import { Input } from "../controls/input";
import { Select } from "../controls/select";
import { useSubmit } from "../controls/use-submit";
import type { SplicePlanHeld } from "./use-splice-plan";

interface LightDevicesProps {
  readonly at: ClosureAtWork;
  readonly held: SplicePlanHeld;
}

/** Taps and splitters of a closure: each output with its label, an open joint to be added, and what receivers need. */
export function LightDevices({ at, held }: LightDevicesProps) {
  const { devices } = held.plan;
  return (
    <section aria-labelledby="devices" className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <h2 id="devices" className="font-bold text-lg">
        {t("taps-and-splitters")}
      </h2>
      {at.light?.joint && <FromFeeder joint={at.light.joint} devices={devices} />}
      <ul className="grid gap-2 empty:hidden">
        {devices.map((device, i) => (
          <DeviceRow
            key={device.id}
            device={device}
            number={at.cables.length + i + 1}
            onLabel={(lead, label) => held.label(device.id, lead, label)}
            onRemove={() => held.removeDevice(device.id)}
          />
        ))}
      </ul>
      <AddOpenJoint at={at} held={held} />
      {devices.length > 0 && !at.light?.joint && <ReceiverFields held={held} />}
    </section>
  );
}

/** The feeder's plan for this closure, with a warning if the closure has other parts. */
function FromFeeder({
  joint,
  devices,
}: {
  readonly joint: NonNullable<OutputLight["joint"]>;
  readonly devices: readonly Device[];
}) {
  const taps = devices.filter(({ kind }) => kind === "tap");
  const outputs = devices.reduce((sum, { ports }) => sum + ports.length, 0);
  const differs =
    devices.length > 0 &&
    (outputs !== joint.drops || !taps.some((tap) => tap.kind === "tap" && tap.tapPct === joint.tapPct));
  return (
    <p className={differs ? "rounded-md border-2 border-unsure px-3 py-2" : "text-soft"}>
      {t("feeder-plans-here", {
        feeder: joint.feeder,
        tap: decimal(String(joint.tapPct)),
        drops: joint.drops,
      })}{" "}
      {differs && t("devices-differ-from-feeder")}
    </p>
  );
}

interface DeviceRowProps {
  readonly device: Device;
  readonly number: number;
  readonly onLabel: (lead: number, label: string) => void;
  readonly onRemove: () => void;
}

function DeviceRow({ device, number, onLabel, onRemove }: DeviceRowProps) {
  const name = deviceName(device);
  return (
    <li className="rounded-lg border border-line px-3 py-2">
      <p className="flex items-center gap-2">
        <span className="font-bold">
          {number} {name}
        </span>
        <span className="mr-auto text-soft text-sm">
          {t("over-ideal", { db: decimal(String(device.excessDb)) })}
        </span>
        <IconButton className="no-print" name={t("remove-device", { device: name })} onClick={onRemove}>
          <Trash2 aria-hidden="true" className="size-4" />
        </IconButton>
      </p>
      <ul className="grid gap-1 sm:grid-cols-2">
        {device.ports.map(({ lead, label }) => (
          <li key={lead} className="flex items-center gap-2">
            <label className="flex min-w-0 flex-1 items-center gap-2">
              <span className="w-20 shrink-0 text-soft">{leadName(device, lead)}</span>
              <Input
                key={label}
                defaultValue={label}
                maxLength={60}
                className="min-w-0 flex-1"
                onBlur={({ target }) => {
                  const next = target.value.trim();
                  if (next === "") target.value = label;
                  else if (next !== label) onLabel(lead, next);
                }}
              />
            </label>
          </li>
        ))}
      </ul>
    </li>
  );
}

/** A fibre that is cut here on its way, to open a joint at. */
interface CutFibre {
  readonly id: string;
  readonly name: string;
  readonly cable: SplicedCable;
  readonly fibre: number;
}

const cutFibres = ({ cables }: Pick<ClosureAtWork, "cables">): CutFibre[] =>
  cables.flatMap((cable) =>
    (cable.through ? (cable.parted ?? []) : []).map((fibre) => {
      const { place, code } = fibreShown(cable.cable, fibre);
      return {
        ...{ id: `${cable.id} ${fibre}`, cable, fibre },
        name: t("fibre-of-cable", { number: cable.number, cable: cable.name, place, code }),
      };
    }),
  );

/** The outputs' labels as they are typed: names with commas, or how many there are. */
function labelsIn(text: string): string[] | null {
  if (/^\d{1,2}$/.test(text.trim()))
    return Array.from({ length: Number(text) }, (_, i) => t("output-number", { number: i + 1 }));
  const labels = text
    .split(",")
    .map((label) => label.trim())
    .filter(Boolean);
  return labels.length > 0 && labels.length <= 64 && labels.every((label) => label.length <= 60)
    ? labels
    : null;
}

/** A share as it is typed, per cent; null where it is none. */
function shareIn(text: string): number | null {
  const share = Number(text.trim().replace("%", "").replace(",", "."));
  return text.trim() !== "" && share > 0 && share < 100 ? share : null;
}

/** Usual excess of a tap and of a splitter where no feeder says, dB: our own representative figures. */
const USUAL = { tapPct: 10, excessDb: 0.2, splitExcessDb: 0.4 };

function AddOpenJoint({ at, held }: LightDevicesProps) {
  const fibres = cutFibres(at);
  const joint = at.light?.joint ?? null;
  const planned = joint?.feeds.length === joint?.drops ? joint?.feeds.join(", ") : String(joint?.drops ?? 4);
  const [picked, setPicked] = useState(fibres[0]?.id ?? "");
  const [lightFrom, setLightFrom] = useState("A");
  const { problem, submit, clear } = useSubmit((form) => {
    const values = new FormData(form);
    const fibre = fibres.find(({ id }) => id === picked);
    const tapPct = shareIn(String(values.get("tap") ?? ""));
    const labels = labelsIn(String(values.get("outputs") ?? ""));
    if (!fibre) return t("choose-a-cut-fibre");
    if (tapPct === null) return t("enter-a-share");
    if (!labels || labels.length === 0) return t("enter-the-outputs");
    const { excessDb, splitExcessDb } = joint ?? USUAL;
    const added = held.addJoint(
      openJoint({
        ...{ cable: fibre.cable.id, fibre: fibre.fibre, lightFrom: lightFrom === "B" ? "B" : "A" },
        ...{ tapPct, excessDb, splitExcessDb, labels, nextId: uuid },
      }),
    );
    return added ? "" : t("both-ends-must-be-free");
  });
  if (fibres.length === 0)
    return <p className="no-print text-soft">{t("no-cut-fibre-to-open-a-joint-at")}</p>;
  return (
    <form onSubmit={submit} onChange={clear} className="no-print flex flex-wrap items-end gap-3">
      <Select
        title={t("cut-fibre")}
        value={picked}
        options={fibres}
        onPick={setPicked}
        className="min-w-0 max-w-full"
      />
      <Select
        title={t("light-comes-from")}
        value={lightFrom}
        options={["A", "B"].map((id) => ({ id, name: t("side-named", { side: id }) }))}
        onPick={setLightFrom}
      />
      <Field
        title={t("tap-share")}
        name="tap"
        inputMode="decimal"
        defaultValue={String(joint?.tapPct ?? USUAL.tapPct)}
        maxLength={8}
        className="w-24"
      />
      <Field
        title={t("outputs-or-labels")}
        name="outputs"
        defaultValue={planned}
        placeholder={t("labels-example")}
        maxLength={2_000}
        className="min-w-0 flex-1 basis-56"
      />
      <Button type="submit" look="strong">
        {t("add-open-joint")}
      </Button>
      <p role="alert" className="w-full text-out empty:hidden">
        {problem}
      </p>
    </form>
  );
}

/** A power in dBm as it is typed; null where nothing is, undefined where it cannot be read. */
function powerIn(text: string): number | null | undefined {
  if (text.trim() === "") return null;
  const value = Number(text.trim().replace("−", "-").replace(",", "."));
  return Math.abs(value) <= 90 ? value : undefined;
}

/** Form for the least and most power of the receivers, where no feeder gives them. */
function ReceiverFields({ held }: Pick<LightDevicesProps, "held">) {
  const { receiver } = held.plan;
  const { problem, submit, clear } = useSubmit((form) => {
    const values = new FormData(form);
    const [least, most] = ["least", "most"].map((name) => powerIn(String(values.get(name) ?? "")));
    if (least === undefined || least === null || most === undefined) return t("enter-powers-for-receivers");
    if (most !== null && most <= least) return t("most-above-least");
    held.receiver({ leastDbm: least, mostDbm: most });
    return "";
  });
  return (
    <form
      key={JSON.stringify(receiver)}
      onSubmit={submit}
      onChange={clear}
      className="no-print flex flex-wrap items-end gap-3"
    >
      <Field
        title={t("receiver-needs")}
        name="least"
        inputMode="text"
        defaultValue={receiver ? String(receiver.leastDbm) : ""}
        maxLength={8}
        className="w-40"
      />
      <Field
        title={t("receiver-takes")}
        name="most"
        inputMode="text"
        defaultValue={receiver?.mostDbm == null ? "" : String(receiver.mostDbm)}
        maxLength={8}
        className="w-40"
      />
      <Button type="submit">{t("save-receiver")}</Button>
      <p role="alert" className="w-full text-out empty:hidden">
        {problem}
      </p>
    </form>
  );
}
