"use client";

import { type EntryDocument, readCount } from "@/core";
import { t } from "@/messages/entry-editor";
import { Button } from "../controls/button";
import { FigureField } from "../controls/figure-field";
import { TitledLength } from "./titled-length";

type Trays = NonNullable<EntryDocument["trays"]>;

interface TraysEditorProps {
  readonly trays: EntryDocument["trays"];
  readonly onChange: (field: string, changed: Pick<EntryDocument, "trays">) => void;
}

const MOST_TURNS = 100;
const MOST_TRAYS = 48;

/** Trays to begin with: twelve slots one behind the other, each a little further for one side and nearer for the other. */
const FIRST: Trays = {
  most: 1,
  width: 180,
  height: 112,
  radius: 30,
  turns: { min: 1, max: 4 },
  perimeter: { min: 286, max: 350 },
  fibre: 1_300,
  reach: 1_000,
  perTry: 12,
  slots: Array.from({ length: 12 }, (_, i) => ({
    id: String(i + 1),
    a: [{ name: "with", fixed: 140 + 4 * i }],
    b: [{ name: "with", fixed: 184 - 4 * i }],
  })),
};

/** Where splices lie: how many trays, which loops fit on one, how much fibre there is and what a try takes. */
export function TraysEditor({ trays, onChange }: TraysEditorProps) {
  if (!trays)
    return (
      <p className="flex flex-wrap items-center gap-3">
        {t("no-trays-yet")}
        <Button onClick={() => onChange("trays", { trays: FIRST })}>{t("add-trays")}</Button>
      </p>
    );
  const put = (field: string, changed: Partial<Trays>) =>
    onChange(`trays/${field}`, { trays: { ...trays, ...changed } });
  const length = (title: string, value: number, take: (value: number) => void) => (
    <TitledLength title={title} value={value} onTake={take} />
  );
  const count = (title: string, value: number, most: number, take: (value: number) => void) => (
    <FigureField
      title={title}
      value={value}
      text={String}
      read={(text) => readCount(text, most)}
      asks={t("a-whole-number-at-most", { most_turns: most })}
      onTake={(next) => {
        take(next);
        return true;
      }}
    />
  );
  const { turns, perimeter } = trays;
  return (
    <div className="grid gap-3">
      <div className="grid grid-cols-2 items-end gap-3 sm:grid-cols-4">
        {count(t("most-trays"), trays.most, MOST_TRAYS, (most) => put("most", { most }))}
        {length(t("fibre-to-the-splice"), trays.fibre, (fibre) => put("fibre", { fibre }))}
        {length(t("least-to-the-splicer"), trays.reach, (reach) => put("reach", { reach }))}
        {length(t("a-try-takes"), trays.perTry, (perTry) => put("perTry", { perTry }))}
        {length(t("least-fibre-radius"), trays.radius, (radius) => put("radius", { radius }))}
        {length(t("shortest-loop"), perimeter.min, (min) =>
          put("shortest", { perimeter: { ...perimeter, min } }),
        )}
        {length(t("longest-loop"), perimeter.max, (max) =>
          put("longest", { perimeter: { ...perimeter, max } }),
        )}
        {count(t("fewest-turns"), turns.min, MOST_TURNS, (min) =>
          put("fewest", { turns: { ...turns, min } }),
        )}
        {count(t("most-turns"), turns.max, MOST_TURNS, (max) => put("turns", { turns: { ...turns, max } }))}
      </div>
      <p className="flex flex-wrap items-center gap-3 text-soft text-sm">
        {t("slots-of-a-tray", { count: trays.slots.length })}
        <Button look="quiet" size="small" onClick={() => onChange("trays", { trays: undefined })}>
          {t("take-trays-out")}
        </Button>
      </p>
    </div>
  );
}
