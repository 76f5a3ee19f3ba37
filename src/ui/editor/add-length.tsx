"use client";

import { type FormEvent, memo, useState } from "react";
import { type NewLength, type ProcedureDocument, parseLength, type Tool } from "@/core";
import { Button } from "../controls/button";
import { Select } from "../controls/select";
import { TextField } from "./field";

interface AddLengthProps {
  readonly features: ProcedureDocument["features"];
  readonly tools: readonly Tool[];
  /** Layers of the cable it is drawn on, by kind and name. */
  readonly layers: readonly { readonly kind: ProcedureDocument["startsAt"]; readonly name: string }[];
  readonly onAdd: (length: NewLength) => void;
}

const EMPTY = { name: "", value: "", tolerance: "" };

/** One length more: its name, where it is laid off from, its figure, and whether it is drawn or taken off to. */
export const AddLength = memo(function AddLength({ features, tools, layers, onAdd }: AddLengthProps) {
  const [text, setText] = useState(EMPTY);
  const [from, setFrom] = useState(features[0]?.id ?? "");
  const [makes, setMakes] = useState("mark");
  const [tool, setTool] = useState(tools[0]?.id ?? "");
  const [wrong, setWrong] = useState<string | null>(null);
  const add = (event: FormEvent) => {
    event.preventDefault();
    const name = text.name.trim();
    const nominal = parseLength(text.value, { unit: "mm" });
    const tolerance = text.tolerance.trim() === "" ? null : parseLength(text.tolerance, { unit: "mm" });
    if (name === "") return setWrong("A length needs a name.");
    if (!nominal.ok) return setWrong(`Figure: ${nominal.problem.message}`);
    if (tolerance && !tolerance.ok) return setWrong(`Tolerance: ${tolerance.problem.message}`);
    const layer = layers.find(({ kind }) => kind === makes);
    onAdd({
      name,
      from,
      nominal: nominal.value.length,
      plus: tolerance?.value.length ?? null,
      minus: tolerance?.value.length ?? null,
      makes: layer ? layer.kind : "mark",
      tool,
    });
    setText(EMPTY);
    setWrong(null);
  };
  return (
    <form
      onSubmit={add}
      aria-label="Add a length"
      className="isolate mt-4 grid items-end gap-2 rounded-lg border border-line bg-raised p-3 md:grid-cols-[2fr_2fr_1fr_1fr_2fr_auto]"
    >
      <TextField
        label="One length more: its name"
        value={text.name}
        most={200}
        onChange={(name) => setText({ ...text, name })}
      />
      <Select title="Laid off from the" small value={from} onPick={setFrom} options={features} />
      <TextField label="mm" value={text.value} most={40} onChange={(value) => setText({ ...text, value })} />
      <TextField
        label="±"
        value={text.tolerance}
        most={40}
        onChange={(tolerance) => setText({ ...text, tolerance })}
      />
      <span className="grid gap-1">
        <Select
          title="There"
          small
          value={makes}
          onPick={setMakes}
          options={[
            { id: "mark", name: "a mark is drawn" },
            ...layers.map(({ kind, name }) => ({ id: kind, name: `the ${name} ends` })),
          ]}
        />
        {makes !== "mark" && (
          <Select title="taken off by" small value={tool} onPick={setTool} options={tools} />
        )}
      </span>
      <Button type="submit">Add it</Button>
      <p role="alert" className="text-out empty:hidden md:col-span-6">
        {wrong ?? ""}
      </p>
    </form>
  );
});
