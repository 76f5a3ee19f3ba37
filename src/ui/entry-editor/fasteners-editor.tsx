"use client";

import type { EntryDocument } from "@/core";
import { t } from "@/messages/entry-editor";
import { Button } from "../controls/button";
import { FigureField } from "../controls/figure-field";
import { Select } from "../controls/select";
import { TextField } from "../editor/field";
import { RowButtons } from "../editor/row-buttons";
import { Several } from "../editor/several";

type Fastener = EntryDocument["fasteners"][number];

interface FastenersEditorProps {
  /** Parts it can tighten, of a cable that ends there and of one that goes through. */
  readonly parts: readonly { readonly id: string; readonly name: string }[];
  readonly fasteners: readonly Fastener[];
  readonly onChange: (field: string, fasteners: Fastener[]) => void;
}

const STAGES: readonly { readonly id: NonNullable<Fastener["stage"]>; readonly name: string }[] = [
  { id: "cable", name: t("once-the-cable-is-in") },
  { id: "seal", name: t("after-the-plugs") },
  { id: "cover", name: t("with-the-cover") },
];

const readTorque = (text: string): number | null => {
  const value = Number(text.trim().replace(",", "."));
  return text.trim() !== "" && value >= 0 && value <= 100 ? value : null;
};

/** What is tightened, in its order, each with its torque. */
export function FastenersEditor({ parts, fasteners, onChange }: FastenersEditorProps) {
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
            className="grid items-end gap-2 py-2 md:grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)_10rem_7rem_auto]"
          >
            <TextField
              label={`${at + 1}`}
              value={fastener.title}
              most={200}
              onChange={(title) => put(at, "title", { title })}
            />
            <TextField
              label={t("how")}
              value={fastener.how ?? ""}
              most={600}
              onChange={(how) => put(at, "how", { how })}
            />
            <Select
              title={t("when")}
              small
              value={fastener.stage ?? "cable"}
              options={STAGES}
              onPick={(picked) => put(at, "stage", { stage: STAGES.find(({ id }) => id === picked)?.id })}
            />
            <FigureField
              title="N·m"
              value={fastener.newtonMetres}
              text={String}
              read={readTorque}
              asks={t("from-0-to-100-newton-metres")}
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
            <div className="md:col-span-5">
              <Several
                title={t("only-where-one-of-these-is")}
                adds={t("nothing-more")}
                ids={parts.map(({ id }) => id)}
                names={Object.fromEntries(parts.map(({ id, name }) => [id, name]))}
                picked={fastener.parts ?? []}
                onChange={(picked) => put(at, "parts", { parts: picked.length > 0 ? picked : undefined })}
              />
            </div>
          </li>
        ))}
      </ol>
      <Button
        size="small"
        className="mt-2"
        onClick={() => onChange("add", [...fasteners, { title: t("tighten"), how: "", newtonMetres: 2 }])}
      >
        {t("add-a-fastener")}
      </Button>
    </>
  );
}
