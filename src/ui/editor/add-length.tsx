"use client";

import { type FormEvent, memo, useState } from "react";
import {
  type DraftKit,
  type NewLength,
  type ProcedureDocument,
  parseLength,
  type Side,
  type Tool,
  usualSide,
  usualTool,
} from "@/core";
import { t } from "@/messages/editor";
import { Button } from "../controls/button";
import { Select } from "../controls/select";
import { TextField } from "./field";

interface AddLengthProps {
  readonly features: ProcedureDocument["features"];
  readonly tools: readonly Tool[];
  /** The usual tool for each layer. */
  readonly kit: DraftKit;
  /** Layers of the cable it is drawn on, by kind and name. */
  readonly layers: readonly { readonly kind: ProcedureDocument["startsAt"]; readonly name: string }[];
  /** Adds it; answers why it cannot be added, or null. */
  readonly onAdd: (length: NewLength) => string | null;
}

const EMPTY = { name: "", value: "", tolerance: "" };
const SIDES: readonly { readonly id: Side; readonly name: string }[] = [
  { id: "behind", name: t("behind-further-from-the-fibre-end") },
  { id: "front", name: t("in-front-of-nearer-the-fibre") },
];

/** Adds a length, said as a sentence: its name, how far on which side of what, and what is done there. */
export const AddLength = memo(function AddLength({ features, tools, kit, layers, onAdd }: AddLengthProps) {
  const [text, setText] = useState(EMPTY);
  const [from, setFrom] = useState(features[0]?.id ?? "");
  const [makes, setMakes] = useState<NewLength["makes"]>("mark");
  const [side, setSide] = useState<Side | null>(null);
  const [picked, setPicked] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  // The cleaved end, and whatever else is picked, may have gone from the document since.
  const datum = features.some(({ id }) => id === from) ? from : (features[0]?.id ?? "");
  const tool = picked ?? usualTool(makes, kit) ?? tools[0]?.id ?? "";
  const shownSide = side ?? usualSide(makes, datum);
  const add = (event: FormEvent) => {
    event.preventDefault();
    const name = text.name.trim();
    const nominal = parseLength(text.value, { unit: "mm" });
    const tolerance = text.tolerance.trim() === "" ? null : parseLength(text.tolerance, { unit: "mm" });
    if (name === "") return setWrong(t("name-the-length-for-example-second"));
    if (!nominal.ok) return setWrong(`Figure: ${nominal.problem.message}`);
    if (tolerance && !tolerance.ok) return setWrong(`Tolerance: ${tolerance.problem.message}`);
    const problem = onAdd({
      name,
      from: datum,
      side: shownSide,
      nominal: nominal.value.length,
      plus: tolerance?.value.length ?? null,
      minus: tolerance?.value.length ?? null,
      makes,
      tool: isLayer(makes) ? tool : null,
    });
    setWrong(problem);
    if (problem !== null) return;
    setText(EMPTY);
    setSide(null);
    setPicked(null);
  };
  return (
    <form
      onSubmit={add}
      aria-label={t("add-a-length")}
      className="isolate mt-4 grid items-start gap-2 rounded-lg border border-line bg-raised p-3 md:grid-cols-[2fr_1fr_1fr_2fr_2fr_2fr_auto]"
    >
      <LengthTexts text={text} onText={setText} />
      <Select
        title={t("lies")}
        small
        value={shownSide}
        onPick={(id) => setSide(SIDES.find((each) => each.id === id)?.id ?? null)}
        options={SIDES}
      />
      <Select title={t("the")} small value={datum} onPick={setFrom} options={features} />
      <MakesPick
        {...{ makes, tool, tools, layers }}
        onMakes={(next) => {
          setMakes(next);
          setPicked(null);
        }}
        onTool={setPicked}
      />
      <Button type="submit" className="md:mt-5">
        {t("add-length")}
      </Button>
      <p role="alert" className="text-out empty:hidden md:col-span-7">
        {wrong ?? ""}
      </p>
    </form>
  );
});

interface LengthTextsProps {
  readonly text: typeof EMPTY;
  readonly onText: (text: typeof EMPTY) => void;
}

/** The length's name, its figure and its tolerance, as they are typed. */
const LengthTexts = ({ text, onText }: LengthTextsProps) => (
  <>
    <TextField
      label={t("add-a-length-its-name")}
      value={text.name}
      most={200}
      onChange={(name) => onText({ ...text, name })}
    />
    <TextField
      label={t("mm")}
      value={text.value}
      most={40}
      onChange={(value) => onText({ ...text, value })}
    />
    <TextField
      label="±"
      value={text.tolerance}
      most={40}
      onChange={(tolerance) => onText({ ...text, tolerance })}
    />
  </>
);

const isLayer = (makes: NewLength["makes"]): boolean => makes !== "mark" && makes !== "cleave";

interface MakesPickProps extends Pick<AddLengthProps, "tools" | "layers"> {
  readonly makes: NewLength["makes"];
  readonly tool: string;
  readonly onMakes: (makes: NewLength["makes"]) => void;
  readonly onTool: (tool: string) => void;
}

/** Picks what is done there: a mark, the cleave, or the end of a layer and the tool that takes it off. */
function MakesPick({ makes, tool, tools, layers, onMakes, onTool }: MakesPickProps) {
  return (
    <span className="grid gap-1">
      <Select
        title={t("there")}
        small
        value={makes}
        onPick={(id) => {
          const layer = layers.find(({ kind }) => kind === id)?.kind;
          onMakes(id === "cleave" ? "cleave" : (layer ?? "mark"));
        }}
        options={[
          { id: "mark", name: t("a-mark-is-drawn") },
          { id: "cleave", name: t("the-glass-is-cleaved") },
          ...layers
            .filter(({ kind }) => kind !== "glass")
            .map(({ kind, name }) => ({ id: kind, name: t("the-ends", { name }) })),
        ]}
      />
      {isLayer(makes) && (
        <Select title={t("taken-off-by")} small value={tool} onPick={onTool} options={tools} />
      )}
    </span>
  );
}
