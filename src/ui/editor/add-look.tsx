"use client";

import { type FormEvent, useState } from "react";
import { type ProcedureDocument, withLook } from "@/core";
import { t } from "@/messages/editor";
import { Button } from "../controls/button";
import { Select } from "../controls/select";
import { TextField } from "./field";

interface AddLookProps {
  readonly document: ProcedureDocument;
  readonly onAdd: (next: ProcedureDocument) => void;
}

const EMPTY = { title: "", asks: "", good: "", bad: "", means: "" };
const NAMES = [
  ["title", t("one-look-more-its-title")],
  ["asks", t("what-is-asked")],
  ["good", t("seen-when-all-is-well")],
  ["bad", t("seen-when-it-is-not")],
  ["means", t("what-that-means")],
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
      setWrong(t("still-empty", { toLowerCase: missing[1].toLowerCase() }));
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
      aria-label={t("add-a-look")}
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
      {pick(t("after-step"), after, setAfter)}
      {pick(t("a-bad-one-goes-back-to"), goTo, setGoTo, t("nowhere-it-is-told-no-more"))}
      <Button type="submit">{t("add-it")}</Button>
      <p role="alert" className="text-out empty:hidden md:col-span-3">
        {wrong ?? ""}
      </p>
    </form>
  );
}
