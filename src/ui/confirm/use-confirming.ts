"use client";

import { type FormEvent, useMemo, useState } from "react";
import { figuresToConfirm, mustHoldAt, resolved } from "@/core";
import { t } from "@/messages/confirm";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";
import type { ConfirmProps } from "./confirm-props";
import { type Row, readRow, rowOf } from "./read-figure";

/** Figures being confirmed: what is typed for each, and saving them as a revision of the user's own. */
export function useConfirming({ procedure, cable, core, choices, place, onKept }: ConfirmProps) {
  const { who, come } = usePeople();
  const [name, setName] = useState(who?.name ?? "");
  const [sheet, setSheet] = useState("");
  const [unnumbered, setUnnumbered] = useState(false);
  const figures = useMemo(
    () => figuresToConfirm(resolved(procedure, cable, { core, choices })),
    [procedure, cable, core, choices],
  );
  const [rows, setRows] = useState<readonly Row[]>(() => figures.map(rowOf));
  const [why, setWhy] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [tried, setTried] = useState(false);
  const reads = rows.map((row, i) => readRow(mustHoldAt(figures, i), row));
  const wrong = reads.filter(({ kind }) => kind !== "ok").length;
  const change = (i: number, changes: Partial<Row>) =>
    setRows((before) => before.map((row, n) => (n === i ? { ...row, ...changes } : row)));

  const keep = async (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (wrong > 0) return;
    if (name.trim() === "") {
      setProblem(t("say-who-confirms-the-figures"));
      return;
    }
    if (sheet.trim() === "" && !unnumbered) {
      setProblem(t("type-the-number-of-the-part"));
      return;
    }
    const person = await come(name.trim());
    const notes = reads.flatMap((read) => (read.kind === "ok" && read.note ? [read.note] : []));
    const answer = await call("post /shelf/{kind}/{id}/figures", {
      params: { kind: "procedures", id: procedure.id },
      body: {
        basis: procedure.revision,
        cable: cable.id,
        place,
        core,
        choices,
        by: person.ok ? (person.value?.id ?? null) : null,
        name: name.trim(),
        sheet: unnumbered ? null : sheet.trim(),
        why: [why.trim(), ...notes].filter(Boolean).join(" ").slice(0, 300),
        figures: reads.flatMap((read, i) =>
          read.kind === "ok" ? confirmedFigure(figures[i]?.key ?? "", read) : [],
        ),
      },
    });
    if (answer.ok) onKept(answer.value.revision);
    else setProblem(answer.problem.message);
  };
  return {
    figures,
    rows,
    reads,
    tried,
    wrong,
    problem,
    change,
    keep,
    name,
    setName,
    sheet,
    setSheet,
    unnumbered,
    setUnnumbered,
    why,
    setWhy,
  };
}

/** A figure as it is sent: its value and limits, and the text it was read from. */
const confirmedFigure = (
  key: string,
  { value, plus, minus, most, printed }: Extract<ReturnType<typeof readRow>, { kind: "ok" }>,
) => ({ key, value, plus, minus, most, printed });
