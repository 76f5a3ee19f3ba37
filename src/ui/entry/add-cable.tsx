"use client";

import { type FormEvent, useState } from "react";
import { type Cable, type PortRole, readCount } from "@/core";
import { t } from "@/messages/entry";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Select } from "../controls/select";

interface AddCableProps {
  /** What a cable can be for here. */
  readonly roles: readonly PortRole[];
  readonly cables: readonly Cable[];
  readonly first: boolean;
  /** Adds so many; false where they cannot all go in. */
  readonly onAdd: (cable: string, role: PortRole, count: number) => Promise<boolean>;
}

const MOST = 32;

/** Brings cables into the entry: one or several of a kind at once. */
export function AddCable({ roles, cables, first, onAdd }: AddCableProps) {
  const [cable, setCable] = useState(cables[0]?.id ?? "");
  const [role, setRole] = useState<PortRole>("branch");
  const [many, setMany] = useState("1");
  const [problem, setProblem] = useState("");
  const add = async (event: FormEvent) => {
    event.preventDefault();
    const count = readCount(many, MOST) || null;
    if (count === null) return setProblem(t("from-1-to", { most: MOST }));
    setProblem("");
    if (await onAdd(cable, role, count)) setMany("1");
  };
  return (
    <form onSubmit={add} className="no-print mt-3 grid grid-cols-2 items-end gap-3">
      <Select
        title={t("cable")}
        value={cable}
        options={cables}
        onPick={setCable}
        className="col-span-2 min-w-0"
      />
      <Select
        title={t("for")}
        value={role}
        options={roles.map((portRole) => ({ id: portRole, name: portRole }))}
        onPick={(id) => {
          const role = roles.find((portRole) => portRole === id);
          if (role) setRole(role);
        }}
      />
      <Field
        title={t("how-many")}
        value={many}
        inputMode="numeric"
        problem={problem}
        onChange={({ target }) => setMany(target.value)}
      />
      <Button type="submit" look={first ? "next" : "strong"} className="col-span-2">
        {t("bring-it-in")}
      </Button>
    </form>
  );
}
