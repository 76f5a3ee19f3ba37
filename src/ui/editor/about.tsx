"use client";

import { CONSTRUCTIONS, CORES, type ProcedureDocument } from "@/core";
import { t } from "@/messages/editor";
import { LengthField, TextField } from "./field";
import { Tick } from "./tick";

interface AboutProps {
  readonly document: ProcedureDocument;
  readonly isNew: boolean;
  readonly onChange: (field: string, changes: Partial<ProcedureDocument>) => void;
}

/** What it is called, whose figures it holds, and what it applies to. */
export function About({ document, isNew, onChange }: AboutProps) {
  const { appliesTo } = document;
  const applies = (field: string, changes: Partial<ProcedureDocument["appliesTo"]>) =>
    onChange(`applies/${field}`, { appliesTo: { ...appliesTo, ...changes } });
  const toggled = <T,>(list: readonly T[], value: T): T[] =>
    list.includes(value) ? list.filter((other) => other !== value) : [...list, value];
  return (
    <div className="grid max-w-3xl gap-4">
      <TextField
        label={t("name")}
        value={document.name}
        most={200}
        onChange={(name) => onChange("name", { name })}
      />
      {isNew && (
        <TextField
          label={t("id-as-it-is-filed-under")}
          value={document.id}
          most={80}
          onChange={(id) => onChange("id", { id })}
        />
      )}
      <TextField
        label={t("in-a-few-words")}
        value={document.about}
        most={500}
        lines={2}
        onChange={(about) => onChange("about", { about })}
      />
      <TextField
        label={t("where-the-figures-come-from-the")}
        value={document.source.note}
        most={500}
        onChange={(note) => onChange("note", { source: { ...document.source, note } })}
      />
      <Group title={t("goes-on")}>
        {CONSTRUCTIONS.map((construction) => (
          <Tick
            key={construction}
            name={construction.replaceAll("-", " ")}
            on={appliesTo.constructions.includes(construction)}
            onTick={() =>
              applies("constructions", { constructions: toggled(appliesTo.constructions, construction) })
            }
          />
        ))}
      </Group>
      <Group title={t("core")}>
        {CORES.map((core) => (
          <Tick
            key={core}
            name={core}
            on={appliesTo.cores.includes(core)}
            onTick={() => applies("cores", { cores: toggled(appliesTo.cores, core) })}
          />
        ))}
      </Group>
      {(["jacket", "buffer", "coating"] as const).map((layer) => {
        const range = appliesTo[layer];
        return (
          <Group key={layer} title={t("diameter-of-the-mm", { layer })}>
            {(["min", "max"] as const).map((side) => (
              <LengthField
                key={side}
                label={`${layer}: ${side === "min" ? t("at-least") : t("at-most")}`}
                value={range?.[side] ?? null}
                open
                className="w-28"
                onChange={(value) => {
                  const next = { min: range?.min ?? 0, max: range?.max ?? 60, [side]: value };
                  applies(layer, { [layer]: value === null ? undefined : next });
                }}
              />
            ))}
          </Group>
        );
      })}
    </div>
  );
}

function Group({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <fieldset>
      <legend className="text-soft text-sm">{title}</legend>
      <div className="flex flex-wrap gap-2">{children}</div>
    </fieldset>
  );
}
