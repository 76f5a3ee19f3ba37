"use client";

import type { Cable, EntryDocument, EntryLength } from "@/core";
import { t } from "@/messages/entry-editor";
import { Button } from "../controls/button";
import { Select } from "../controls/select";
import { LengthField } from "../editor/field";
import { type Case, caseWords, conditionsOn, newCase } from "./other-figures-list";

interface OtherFiguresProps {
  readonly name: string;
  readonly figure: NonNullable<EntryDocument["lengths"][EntryLength]>;
  /** Cables the entry takes: what a figure can go by. */
  readonly cables: readonly Cable[];
  readonly onChange: (field: string, cases: Case[]) => void;
}

/** Other figures of a length for some cables: the first that a cable meets counts. Drawn in, changed, taken out, added. */
export function OtherFigures({ name, figure, cables, onChange }: OtherFiguresProps) {
  const cases = figure.cases ?? [];
  const put = (at: number, field: string, changed: Partial<Case>) =>
    onChange(
      `${at}/${field}`,
      cases.map((statedCase, i) => (i === at ? { ...statedCase, ...changed } : statedCase)),
    );
  const options = conditionsOn(cables);
  return (
    <div className={`grid gap-2 sm:col-span-5 ${cases.length > 0 ? "border-line border-l-4 pl-3" : ""}`}>
      {cases.map((statedCase, at) => {
        const { layer } = statedCase.when;
        const words = caseWords(statedCase);
        return (
          <div
            // biome-ignore lint/suspicious/noArrayIndexKey: cases are told apart by their place
            key={at}
            className="grid items-end gap-2 max-lg:grid-cols-2 lg:grid-cols-[minmax(0,1fr)_6rem_6rem_7rem_6rem_6rem_auto]"
          >
            <p className="self-center text-sm max-lg:col-span-2">{t("instead", { words })}</p>
            {layer ? (
              <DiameterRange
                layer={layer}
                label={(end) =>
                  t("mm", { name, words, kind: layer.kind, value: end === "min" ? "from" : "to" })
                }
                onChange={(end, diameter) =>
                  put(at, end, { when: { ...statedCase.when, layer: { ...layer, diameter } } })
                }
              />
            ) : (
              <span className="max-lg:hidden lg:col-span-2" />
            )}
            <LengthField
              label={t("figure-mm", { name, words })}
              value={statedCase.nominal}
              onChange={(nominal) => nominal !== null && put(at, "nominal", { nominal })}
            />
            {(["plus", "minus"] as const).map((side) => (
              <LengthField
                key={side}
                label={t("tolerance-mm", { name, words, value: side === "plus" ? "above" : "below" })}
                value={statedCase[side]}
                open
                onChange={(value) => put(at, side, { [side]: value })}
              />
            ))}
            <Button
              size="small"
              look="quiet"
              aria-label={t("take-out", { name, words })}
              onClick={() =>
                onChange(
                  `${at}/out`,
                  cases.filter((_, i) => i !== at),
                )
              }
            >
              {t("take-out-2")}
            </Button>
          </div>
        );
      })}
      <AddFigure
        name={name}
        options={options}
        onPick={(when) => onChange(`${cases.length}/added`, [...cases, newCase(figure, when)])}
      />
    </div>
  );
}

type CaseLayer = NonNullable<Case["when"]["layer"]>;

interface DiameterRangeProps {
  readonly layer: CaseLayer;
  readonly label: (end: "min" | "max") => string;
  readonly onChange: (end: "min" | "max", diameter: CaseLayer["diameter"]) => void;
}

/** The diameters of a layer for which a figure holds. */
const DiameterRange = ({ layer, label, onChange }: DiameterRangeProps) =>
  (["min", "max"] as const).map((end) => (
    <span key={end} className="grid gap-0.5">
      <span className="text-soft text-sm">{end === "min" ? t("from-mm") : t("to-mm-2")}</span>
      <LengthField
        label={label(end)}
        value={layer.diameter[end]}
        onChange={(value) => value !== null && onChange(end, { ...layer.diameter, [end]: value })}
      />
    </span>
  ));

interface AddFigureProps {
  readonly name: string;
  readonly options: ReturnType<typeof conditionsOn>;
  readonly onPick: (when: Case["when"]) => void;
}

/** Adds a figure that holds for some cables. */
function AddFigure({ name, options, onPick }: AddFigureProps) {
  return (
    <details>
      <summary className="cursor-pointer py-1 text-soft text-sm">
        {t("another-figure-for-some-cables")}
      </summary>
      <Select
        title={t("for-cables", { name })}
        small
        value=""
        empty={t("for-some-cables")}
        options={options}
        onPick={(picked) => {
          const option = options.find(({ id }) => id === picked);
          if (option) onPick(option.when);
        }}
        className="max-w-80"
      />
    </details>
  );
}
