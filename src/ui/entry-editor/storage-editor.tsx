"use client";

import { type EntryDocument, readCount } from "@/core";
import { t } from "@/messages/entry-editor";
import { FigureField } from "../controls/figure-field";
import { TitledLength } from "./titled-length";

type Stored = Pick<EntryDocument, "storage" | "reach" | "radius">;

interface StorageEditorProps extends Stored {
  readonly onChange: (field: string, changed: Partial<Stored>) => void;
}

const MOST_TURNS = 100;

/** Where tubes and fibres lie inside: paths, turns, and what a fibre must reach. */
export function StorageEditor({ storage, reach, radius, onChange }: StorageEditorProps) {
  const put = (field: string, changed: Partial<Stored["storage"]>) =>
    onChange(`storage/${field}`, { storage: { ...storage, ...changed } });
  const [first, other] = storage.paths;
  const length = (title: string, value: number, take: (value: number) => void) => (
    <TitledLength title={title} value={value} onTake={take} />
  );
  const turns = (title: string, end: "min" | "max") => (
    <FigureField
      title={title}
      value={storage.turns[end]}
      text={String}
      read={(text) => readCount(text, MOST_TURNS)}
      asks={t("a-whole-number-at-most", { most_turns: MOST_TURNS })}
      onTake={(value) => {
        put(end, { turns: { ...storage.turns, [end]: value } });
        return true;
      }}
    />
  );
  return (
    <div className="grid grid-cols-2 items-end gap-3 sm:grid-cols-4">
      {length(t("path-from-one-edge"), first, (next) => put("one", { paths: [next, other] }))}
      {length(t("path-from-the-other"), other, (next) => put("other", { paths: [first, next] }))}
      {length(t("once-round"), storage.perimeter, (perimeter) => put("perimeter", { perimeter }))}
      {length(t("least-radius-at-rest"), radius, (next) => onChange("radius", { radius: next }))}
      {turns(t("fewest-turns"), "min")}
      {turns(t("most-turns"), "max")}
      {length(t("to-the-splicer-and-back"), reach, (next) => onChange("reach", { reach: next }))}
    </div>
  );
}
