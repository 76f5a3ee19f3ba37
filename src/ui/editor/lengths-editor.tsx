"use client";

import {
  farEnd,
  figureFrom,
  type ProcedureDocument,
  type RunSheet,
  switchDatum,
  toMm,
  um,
  withFigureFrom,
  workedFrom,
} from "@/core";
import { Select } from "../controls/select";
import { conditionWords } from "../words/condition-words";
import { LengthField, TextField } from "./field";

type Dimension = ProcedureDocument["dimensions"][number];

interface LengthsEditorProps {
  readonly document: ProcedureDocument;
  /** As it stands, where it holds together: what figures from another datum come from. */
  readonly sheet: RunSheet | null;
  /** Which of its other figures the cable drawn is worked to. */
  readonly cases: Readonly<Record<string, number | null>>;
  /** Ids of the lengths in a contradiction. */
  readonly wrong: readonly string[];
  readonly onLight: (feature: string | null) => void;
  readonly onChange: (field: string, dimensions: Dimension[]) => void;
}

/** Every length: its name, what it is laid off from, its figure and tolerance. Another datum leaves the end the same. */
export function LengthsEditor({ document, sheet, cases, wrong, onLight, onChange }: LengthsEditorProps) {
  const { dimensions, features } = document;
  const nameOf = (id: string) => features.find((feature) => feature.id === id)?.name ?? id;
  const positions = new Map(sheet?.features.map(({ id, position }) => [id, position]) ?? []);
  const put = (i: number, field: string, next: Dimension) =>
    onChange(
      `${next.id}/${field}`,
      dimensions.map((one, n) => (n === i ? next : one)),
    );
  return (
    <ul className="divide-y divide-line border-line border-y">
      {dimensions.map((one, i) => {
        const datum = workedFrom(one);
        const figure = figureFrom(one, datum, positions);
        const value = datum === one.from || figure === null ? one.nominal : toMm(figure);
        return (
          <li
            key={one.id}
            className={`grid items-end gap-2 py-2 md:grid-cols-[minmax(0,2fr)_minmax(0,2fr)_8rem_6rem_6rem] ${wrong.includes(one.id) ? "bg-now-wash" : ""}`}
          >
            <TextField
              label={`To the ${nameOf(farEnd(one, datum))}`}
              value={one.name}
              most={200}
              onChange={(name) => put(i, "name", { ...one, name })}
            />
            <Select
              title="Laid off from the"
              small
              value={datum}
              onPick={(next) => put(i, "datum", switchDatum(one, next))}
              options={datumsOf(one, sheet, datum).map((id) => ({ id, name: nameOf(id) }))}
            />
            <span className="grid gap-0.5">
              <span className="text-soft text-sm">mm</span>
              <LengthField
                label={`${one.name}: figure`}
                value={value}
                onFocus={() => onLight(one.to)}
                onChange={(next) => {
                  if (next === null) return;
                  put(
                    i,
                    "figure",
                    datum === one.from || figure === null
                      ? { ...one, nominal: next }
                      : figured(one, cases[one.id] ?? null, (stated) =>
                          withFigureFrom(stated, datum, um(Math.round(next * 1000)), positions),
                        ),
                  );
                }}
              />
            </span>
            {(["plus", "minus"] as const).map((side) => (
              <span key={side} className="grid gap-0.5">
                <span className="text-soft text-sm">{side === "plus" ? "+" : "−"}</span>
                <LengthField
                  label={`${one.name}: tolerance ${side === "plus" ? "above" : "below"}`}
                  value={one[side]}
                  open
                  onFocus={() => onLight(one.to)}
                  onChange={(next) => put(i, side, { ...one, [side]: next })}
                />
              </span>
            ))}
            {one.cases?.map((other, n) => (
              <OtherFigure
                // biome-ignore lint/suspicious/noArrayIndexKey: cases are told apart by their place
                key={n}
                name={one.name}
                words={conditionWords(other.when, document, String)}
                inUse={cases[one.id] === n}
                other={other}
                onChange={(field, changes) =>
                  put(i, `${n}/${field}`, {
                    ...one,
                    cases: one.cases?.map((each, m) => (m === n ? { ...each, ...changes } : each)),
                  })
                }
              />
            ))}
            {datum !== one.from && (
              <p className="text-soft text-sm md:col-span-5">
                Stated from the {nameOf(one.from)}: {one.nominal}. Its limits stay its own, whatever it is
                laid off from.
              </p>
            )}
          </li>
        );
      })}
    </ul>
  );
}

/** A figure said from elsewhere changes the one the cable drawn is worked to: the length's own, or one of the others. */
function figured(one: Dimension, used: number | null, change: (stated: Dimension) => Dimension): Dimension {
  const other = used === null ? undefined : one.cases?.[used];
  if (!other) return change(one);
  const { nominal } = change({ ...one, nominal: other.nominal });
  return { ...one, cases: one.cases?.map((each) => (each === other ? { ...each, nominal } : each)) };
}

interface OtherFigureProps {
  readonly name: string;
  readonly words: string;
  readonly inUse: boolean;
  readonly other: NonNullable<Dimension["cases"]>[number];
  readonly onChange: (field: string, changes: Partial<NonNullable<Dimension["cases"]>[number]>) => void;
}

/** Another figure of the same length, for some cables or choices; stated from the length's own datum. */
function OtherFigure({ name, words, inUse, other, onChange }: OtherFigureProps) {
  return (
    <div className="grid items-center gap-2 md:col-span-5 md:grid-cols-[minmax(0,4fr)_8rem_6rem_6rem]">
      <p className="text-sm md:text-right">
        instead for {words} {inUse && <strong>(as drawn)</strong>}
      </p>
      <LengthField
        label={`${name}: figure for ${words}`}
        value={other.nominal}
        onChange={(nominal) => nominal !== null && onChange("figure", { nominal })}
      />
      {(["plus", "minus"] as const).map((side) => (
        <LengthField
          key={side}
          label={`${name}: tolerance ${side === "plus" ? "above" : "below"} for ${words}`}
          value={other[side]}
          open
          onChange={(value) => onChange(side, { [side]: value })}
        />
      ))}
    </div>
  );
}

/** What a length can be laid off from: its own datum, and all that is there before it is made. */
function datumsOf(one: Dimension, sheet: RunSheet | null, now: string): string[] {
  const made = sheet?.features.find(({ id }) => id === one.to)?.madeAt ?? -1;
  const before = (sheet?.features ?? []).filter(
    ({ id, madeAt, kind }) => id !== one.to && kind !== "part" && madeAt < made,
  );
  return [...new Set([now, one.from, ...before.map(({ id }) => id)])];
}
