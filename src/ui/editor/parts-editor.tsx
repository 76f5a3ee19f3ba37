"use client";

import type { ProcedureDocument } from "@/core";
import { Button } from "../controls/button";
import { Select } from "../controls/select";
import { TextField } from "./field";
import { RowButtons } from "./row-buttons";

type Part = ProcedureDocument["parts"][number];

interface PartsEditorProps {
  readonly parts: readonly Part[];
  /** Steps it can be shut out by. */
  readonly steps: readonly { readonly id: string; readonly title: string }[];
  readonly onChange: (field: string, parts: Part[]) => void;
}

const SHAPES: readonly Part["shape"][] = ["boot", "sleeve", "tube", "ring", "clip", "nut", "shell", "seal"];

/** What is threaded on first, in order, and which way round. */
export function PartsEditor({ parts, steps, onChange }: PartsEditorProps) {
  const put = (i: number, field: string, changes: Partial<Part>) =>
    onChange(
      `${parts[i]?.id}/${field}`,
      parts.map((part, n) => (n === i ? { ...part, ...changes } : part)),
    );
  const add = () => {
    let n = parts.length + 1;
    while (parts.some(({ id }) => id === `part-${n}`)) n += 1;
    onChange("add", [
      ...parts,
      { id: `part-${n}`, name: `part ${n}`, way: "", shape: "boot", ifForgotten: "" },
    ]);
  };
  return (
    <>
      <ol className="divide-y divide-line border-line border-y">
        {parts.map((part, i) => (
          <li key={part.id} className="grid items-end gap-2 py-2 md:grid-cols-[2fr_3fr_8rem_3fr_12rem_auto]">
            <TextField
              label={`${i + 1}`}
              value={part.name}
              most={200}
              onChange={(name) => put(i, "name", { name })}
            />
            <TextField
              label="Which way round"
              value={part.way}
              most={200}
              onChange={(way) => put(i, "way", { way })}
            />
            <Pick
              label="Drawn as"
              value={part.shape}
              options={SHAPES.map((shape) => [shape, shape])}
              onPick={(picked) =>
                put(i, "shape", { shape: SHAPES.find((shape) => shape === picked) ?? part.shape })
              }
            />
            <TextField
              label="If forgotten"
              value={part.ifForgotten}
              onChange={(ifForgotten) => put(i, "cost", { ifForgotten })}
            />
            <Pick
              label="Shut out by"
              value={part.trappedBy ?? ""}
              options={[["", "not said"], ...steps.map(({ id, title }): [string, string] => [id, title])]}
              onPick={(trappedBy) => put(i, "trapped", { trappedBy: trappedBy || undefined })}
            />
            <RowButtons name={part.name} list={parts} at={i} onChange={(next) => onChange("order", next)} />
          </li>
        ))}
      </ol>
      <Button onClick={add} className="mt-3">
        Add a part
      </Button>
    </>
  );
}

interface PickProps {
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [string, string])[];
  readonly onPick: (value: string) => void;
}

function Pick({ label, value, options, onPick }: PickProps) {
  return (
    <Select
      title={label}
      small
      value={value}
      onPick={onPick}
      options={options.map(([id, name]) => ({ id, name }))}
    />
  );
}
