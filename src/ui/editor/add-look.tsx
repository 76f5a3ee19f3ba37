"use client";

import { type FormEvent, useState } from "react";
import { type ProcedureDocument, withLook } from "@/core";
import { Button } from "../controls/button";
import { Select } from "../controls/select";
import { TextField } from "./field";

interface AddLookProps {
  readonly document: ProcedureDocument;
  readonly onAdd: (next: ProcedureDocument) => void;
}

const EMPTY = { title: "", asks: "", good: "", bad: "", means: "" };
const NAMES = [
  ["title", "One look more: its title"],
  ["asks", "What is asked"],
  ["good", "Seen when all is well"],
  ["bad", "Seen when it is not"],
  ["means", "What that means"],
] as const;

/** One look more: what is asked, both answers, after which step it comes and where a bad one sends back to. */
export function AddLook({ document: { steps, ...rest }, onAdd }: AddLookProps) {
  const document = { steps, ...rest };
  const [text, setText] = useState(EMPTY);
  const [after, setAfter] = useState(steps[0]?.id ?? "");
  const [goTo, setGoTo] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const add = (event: FormEvent) => {
    event.preventDefault();
    const missing = NAMES.slice(0, 4).find(([field]) => text[field].trim() === "");
    if (missing) {
      setWrong(`Still empty: ${missing[1].toLowerCase()}.`);
      return;
    }
    const trimmed = Object.fromEntries(Object.entries(text).map(([field, value]) => [field, value.trim()]));
    onAdd(withLook(document, after, { ...EMPTY, ...trimmed, goTo }));
    setText(EMPTY);
    setWrong(null);
  };
  const pick = (
    label: string,
    value: string,
    onChange: (id: string) => void,
    first: string | null = null,
  ) => (
    <Select
      title={label}
      small
      value={value}
      onPick={onChange}
      empty={first ?? undefined}
      options={steps.map(({ id, title }, i) => ({ id, name: `${i + 1} ${title}` }))}
    />
  );
  return (
    <form
      onSubmit={add}
      aria-label="Add a look"
      className="mt-4 grid items-end gap-2 rounded-lg border border-line bg-raised p-3 md:grid-cols-3"
    >
      {NAMES.map(([field, label]) => (
        <TextField
          key={field}
          label={label}
          value={text[field]}
          most={field === "title" ? 200 : 300}
          onChange={(value) => setText({ ...text, [field]: value })}
        />
      ))}
      {pick("After step", after, setAfter)}
      {pick("A bad one goes back to", goTo, setGoTo, "nowhere: it is told, no more")}
      <Button type="submit">Add it</Button>
      <p role="alert" className="text-out empty:hidden md:col-span-3">
        {wrong ?? ""}
      </p>
    </form>
  );
}
