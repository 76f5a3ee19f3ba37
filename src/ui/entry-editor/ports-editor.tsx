"use client";

import { type EntryDocument, mustHoldAt, PORT_ROLES } from "@/core";
import { t } from "@/messages/entry-editor";
import { Button } from "../controls/button";
import { Select } from "../controls/select";
import { LengthField, TextField } from "../editor/field";
import { RowButtons } from "../editor/row-buttons";

type Port = EntryDocument["ports"][number];

interface PortsEditorProps {
  readonly ports: readonly Port[];
  readonly onChange: (field: string, ports: Port[]) => void;
}

const FIGURES = [
  ["bushedMin", t("thinnest-bushed")],
  ["min", "thinnest"],
  ["max", "thickest"],
  ["x", t("right-of-the-middle")],
  ["y", t("above-the-middle")],
] as const;

/** The next free number of a port. */
const freeId = (ports: readonly Port[]): string => {
  const taken = new Set(ports.map(({ id }) => id));
  for (let n = ports.length + 1; ; n++) if (!taken.has(String(n))) return String(n);
};

/** Every port: which cables it closes round, what for, where it lies, whether it is one of a pair or takes both ways. */
export function PortsEditor({ ports, onChange }: PortsEditorProps) {
  const put = (at: number, field: string, changed: Partial<Port>) =>
    onChange(
      `${at}/${field}`,
      ports.map((port, i) => (i === at ? { ...port, ...changed } : port)),
    );
  const pair = (at: number, text: string) => {
    const { pair: _, ...port } = mustHoldAt(ports, at);
    const next = text.trim() === "" ? port : { ...port, pair: text.trim() };
    onChange(
      `${at}/pair`,
      ports.map((port, i) => (i === at ? next : port)),
    );
  };
  return (
    <>
      <ul className="divide-y divide-line border-line border-y">
        {ports.map((port, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a port's id is being edited
          <li key={at} className="grid grid-cols-2 items-end gap-2 py-2 sm:grid-cols-4 lg:grid-cols-8">
            <TextField label={t("port")} value={port.id} most={40} onChange={(id) => put(at, "id", { id })} />
            <Select
              title={t("for")}
              small
              value={port.role}
              options={PORT_ROLES.map((portRole) => ({ id: portRole, name: portRole }))}
              onPick={(id) => {
                const role = PORT_ROLES.find((portRole) => portRole === id);
                if (role) put(at, "role", { role });
              }}
            />
            {FIGURES.map(([field, words]) => (
              <span key={field} className="grid gap-0.5">
                <span className="text-soft text-sm">{words}</span>
                <LengthField
                  label={t("port-mm", { id: port.id, words })}
                  value={port[field]}
                  onChange={(value) => value !== null && put(at, field, { [field]: value })}
                />
              </span>
            ))}
            <TextField
              label={t("pair")}
              value={port.pair ?? ""}
              most={40}
              onChange={(text) => pair(at, text)}
            />
            <div className="col-span-full flex flex-wrap items-center gap-2">
              <PortTicks port={port} put={(field, changed) => put(at, field, changed)} />
              <RowButtons
                name={`Port ${port.id}`}
                list={ports}
                at={at}
                onChange={(next) => onChange("order", next)}
              />
            </div>
          </li>
        ))}
      </ul>
      <Button
        size="small"
        className="mt-2"
        onClick={() =>
          onChange("add", [
            ...ports,
            { id: freeId(ports), role: "drop", bushedMin: 2.8, min: 2.8, max: 7.4, x: 0, y: 0, plug: true },
          ])
        }
      >
        {t("add-a-port")}
      </Button>
    </>
  );
}

interface PortTicksProps {
  readonly port: Port;
  readonly put: (field: string, changed: Partial<Port>) => void;
}

/** Whether a port takes a cable both ways, and whether a plug closes it while it is empty. */
const PortTicks = ({ port, put }: PortTicksProps) => (
  <>
    <Button
      size="small"
      aria-pressed={port.double === true}
      look={port.double ? "strong" : "plain"}
      onClick={() => put("double", { double: !port.double })}
    >
      {t("takes-both-ways")}
    </Button>
    <Button
      size="small"
      aria-pressed={port.plug}
      look={port.plug ? "strong" : "plain"}
      onClick={() => put("plug", { plug: !port.plug })}
    >
      {t("plug-while-empty")}
    </Button>
  </>
);
