"use client";

import { type FormEvent, useState } from "react";
import { t } from "@/messages/shift";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Select } from "../controls/select";
import { call } from "../http/http";
import { usePrefs } from "../prefs/prefs-context";
import { LocalTime } from "../words/local-time";

interface LotsProps {
  readonly lots: readonly { readonly style: string; readonly lot: string; readonly at: string }[];
  readonly styles: readonly { readonly id: string; readonly name: string }[];
  readonly onOpened: () => void;
}

/** Lots of parts in use: what was opened last of each connector, so that a bad lot can be found by its ends. */
export function Lots({ lots, styles, onOpened }: LotsProps) {
  const { prefs } = usePrefs();
  const [style, setStyle] = useState("");
  const [lot, setLot] = useState("");
  const [problem, setProblem] = useState("");
  const open = async (event: FormEvent) => {
    event.preventDefault();
    if (style === "" || lot.trim() === "") return setProblem(t("lot-entered"));
    const answer = await call("post /lots", { body: { style, lot: lot.trim(), by: prefs.person } });
    if (!answer.ok) return setProblem(answer.problem.message);
    setLot("");
    setProblem("");
    onOpened();
  };
  return (
    <section aria-label={t("lots")} className="mt-8 border-line border-t pt-3">
      <h2 className="font-bold text-lg">{t("lots")}</h2>
      <p className="text-soft">{t("lots-about")}</p>
      <ul className="mt-1">
        {lots.map(({ style: id, lot: number, at }) => (
          <li key={id} className="flex flex-wrap gap-x-3 py-1">
            <strong className="figures">{number}</strong>
            <span>{styles.find((each) => each.id === id)?.name ?? id}</span>
            <span className="text-soft">
              <LocalTime iso={at} />
            </span>
          </li>
        ))}
      </ul>
      <form onSubmit={open} className="mt-2 flex flex-wrap items-end gap-3">
        <Select
          title={t("connector")}
          value={style}
          empty={t("choose")}
          options={styles}
          onPick={setStyle}
          className="w-72 max-w-full"
        />
        <Field
          title={t("lot-number")}
          value={lot}
          maxLength={40}
          problem={problem}
          onChange={({ target }) => setLot(target.value)}
          className="w-44"
        />
        <Button type="submit">{t("lot-opened")}</Button>
      </form>
    </section>
  );
}
