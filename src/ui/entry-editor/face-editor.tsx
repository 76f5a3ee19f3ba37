"use client";

import type { EntryDocument } from "@/core";
import { t } from "@/messages/entry-editor";
import { Select } from "../controls/select";
import { LengthField } from "../editor/field";

type Face = EntryDocument["face"];

interface FaceEditorProps {
  readonly face: Face;
  readonly onChange: (field: string, face: Face) => void;
}

const SHAPES: readonly { readonly id: Face["shape"]; readonly name: string }[] = [
  { id: "round", name: "round" },
  { id: "flat", name: "straight-edged" },
];

/** The face the ports lie on: its shape, how wide and how high. */
export const FaceEditor = ({ face, onChange }: FaceEditorProps) => (
  <div className="mb-2 grid items-end gap-2 sm:grid-cols-[12rem_7rem_7rem]">
    <Select
      title={t("the-face-they-lie-on")}
      small
      value={face.shape}
      options={SHAPES}
      onPick={(picked) => {
        const shape = SHAPES.find(({ id }) => id === picked);
        if (shape) onChange("shape", { ...face, shape: shape.id });
      }}
    />
    {(["width", "height"] as const).map((side) => (
      <span key={side} className="grid gap-0.5">
        <span className="text-soft text-sm">{t("mm-2", { side })}</span>
        <LengthField
          label={t("face-mm", { side })}
          value={face[side]}
          onChange={(value) => value !== null && onChange(side, { ...face, [side]: value })}
        />
      </span>
    ))}
  </div>
);
