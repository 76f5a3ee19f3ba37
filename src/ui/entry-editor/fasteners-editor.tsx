"use client";

import type { EntryDocument } from "@/core";
import { Button } from "../controls/button";
import { FigureField } from "../controls/figure-field";
import { TextField } from "../editor/field";
import { RowButtons } from "../editor/row-buttons";

type Fastener = EntryDocument["fasteners"][number];

interface FastenersEditorProps {
  readonly fasteners: readonly Fastener[];
  readonly onChange: (field: string, fasteners: Fastener[]) => void;
}

const readTorque = (text: string): number | null => {
  const value = Number(text.trim().replace(",", "."));
  return text.trim() !== "" && value >= 0 && value <= 100 ? value : null;
};

/** What is tightened, in its order, each with its torque. */
export function FastenersEditor({ fasteners, onChange }: FastenersEditorProps) {
  const put = (at: number, field: string, changed: Partial<Fastener>) =>
    onChange(
      `${at}/${field}`,
      fasteners.map((fastener, i) => (i === at ? { ...fastener, ...changed } : fastener)),
    );
  return (
    <>
      <ol className="divide-y divide-line border-line border-y">
        {fasteners.map((fastener, at) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: fasteners are told apart by their order
            key={at}
            className="grid items-end gap-2 py-2 md:grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)_7rem_auto]"
          >
            <TextField
              label={`${at + 1}`}
              value={fastener.title}
              most={200}
              onChange={(title) => put(at, "title", { title })}
            />
            <TextField
              label="How"
              value={fastener.how ?? ""}
              most={600}
              onChange={(how) => put(at, "how", { how })}
            />
            <FigureField
              title="N·m"
              value={fastener.newtonMetres}
              text={String}
              read={readTorque}
              asks="From 0 to 100 newton metres."
              onTake={(newtonMetres) => {
                put(at, "torque", { newtonMetres });
                return true;
              }}
            />
            <RowButtons
              name={fastener.title}
              list={fasteners}
              at={at}
              onChange={(next) => onChange("order", next)}
            />
          </li>
        ))}
      </ol>
      <Button
        size="small"
        className="mt-2"
        onClick={() => onChange("add", [...fasteners, { title: "Tighten", how: "", newtonMetres: 2 }])}
      >
        Add a fastener
      </Button>
    </>
  );
}
