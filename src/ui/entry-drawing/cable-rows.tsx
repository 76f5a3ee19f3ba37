"use client";

import { GripVertical, Trash2 } from "lucide-react";
import { type ReactNode, useEffect, useRef, useState } from "react";
import {
  asRole,
  ENDING_ROLES,
  PORT_ROLES,
  type Port,
  type PortRole,
  portsBy,
  portTrouble,
  tubesOf,
} from "@/core";
import { t } from "@/messages/entry";
import { Button } from "../controls/button";
import { IconButton } from "../controls/icon-button";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import { exactMm } from "../words/length-text";
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
  /** Its run sheet; null where the entry has none for it. */
  readonly sheetHref: (cable: NamedCable) => string | null;
  /** Whether the entry takes a cable that goes through. */
  readonly mayGoThrough: boolean;
  readonly gripOf: (cable: string) => PortGrip;
  readonly onPick: (id: string) => void;
  readonly onChange: (id: string, changed: Partial<NamedCable>) => void;
  readonly onDrop: (id: string) => void;
  /** What else is said of a cable. */
  readonly beside?: ((cable: NamedCable) => ReactNode) | undefined;
}

const PICKED = "bg-now-wash";

/** Every cable of an entry: which it is, what for, whether it goes through, and its port: found, or picked. */
export function CableRows({ rows, ...rest }: CableRowsProps) {
  return (
    <ul className="divide-y divide-line border-line border-y">
      {rows.map((row) => (
        <CableLine key={row.cable.id} {...rest} row={row} />
      ))}
    </ul>
  );
}

type CableLineProps = Omit<CableRowsProps, "rows"> & { readonly row: CableRow };

/** One cable of the entry. */
function CableLine(props: CableLineProps) {
  const { row, ports, picked, sheetHref, mayGoThrough, gripOf, onPick, onChange, onDrop, beside } = props;
  const [ending, setEnding] = useState<PortRole | null>(null);
  const { cable } = row;
  const { id } = cable;
  return (
    <li className={`grid gap-x-3 gap-y-1 py-2 ${picked === id ? PICKED : ""}`}>
      <CableLineHead {...{ row, picked, sheetHref, gripOf, onPick, onDrop }} />
      {beside?.(cable)}
      <CablePicks {...{ cable, ports, mayGoThrough, onChange }} onEnding={setEnding} />
      {ending && (
        <EndHere
          cable={cable}
          role={ending}
          onEnd={() => {
            onChange(id, { ...asRole(ending), opening: null });
            setEnding(null);
          }}
          onKeep={() => setEnding(null)}
        />
      )}
    </li>
  );
}

type CableLineHeadProps = Pick<
  CableLineProps,
  "row" | "picked" | "sheetHref" | "gripOf" | "onPick" | "onDrop"
>;

/** The cable, its port and why it goes there, and the way to its sheet. */
function CableLineHead({ row, picked, sheetHref, gripOf, onPick, onDrop }: CableLineHeadProps) {
  const { cable, ports: at, bushed, otherRole } = row;
  const { id, name, role, fixed } = cable;
  const href = sheetHref(cable);
  return (
    <div className="flex min-w-0 items-center gap-2">
      <span
        {...gripOf(id)}
        title={t("drag-onto-a-port", { name })}
        className="no-print inline-flex size-12 shrink-0 items-center justify-center text-soft"
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
          <span className="figures">{exactMm(sheathOf(cable))}</span>{" "}
          {t("mm-2", { value: at.length > 1 ? "ports" : "port" })}{" "}
          <strong className="text-ink">{at.join(" + ")}</strong>
          {bushed && t("with-a-bushing-2")}
          {otherRole && t("not-a-port", { role })}
          {fixed ? t("put-there") : ""}
        </span>
      </button>
      {href !== null && (
        <Button size="small" asChild className="no-print">
          <Link href={href}>{t("sheet")}</Link>
        </Button>
      )}
      <IconButton name={t("take-out", { name })} onClick={() => onDrop(id)} className="no-print">
        <Trash2 aria-hidden="true" className="size-5" />
      </IconButton>
    </div>
  );
}

interface CablePicksProps extends Pick<CableLineProps, "ports" | "mayGoThrough" | "onChange"> {
  readonly cable: NamedCable;
  /** A cable that goes through was given a role that ends it. */
  readonly onEnding: (role: PortRole) => void;
}

/** Picks what the cable is for and its port. */
function CablePicks({ cable, ports, mayGoThrough, onChange, onEnding }: CablePicksProps) {
  const { id, role, through, fixed } = cable;
  const asPort = { id, diameter: sheathOf(cable), role, through };
  const into = ports
    .filter((port) => portTrouble(asPort, ports, portsBy(asPort, ports, port.id)) === null)
    .map((port) => ({ id: port.id, name: portsBy(asPort, ports, port.id).join(" + ") }))
    .filter((conduit, i, all) => all.findIndex((other) => other.name === conduit.name) === i);
  const roles = rolesOf(cable, mayGoThrough);
  return (
    <div className="no-print grid grid-cols-2 items-end gap-2 px-2">
      <Select
        title={t("for")}
        small
        value={role}
        options={roles.map((portRole) => ({ id: portRole, name: portRole }))}
        onPick={(picked) => {
          const next = roles.find((each) => each === picked);
          if (!next || next === role) return;
          if (through) onEnding(next);
          else onChange(id, asRole(next));
        }}
      />
      <Select
        title={t("its-port")}
        small
        value={fixed ? (into.find((port) => port.name === fixed.join(" + "))?.id ?? "") : ""}
        empty={t("the-best")}
        options={into}
        onPick={(port) => onChange(id, { fixed: port === "" ? null : [...portsBy(asPort, ports, port)] })}
      />
    </div>
  );
}

/** What a cable can be for: one that a piece's plan opens or ends here stays as it is planned. */
function rolesOf({ joins, through }: NamedCable, mayGoThrough: boolean): readonly PortRole[] {
  if (joins && !through) return ENDING_ROLES;
  return mayGoThrough || through ? PORT_ROLES : ENDING_ROLES;
}

interface EndHereProps {
  readonly cable: NamedCable;
  readonly role: PortRole;
  readonly onEnd: () => void;
  readonly onKeep: () => void;
}

/** Before a cable that goes through is ended: what that does, and the choice. */
function EndHere({ cable: { name, of, joins }, role, onEnd, onKeep }: EndHereProps) {
  const keep = useRef<HTMLButtonElement>(null);
  useEffect(() => keep.current?.focus(), []);
  const { tubes, perTube } = tubesOf(of);
  return (
    <div role="alert" className="no-print mx-2 grid gap-2 rounded-lg border-2 border-out px-3 py-2">
      <p>
        <strong>{t("end-here-as-a", { name, role })}</strong>{" "}
        {joins
          ? t("its-piece-is-planned-to-go")
          : t("the-whole-cable-is-cut-all", { value: tubes * perTube })}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button ref={keep} size="small" onClick={onKeep}>
          {t("keep-it-through")}
        </Button>
        {!joins && (
          <Button size="small" look="strong" onClick={onEnd}>
            {t("end-it-here")}
          </Button>
        )}
      </div>
    </div>
  );
}
