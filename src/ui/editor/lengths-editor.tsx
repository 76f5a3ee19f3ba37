"use client";

import { memo } from "react";
import { type ProcedureDocument, type RunSheet, switchDatum } from "@/core";
import { t } from "@/messages/editor";
import { Select } from "../controls/select";
import { conditionWords } from "../words/condition-words";
import { LengthField, TextField } from "./field";
import {
  type DocumentDimension,
  datumsOf,
  type EditedLength,
  lengthRows,
  type Made,
  madeOn,
  type OtherFigure,
  withFigure,
  withOther,
} from "./lengths";
import { useSame } from "./use-same";

interface LengthsEditorProps {
  readonly document: Pick<ProcedureDocument, "dimensions" | "features" | "choices">;
  /** As it stands, where it holds together: what figures from another datum come from. */
  readonly sheet: RunSheet | null;
  /** Which of its other figures the cable drawn is worked to. */
  readonly cases: Readonly<Record<string, number | null>>;
  /** Ids of the lengths in a contradiction. */
  readonly wrong: readonly string[];
  readonly moves: number;
  /** These two stay the same functions, so that a key draws one row again and not all. */
  readonly onLight: (feature: string | null) => void;
  readonly onChange: (at: number, field: string, next: DocumentDimension, typed: boolean) => void;
}

/** Every length: its name, what it is laid off from, its figure and tolerance. Another datum leaves the end the same. */
export function LengthsEditor({
  document,
  sheet,
  cases,
  wrong,
  moves,
  onLight,
  onChange,
}: LengthsEditorProps) {
  const rows = lengthRows(document, sheet, cases);
  const madeLengths = useSame(madeOn(sheet));
  return (
    <ul className="divide-y divide-line border-line border-y">
      {rows.map((row, at) => (
        <Row
          key={row.dimension.id}
          {...row}
          at={at}
          sheet={row.derived ? sheet : null}
          produced={madeLengths}
          features={document.features}
          choices={document.choices}
          wrong={wrong.includes(row.dimension.id)}
          many={rows.length > MANY}
          moves={moves}
          onLight={onLight}
          onChange={onChange}
        />
      ))}
    </ul>
  );
}

interface RowProps
  extends EditedLength,
    Pick<LengthsEditorProps, "sheet" | "moves" | "onLight" | "onChange"> {
  readonly at: number;
  readonly produced: readonly Made[];
  readonly features: ProcedureDocument["features"];
  readonly choices: ProcedureDocument["choices"];
  readonly wrong: boolean;
  /** Whether it is one of so many that those out of sight are better not painted, though each then is a piece of its own. */
  readonly many: boolean;
}

const MANY = 24;
const OUT_OF_SIGHT = "[contain-intrinsic-block-size:auto_5rem] [content-visibility:auto]";

const Row = memo(function Row({
  at,
  sheet,
  produced: madeLengths,
  features,
  choices,
  wrong,
  many,
  moves,
  onLight,
  onChange,
  ...row
}: RowProps) {
  const { dimension, datum, to, figure } = row;
  const nameOf = (id: string) => features.find((feature) => feature.id === id)?.name ?? id;
  const datums = datumsOf(row, madeLengths).map((id) => ({ id, name: nameOf(id) }));
  const put = (field: string, next: DocumentDimension) => onChange(at, field, next, false);
  const type = (field: string, next: DocumentDimension) => onChange(at, field, next, true);
  return (
    <li
      className={`isolate -mx-1.5 grid items-start gap-2 px-1.5 py-2 md:grid-cols-[minmax(0,2fr)_minmax(0,2fr)_8rem_6rem_6rem] ${many ? OUT_OF_SIGHT : ""} ${wrong ? "bg-now-wash" : ""}`}
    >
      <TextField
        label={t("to-the", { nameOf: nameOf(to) })}
        value={dimension.name}
        most={200}
        onChange={(name) => put("name", { ...dimension, name })}
      />
      <Select
        title={t("laid-off-from-the")}
        small
        value={datum}
        onPick={(next) => put("datum", switchDatum(dimension, next))}
        options={datums}
      />
      <span className="grid gap-0.5">
        <span className="text-soft text-sm">{t("mm")}</span>
        <LengthField
          label={t("figure", { name: dimension.name })}
          value={figure}
          moves={moves}
          onFocus={() => onLight(dimension.to)}
          onChange={(next) => next !== null && type("figure", withFigure(row, sheet, next))}
        />
      </span>
      <Tolerances
        dimension={dimension}
        moves={moves}
        onFocus={() => onLight(dimension.to)}
        onChange={(side, next) => type(side, { ...dimension, [side]: next })}
      />
      {dimension.cases?.map((other, n) => (
        <OtherFigureRow
          // biome-ignore lint/suspicious/noArrayIndexKey: cases are told apart by their place
          key={n}
          name={dimension.name}
          words={conditionWords(other.when, { choices }, String)}
          inUse={row.used === n}
          other={other}
          moves={moves}
          onChange={(field, changes) => type(`${n}/${field}`, withOther(dimension, n, changes))}
        />
      ))}
      {datum !== dimension.from && (
        <p className="text-soft text-sm md:col-span-5">
          {t("stated-from-the-its-limits-stay", {
            nameOf: nameOf(dimension.from),
            nominal: dimension.nominal,
          })}
        </p>
      )}
    </li>
  );
});

interface TolerancesProps extends Pick<RowProps, "dimension" | "moves"> {
  readonly onFocus: () => void;
  readonly onChange: (side: "plus" | "minus", value: number | null) => void;
}

/** How far a length may lie above and below its figure. */
const Tolerances = ({ dimension, moves, onFocus, onChange }: TolerancesProps) => (
  <>
    {(["plus", "minus"] as const).map((side) => (
      <span key={side} className="grid gap-0.5">
        <span className="text-soft text-sm">{side === "plus" ? "+" : "−"}</span>
        <LengthField
          label={t("tolerance", { name: dimension.name, value: side === "plus" ? "above" : "below" })}
          value={dimension[side]}
          open
          moves={moves}
          onFocus={onFocus}
          onChange={(next) => onChange(side, next)}
        />
      </span>
    ))}
  </>
);

interface OtherFigureProps {
  readonly name: string;
  readonly words: string;
  readonly inUse: boolean;
  readonly other: OtherFigure;
  readonly moves: number;
  readonly onChange: (field: string, changes: Partial<OtherFigure>) => void;
}

/** Another figure of the same length, for some cables or choices; stated from the length's own datum. */
function OtherFigureRow({ name, words, inUse, other, moves, onChange }: OtherFigureProps) {
  return (
    <div className="grid items-start gap-2 md:col-span-5 md:grid-cols-[minmax(0,4fr)_8rem_6rem_6rem]">
      <p className="self-center text-sm md:text-right">
        {t("instead-for", { words })} {inUse && <strong>{t("as-drawn")}</strong>}
      </p>
      <LengthField
        label={t("figure-for", { name, words })}
        value={other.nominal}
        moves={moves}
        onChange={(nominal) => nominal !== null && onChange("figure", { nominal })}
      />
      {(["plus", "minus"] as const).map((side) => (
        <LengthField
          key={side}
          label={t("tolerance-for", { name, value: side === "plus" ? "above" : "below", words })}
          value={other[side]}
          open
          moves={moves}
          onChange={(value) => onChange(side, { [side]: value })}
        />
      ))}
    </div>
  );
}
