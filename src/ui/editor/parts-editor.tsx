"use client";

import { LAYER_KINDS, type ProcedureDocument } from "@/core";
import { t } from "@/messages/editor";
import { Button } from "../controls/button";
import { Select } from "../controls/select";
import { LengthField, TextField } from "./field";
import { RowButtons } from "./row-buttons";
import { Tick } from "./tick";

/** A part of a procedure, or of an entry: there it may be a bushing. */
type Part = ProcedureDocument["parts"][number] & { readonly bushes?: true | undefined };

interface PartsEditorProps {
  readonly parts: readonly Part[];
  /** Steps it can be shut out by. */
  readonly steps: readonly { readonly id: string; readonly title: string }[];
  /** How often the document was gone back or on. */
  readonly moves: number;
  /** Whether one may be a bushing: it goes on where the port takes the cable with one alone. */
  readonly bushings?: boolean;
  readonly onChange: (field: string, parts: Part[]) => void;
}

const SHAPES: readonly Part["shape"][] = ["boot", "sleeve", "tube", "ring", "clip", "nut", "shell", "seal"];

const LAYERS = LAYER_KINDS.map((kind): [string, string] => [kind, kind.replaceAll("-", " ")]);

/** What is threaded on first, in order, and which way round. */
export function PartsEditor({ parts, steps, moves, bushings = false, onChange }: PartsEditorProps) {
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
            <PartFields part={part} at={i} steps={steps} put={(field, changes) => put(i, field, changes)} />
            <RowButtons name={part.name} list={parts} at={i} onChange={(next) => onChange("order", next)} />
            <PartPlace
              part={part}
              steps={steps}
              moves={moves}
              bushings={bushings}
              put={(field, changes) => put(i, field, changes)}
            />
          </li>
        ))}
      </ol>
      <Button onClick={add} className="mt-3">
        {t("add-a-part")}
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
  const empty = options.find(([id]) => id === "")?.[1];
  return (
    <Select
      title={label}
      small
      value={value}
      {...(empty !== undefined && { empty })}
      onPick={onPick}
      options={options.filter(([id]) => id !== "").map(([id, name]) => ({ id, name }))}
    />
  );
}

interface PartFieldsProps extends Pick<PartsEditorProps, "steps"> {
  readonly part: Part;
  readonly at: number;
  readonly put: (field: string, changes: Partial<Part>) => void;
}

/** What a part is, which way round it goes, and what it costs when forgotten. */
function PartFields({ part, at, steps, put }: PartFieldsProps) {
  return (
    <>
      <TextField
        label={`${at + 1}`}
        value={part.name}
        most={200}
        onChange={(name) => put("name", { name })}
      />
      <TextField
        label={t("which-way-round")}
        value={part.way}
        most={200}
        onChange={(way) => put("way", { way })}
      />
      <Pick
        label={t("drawn-as")}
        value={part.shape}
        options={SHAPES.map((shape) => [shape, shape])}
        onPick={(picked) => put("shape", { shape: SHAPES.find((shape) => shape === picked) ?? part.shape })}
      />
      <TextField
        label={t("if-forgotten")}
        value={part.ifForgotten}
        onChange={(ifForgotten) => put("cost", { ifForgotten })}
      />
      <Pick
        label={t("shut-out-by")}
        value={part.trappedBy ?? ""}
        options={[["", t("not-said")], ...steps.map(({ id, title }): [string, string] => [id, title])]}
        onPick={(trappedBy) => put("trapped", { trappedBy: trappedBy || undefined })}
      />
    </>
  );
}

interface PartPlaceProps extends Pick<PartsEditorProps, "steps" | "moves" | "bushings"> {
  readonly part: Part;
  readonly put: (field: string, changes: Partial<Part>) => void;
}

/** What a part goes over and grips, its bore, and the step that brings it to its place. */
function PartPlace({ part, steps, moves, bushings, put }: PartPlaceProps) {
  return (
    <div className="flex flex-wrap items-end gap-2 md:col-span-6">
      <span className="grid w-28 gap-0.5">
        <span className="text-soft text-sm">{t("bore-mm")}</span>
        <LengthField
          label={t("bore", { name: part.name })}
          value={part.bore ?? null}
          open
          moves={moves}
          onChange={(bore) => put("bore", { bore: bore ?? undefined })}
        />
      </span>
      <Tick
        name={t("opens-goes-on-at-any-time")}
        on={part.opens ?? false}
        onTick={() => put("opens", { opens: part.opens ? undefined : true })}
      />
      {bushings && (
        <Tick
          name={t("bushing-only-where-the-port-needs")}
          on={part.bushes ?? false}
          onTick={() => put("bushes", { bushes: part.bushes ? undefined : true })}
        />
      )}
      <Pick
        label={t("goes-over-the")}
        value={part.on ?? ""}
        options={[["", t("outermost-layer-in-hand")], ...LAYERS]}
        onPick={(on) => put("on", { on: LAYER_KINDS.find((kind) => kind === on) })}
      />
      <Pick
        label={t("holds-in-place-the")}
        value={part.grips ?? ""}
        options={[["", "nothing"], ...LAYERS]}
        onPick={(grips) => put("grips", { grips: LAYER_KINDS.find((kind) => kind === grips) })}
      />
      <Pick
        label={t("brought-to-its-place-at")}
        value={part.neededAt ?? ""}
        options={[["", t("not-said")], ...steps.map(({ id, title }): [string, string] => [id, title])]}
        onPick={(neededAt) => put("needed", { neededAt: neededAt || undefined })}
      />
    </div>
  );
}
