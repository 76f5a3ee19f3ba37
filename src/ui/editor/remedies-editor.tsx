"use client";

import { type ProcedureDocument, REMEDY_ACTS } from "@/core";
import { t } from "@/messages/editor";
import { Button } from "../controls/button";
import { Select } from "../controls/select";
import { optionsOf, REMEDY_NAMES } from "./bench-words";
import { TextField } from "./field";
import { RowButtons } from "./row-buttons";

type Dimension = ProcedureDocument["dimensions"][number];
type Written = NonNullable<Dimension["ifLong"]>;
type Remedy = Exclude<Written, string>[number];
type Act = Extract<Remedy, { act: unknown }>;
type Side = "ifLong" | "ifShort";

interface RemediesEditorProps {
  readonly document: Pick<ProcedureDocument, "dimensions" | "features">;
  /** Ids of the lengths whose remedies move the wrong way. */
  readonly wrong: readonly string[];
  readonly onChange: (field: string, dimensions: Dimension[]) => void;
}

const ACTS = optionsOf(REMEDY_ACTS, REMEDY_NAMES);

/** What is done about each length that is out, as acts: which way each moves the reading is then known. */
export function RemediesEditor({ document: { dimensions, features }, wrong, onChange }: RemediesEditorProps) {
  const put = (at: number, side: Side, remedies: Remedy[]) =>
    onChange(
      `${dimensions[at]?.id}/${side}`,
      dimensions.map((dimension, n) => (n === at ? { ...dimension, [side]: remedies } : dimension)),
    );
  return (
    <ul className="divide-y divide-line border-line border-y">
      {dimensions.map((dimension, at) => (
        <li
          key={dimension.id}
          className={`grid gap-2 py-3 ${wrong.includes(dimension.id) ? "bg-now-wash" : ""}`}
        >
          <h3 className="font-semibold">{dimension.name}</h3>
          {(["ifLong", "ifShort"] as const).map((side) => (
            <Remedies
              key={side}
              title={side === "ifLong" ? t("too-long") : t("too-short")}
              remedies={written(dimension[side])}
              ends={[dimension.from, dimension.to].map((id) => ({
                id,
                name: features.find((feature) => feature.id === id)?.name ?? id,
              }))}
              onChange={(remedies) => put(at, side, remedies)}
            />
          ))}
        </li>
      ))}
    </ul>
  );
}

interface RemediesProps {
  readonly title: string;
  readonly remedies: readonly Remedy[];
  /** The length's two ends. */
  readonly ends: readonly { readonly id: string; readonly name: string }[];
  readonly onChange: (remedies: Remedy[]) => void;
}

function Remedies({ title, remedies, ends, onChange }: RemediesProps) {
  const put = (at: number, next: Remedy) => onChange(remedies.map((remedy, n) => (n === at ? next : remedy)));
  const to = ends.at(-1)?.id;
  return (
    <fieldset className="grid gap-2">
      <legend className="text-soft text-sm">{title}</legend>
      {remedies.map((remedy, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: remedies are told apart by their place
        <div key={at} className="grid items-end gap-2 md:grid-cols-[14rem_14rem_1fr_1fr_auto]">
          <Select
            title={t("what-to-do")}
            small
            value={"act" in remedy ? remedy.act : ""}
            {...("act" in remedy ? {} : { empty: t("in-words-only") })}
            options={ACTS}
            onPick={(picked) => {
              const act = REMEDY_ACTS.find((remedyAct) => remedyAct === picked);
              if (act) put(at, "act" in remedy ? { ...remedy, act } : asAct(remedy.words, act, to));
            }}
          />
          {"act" in remedy ? (
            <>
              <Select
                title={t("what-that-moves")}
                small
                value={remedy.feature ?? ""}
                empty={t("nothing")}
                options={ends}
                onPick={(feature) => put(at, { ...remedy, feature: feature || undefined })}
              />
              <TextField
                label={t("what-is-taken-in-hand")}
                value={remedy.what ?? ""}
                most={200}
                onChange={(consumable) => put(at, { ...remedy, what: consumable || undefined })}
              />
              <TextField
                label={t("why")}
                value={remedy.why ?? ""}
                most={200}
                onChange={(why) => put(at, { ...remedy, why: why || undefined })}
              />
            </>
          ) : (
            <TextField
              label={t("in-words")}
              value={remedy.words}
              className="md:col-span-3"
              onChange={(words) => put(at, { words })}
            />
          )}
          <RowButtons
            name={t("remedy", { title, value: at + 1 })}
            list={remedies}
            at={at}
            onChange={(next) => onChange(next)}
          />
        </div>
      ))}
      {remedies.length < MOST && (
        <p>
          <Button look="quiet" onClick={() => onChange([...remedies, { act: "restart" }])}>
            {t("add-what-to-do")}
          </Button>
        </p>
      )}
    </fieldset>
  );
}

const MOST = 6;

/** The words of before become the reason, where they are short enough for one. */
const asAct = (words: string, act: Act["act"], feature: string | undefined): Act => ({
  act,
  feature,
  ...(words.length <= LONGEST_WHY && { why: words }),
});
const LONGEST_WHY = 200;

/** Remedies as a list, however they are written. */
const written = (remedies: Written | undefined): readonly Remedy[] =>
  typeof remedies === "string" ? (remedies === "" ? [] : [{ words: remedies }]) : (remedies ?? []);
