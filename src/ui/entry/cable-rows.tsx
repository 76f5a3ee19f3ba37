"use client";

import { GripVertical, Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import { formatMm, PORT_ROLES, type Port, portsBy, portTrouble } from "@/core";
import { Button } from "../controls/button";
import { IconButton } from "../controls/icon-button";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import { type NamedCable, sheathOf } from "./entry-cables";
import type { PortGrip } from "./use-port-drop";

/** A cable of the entry with where it goes and why there. */
export interface CableRow {
  readonly cable: NamedCable;
  readonly ports: readonly string[];
  readonly bushed: boolean;
  readonly otherRole: boolean;
}

interface CableRowsProps {
  readonly rows: readonly CableRow[];
  readonly ports: readonly Port[];
  readonly picked: string | null;
  readonly sheetHref: (cable: NamedCable) => string;
  readonly gripOf: (cable: string) => PortGrip;
  readonly onPick: (id: string) => void;
  readonly onChange: (id: string, changed: Partial<NamedCable>) => void;
  readonly onDrop: (id: string) => void;
  /** What else is said of a cable. */
  readonly beside?: ((cable: NamedCable) => ReactNode) | undefined;
}

const PICKED = "bg-now-wash";

/** Every cable of an entry: which it is, what for, whether it goes through, and its port: found, or picked. */
export function CableRows({
  rows,
  ports,
  picked,
  sheetHref,
  gripOf,
  onPick,
  onChange,
  onDrop,
  beside,
}: CableRowsProps) {
  return (
    <ul className="divide-y divide-line border-line border-y">
      {rows.map((row) => {
        const { cable, ports: at, bushed, otherRole } = row;
        const { id, name, role, through, fixed } = cable;
        const asPort = { id, diameter: sheathOf(cable), role, through };
        const into = ports
          .filter((port) => portTrouble(asPort, ports, portsBy(asPort, ports, port.id)) === null)
          .map((port) => ({ id: port.id, name: portsBy(asPort, ports, port.id).join(" + ") }))
          .filter((one, i, all) => all.findIndex((other) => other.name === one.name) === i);
        return (
          <li key={id} className={`grid gap-x-3 gap-y-1 py-2 ${picked === id ? PICKED : ""}`}>
            <div className="flex min-w-0 items-center gap-2">
              <span
                {...gripOf(id)}
                title={`Drag ${name} onto a port`}
                className="inline-flex size-12 shrink-0 items-center justify-center text-soft"
              >
                <GripVertical aria-hidden="true" className="size-5" />
              </span>
              <button
                type="button"
                aria-pressed={picked === id}
                onClick={() => onPick(id)}
                className="min-h-12 min-w-0 flex-1 text-left"
              >
                <span className="block truncate font-bold">{name}</span>
                <span className="block text-soft text-sm">
                  <span className="figures">{formatMm(sheathOf(cable))}</span> mm ·{" "}
                  {at.length > 1 ? "ports" : "port"} <strong className="text-ink">{at.join(" + ")}</strong>
                  {bushed && " · with a bushing"}
                  {otherRole && ` · not a ${role} port`}
                  {fixed ? " · put there" : ""}
                </span>
              </button>
              <Button size="small" asChild>
                <Link href={sheetHref(cable)}>Sheet</Link>
              </Button>
              <IconButton name={`Take ${name} out`} onClick={() => onDrop(id)}>
                <Trash2 aria-hidden="true" className="size-5" />
              </IconButton>
            </div>
            {beside?.(cable)}
            <div className="no-print grid grid-cols-3 items-end gap-2 px-2">
              <Select
                title="For"
                small
                value={role}
                options={PORT_ROLES.map((portRole) => ({ id: portRole, name: portRole }))}
                onPick={(one) => {
                  const next = PORT_ROLES.find((each) => each === one);
                  if (next) onChange(id, { role: next });
                }}
              />
              <Select
                title="Its port"
                small
                value={fixed ? (into.find((one) => one.name === fixed.join(" + "))?.id ?? "") : ""}
                empty="the best"
                options={into}
                onPick={(port) =>
                  onChange(id, { fixed: port === "" ? null : [...portsBy(asPort, ports, port)] })
                }
              />
              <Button
                size="small"
                aria-pressed={through}
                look={through ? "strong" : "plain"}
                onClick={() => onChange(id, { through: !through, fixed: null })}
              >
                Goes through
              </Button>
            </div>
          </li>
        );
      })}
    </ul>
  );
}
