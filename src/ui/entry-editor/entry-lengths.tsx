"use client";

import { useState } from "react";
import { type Cable, ENTRY_LENGTHS, type EntryDocument, type EntryLength } from "@/core";
import { t } from "@/messages/entry-editor";
import { Button } from "../controls/button";
import { LengthField } from "../editor/field";
import { ENTRY_LENGTH_WORDS } from "../words/entry-words";
import { withListed } from "./lengths-list";
import { OtherFigures } from "./other-figures";

type Lengths = EntryDocument["lengths"];

interface EntryLengthsProps {
  readonly lengths: Lengths;
  /** Cables the entry takes. */
  readonly cables: readonly Cable[];
  readonly onChange: (field: string, lengths: Lengths) => void;
}

/** Every length an entry may state: its figure and tolerance, or that it states none. */
export function EntryLengths({ lengths, cables, onChange }: EntryLengthsProps) {
  return (
    <>
      <ul className="divide-y divide-line border-line border-y">
        {ENTRY_LENGTHS.map((id) => (
          <LengthLine key={id} id={id} lengths={lengths} cables={cables} onChange={onChange} />
        ))}
      </ul>
      <FromList lengths={lengths} onChange={onChange} />
    </>
  );
}

function LengthLine({ id, lengths, cables, onChange }: EntryLengthsProps & { readonly id: EntryLength }) {
  const { name, from } = ENTRY_LENGTH_WORDS[id];
  const figure = lengths[id];
  const put = (field: string, changed: object) =>
    figure && onChange(`${id}/${field}`, { ...lengths, [id]: { ...figure, ...changed } });
  return (
    <li className="grid items-end gap-2 py-2 sm:grid-cols-[minmax(0,1fr)_7rem_6rem_6rem_8rem]">
      <span className="self-center">
        <span className="block font-semibold">{name}</span>
        <span className="block text-soft text-sm">{t("from-the", { from })}</span>
      </span>
      {figure ? (
        <>
          <LengthField
            label={t("figure-mm-2", { name })}
            value={figure.nominal}
            onChange={(nominal) => nominal !== null && put("nominal", { nominal })}
          />
          {(["plus", "minus"] as const).map((side) => (
            <LengthField
              key={side}
              label={t("tolerance-mm-2", { name, value: side === "plus" ? "above" : "below" })}
              value={figure[side]}
              open
              onChange={(value) => put(side, { [side]: value })}
            />
          ))}
          <Button
            size="small"
            look="quiet"
            onClick={() => {
              const { [id]: _, ...rest } = lengths;
              onChange(`${id}/none`, rest);
            }}
          >
            {t("state-none")}
          </Button>
          <OtherFigures
            name={name}
            figure={figure}
            cables={cables}
            onChange={(field, cases) => put(`cases/${field}`, { cases })}
          />
        </>
      ) : (
        <Button
          size="small"
          className="sm:col-start-5"
          onClick={() =>
            onChange(`${id}/stated`, { ...lengths, [id]: { nominal: 50, plus: 5, minus: 5, cases: [] } })
          }
        >
          {t("state-it")}
        </Button>
      )}
    </li>
  );
}

/** Lengths pasted as a list, in place of those stated. */
function FromList({ lengths, onChange }: Omit<EntryLengthsProps, "cables">) {
  const [text, setText] = useState("");
  const [message, setSays] = useState<{ readonly good: boolean; readonly words: string } | null>(null);
  const take = () => {
    const listed = withListed(lengths, text);
    if (!listed.ok) return setSays({ good: false, words: listed.problem.message });
    const { taken } = listed.value;
    setSays({
      good: true,
      words: taken === 1 ? t("one-length-is-taken") : t("lengths-are-taken", { taken }),
    });
    onChange("list", listed.value.lengths);
  };
  return (
    <details className="mt-2">
      <summary className="min-h-12 cursor-pointer py-3 font-semibold">{t("from-a-list-of-lengths")}</summary>
      <label className="grid gap-1">
        <span className="text-soft text-sm">{t("one-row-a-length-name-from")}</span>
        <textarea
          rows={4}
          value={text}
          maxLength={20_000}
          placeholder={t("members-beyond-the-sheath-sheath-edge")}
          onChange={({ target }) => setText(target.value)}
          className="figures w-full rounded-md border border-line bg-field px-3 py-2 placeholder:text-soft"
        />
      </label>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Button size="small" onClick={take}>
          {t("take-them")}
        </Button>
        <p role="status" className={message?.good === false ? "text-out" : "text-soft"}>
          {message?.words}
        </p>
      </div>
    </details>
  );
}
