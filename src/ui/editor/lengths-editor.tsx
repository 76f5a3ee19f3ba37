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
import { LengthField, TextField } from "./field";

type Dimension = ProcedureDocument["dimensions"][number];

interface LengthsEditorProps {
  readonly document: ProcedureDocument;
  /** As it stands, where it holds together: what figures from another datum come from. */
  readonly sheet: RunSheet | null;
  /** Ids of the lengths in a contradiction. */
  readonly wrong: readonly string[];
  readonly onLight: (feature: string | null) => void;
  readonly onChange: (field: string, dimensions: Dimension[]) => void;
}

/** Every length: its name, what it is laid off from, its figure and tolerance. Another datum leaves the end the same. */
export function LengthsEditor({ document, sheet, wrong, onLight, onChange }: LengthsEditorProps) {
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
            <label className="grid gap-0.5">
              <span className="text-soft text-sm">Laid off from the</span>
              <select
                value={datum}
                onChange={(event) => put(i, "datum", switchDatum(one, event.target.value))}
                className="min-h-12 w-full rounded-md border border-line bg-field px-2"
              >
                {datumsOf(one, sheet, datum).map((id) => (
                  <option key={id} value={id}>
                    {nameOf(id)}
                  </option>
                ))}
              </select>
            </label>
            <span className="grid gap-0.5">
              <span className="text-soft text-sm">mm</span>
              <LengthField
                label={`${one.name}: figure`}
                value={value}
                onFocus={() => onLight(one.to)}
                onChange={(next) => {
                  if (next === null) return;
                  const changed =
                    datum === one.from || figure === null
                      ? { ...one, nominal: next }
                      : withFigureFrom(one, datum, um(Math.round(next * 1000)), positions);
                  put(i, "figure", changed);
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

/** What a length can be laid off from: its own datum, and all that is there before it is made. */
function datumsOf(one: Dimension, sheet: RunSheet | null, now: string): string[] {
  const made = sheet?.features.find(({ id }) => id === one.to)?.madeAt ?? -1;
  const before = (sheet?.features ?? []).filter(
    ({ id, madeAt, kind }) => id !== one.to && kind !== "part" && madeAt < made,
  );
  return [...new Set([now, one.from, ...before.map(({ id }) => id)])];
}
