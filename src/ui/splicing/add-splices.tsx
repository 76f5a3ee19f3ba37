"use client";

import { useState } from "react";
import {
  attempt,
  hasRibbons,
  type Joint,
  readSplices,
  ringClosed,
  type SplicedCable,
  straight,
  TOWARDS,
  toPigtails,
  tubesOf,
  tubeToTube,
} from "@/core";
import { t } from "@/messages/splicing";
import { Button } from "../controls/button";
import { Select } from "../controls/select";
import { useSubmit } from "../controls/use-submit";
import type { SplicePlanHeld } from "./use-splice-plan";

const PATTERNS = ["straight", "tube", "ring", "pigtails"] as const;
type Pattern = (typeof PATTERNS)[number];

const PATTERN_NAMES: Record<Pattern, () => string> = {
  straight: () => t("straight-through"),
  tube: () => t("tube-to-tube"),
  ring: () => t("both-ends-together"),
  pigtails: () => t("all-to-pigtails"),
};

/** A cable's cut ends as one of a list: towards either side of one that goes through. */
interface PickedSide {
  readonly id: string;
  readonly name: string;
  readonly cable: SplicedCable;
  readonly towards: "A" | "B" | null;
}

const sidesOf = (cables: readonly SplicedCable[]): PickedSide[] =>
  cables.flatMap((cable): PickedSide[] => {
    const name = `${cable.number} ${cable.name}`;
    return cable.through
      ? TOWARDS.map((towards) => ({
          id: `${cable.id} ${towards}`,
          name: t("cut-ends-of", { cable: name, towards }),
          cable,
          towards,
        }))
      : [{ id: cable.id, name, cable, towards: null }];
  });

const numbered = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ id: String(i + 1), name: String(i + 1) }));

interface PatternState {
  readonly pattern: Pattern;
  readonly a: PickedSide | undefined;
  readonly b: PickedSide | undefined;
  readonly tubes: { readonly a: number; readonly b: number };
  readonly whole: boolean;
}

/** What a pattern joins; nothing as long as its cables are not chosen. */
function jointsOf({ pattern, a, b, tubes, whole }: PatternState, pigtails: number): readonly Joint[] {
  if (!a) return [];
  if (pattern === "ring") return a.cable.through ? ringClosed(a.cable) : [];
  if (pattern === "pigtails") return toPigtails(a, pigtails + 1);
  if (!b) return [];
  return pattern === "straight"
    ? straight(a, b, whole)
    : tubeToTube({ ...a, tube: tubes.a }, { ...b, tube: tubes.b }, whole);
}

interface AddSplicesProps {
  readonly cables: readonly SplicedCable[];
  readonly held: SplicePlanHeld;
}

/** Ways to fill a splice plan: by a pattern between two cables, or by a typed list. */
export function AddSplices({ cables, held }: AddSplicesProps) {
  return (
    <div className="no-print grid grid-cols-[minmax(0,1fr)] gap-4">
      <PatternForm cables={cables} held={held} />
      <TypedForm cables={cables} held={held} />
    </div>
  );
}

function PatternForm({ cables, held }: AddSplicesProps) {
  const sides = sidesOf(cables);
  const [pattern, setPattern] = useState<Pattern>("straight");
  const [[a, b], setEnds] = useState([sides[0]?.id ?? "", sides[1]?.id ?? ""]);
  const [tubes, setTubes] = useState({ a: 1, b: 1 });
  const [whole, setWhole] = useState(true);
  const state: PatternState = {
    pattern,
    a: sides.find(({ id }) => id === a),
    b: sides.find(({ id }) => id === b),
    tubes,
    whole,
  };
  const needsTwo = pattern === "straight" || pattern === "tube";
  const mayBeWhole =
    needsTwo && [state.a, state.b].every((side) => side !== undefined && hasRibbons(side.cable.cable));
  const { problem, submit, clear } = useSubmit(() => {
    const pigtails = held.plan.splices.filter((splice) => splice.b.cable === "pigtail").length;
    const joints = jointsOf({ ...state, whole: mayBeWhole && whole }, pigtails);
    if (needsTwo && !state.b) return t("choose-two-cables");
    return held.add(joints) > 0 ? "" : t("none-to-add");
  });
  return (
    <form onSubmit={submit} onChange={clear} className="flex flex-wrap items-end gap-3">
      <Select
        title={t("pattern")}
        className="min-w-0 max-w-full"
        options={PATTERNS.map((id) => ({ id, name: PATTERN_NAMES[id]() }))}
        value={pattern}
        onPick={(id) => setPattern(PATTERNS.find((of) => of === id) ?? "straight")}
      />
      <Select
        className="min-w-0 max-w-full"
        title={t("from")}
        options={sides}
        value={a ?? ""}
        onPick={(id) => setEnds([id, b])}
      />
      {pattern === "tube" && state.a && (
        <Select
          title={t("tube-of")}
          options={numbered(tubesOf(state.a.cable.cable).tubes)}
          value={String(tubes.a)}
          onPick={(id) => setTubes({ ...tubes, a: Number(id) })}
        />
      )}
      {needsTwo && (
        <Select
          className="min-w-0 max-w-full"
          title={t("to")}
          options={sides}
          value={b ?? ""}
          onPick={(id) => setEnds([a, id])}
        />
      )}
      {pattern === "tube" && state.b && (
        <Select
          title={t("tube-of")}
          options={numbered(tubesOf(state.b.cable.cable).tubes)}
          value={String(tubes.b)}
          onPick={(id) => setTubes({ ...tubes, b: Number(id) })}
        />
      )}
      {mayBeWhole && (
        <label className="flex min-h-12 items-center gap-2">
          <input type="checkbox" checked={whole} onChange={() => setWhole(!whole)} className="size-6" />
          {t("whole-ribbons")}
        </label>
      )}
      <Button type="submit" look="strong">
        {t("add-splices")}
      </Button>
      <p role="alert" className="w-full text-out empty:hidden">
        {problem}
      </p>
    </form>
  );
}

function TypedForm({ cables, held }: AddSplicesProps) {
  const [text, setText] = useState("");
  const { problem, submit, clear } = useSubmit(() => {
    const read = attempt(() => readSplices(text, cables));
    if (read.problem) return read.problem.message;
    if ((read.value ?? []).length === 0) return "";
    held.addTyped(read.value ?? []);
    setText("");
    return "";
  });
  return (
    <form onSubmit={submit} className="grid gap-1">
      <label htmlFor="splice-list" className="font-semibold">
        {t("a-list")}
      </label>
      <div className="flex flex-wrap items-start gap-2">
        <textarea
          id="splice-list"
          rows={2}
          value={text}
          maxLength={20_000}
          onChange={({ target }) => {
            clear();
            setText(target.value);
          }}
          onKeyDown={(event) => {
            if (event.key === "Enter" && !event.shiftKey && !text.includes("\n")) {
              event.preventDefault();
              event.currentTarget.form?.requestSubmit();
            }
          }}
          aria-describedby="splice-list-about"
          className="min-h-12 min-w-40 flex-1 rounded-lg border border-line bg-field px-3 py-2 font-figure"
        />
        <Button type="submit">{t("add-splices")}</Button>
      </div>
      <span id="splice-list-about" className="text-soft text-sm">
        {t("for-example-list")}
      </span>
      <p role="alert" className="text-out empty:hidden">
        {problem}
      </p>
    </form>
  );
}
