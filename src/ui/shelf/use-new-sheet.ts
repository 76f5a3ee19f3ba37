"use client";

import { useState } from "react";
import {
  assembled,
  asWritten,
  type DraftBasis,
  draftFromLengths,
  liftedProcedure,
  type ProcedureDocument,
  problemOf,
  zProcedure,
  zProcedureText,
} from "@/core";
import { t } from "@/messages/shelf";
import { forgetDraft } from "../editor/use-draft";
import { getDocument } from "../http/http";
import { lengthsFromText } from "./lengths-csv";
import { appliesTo, free, idOf } from "./new-document";
import type { NewSheetProps } from "./new-sheet-props";

interface Draft {
  readonly document: ProcedureDocument;
  /** The revision it replaces; null for one that is new. */
  readonly basis: number | null;
  readonly from?: string;
}

/** The largest file taken, bytes. */
const MOST_FILE = 400_000;

/** A new sheet on its way: what is typed of it, and the draft it becomes. */
export function useNewSheet({ cables, taken, kit }: Omit<NewSheetProps, "tools">) {
  const [name, setName] = useState("");
  const [cableId, setCableId] = useState(cables[0]?.id ?? "");
  const [text, setText] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [draft, setDraft] = useState<Draft | null>(null);
  /** A document that is on the shelf already: to be replaced by what was opened, or that kept beside it. */
  const [twin, setTwin] = useState<{ document: ProcedureDocument; revision: number } | null>(null);
  /** @param from what it was exported as: figures left as they are there stay whose they were. */
  const begin = (document: ProcedureDocument, from?: string) => {
    forgetDraft(`${document.id}@new`);
    setDraft({ document, basis: null, ...(from ? { from } : {}) });
  };
  const asNew = (document: ProcedureDocument) =>
    begin({ ...document, id: free(document.id, taken), revision: 1 }, document.id);
  const replace = ({ document, revision }: { document: ProcedureDocument; revision: number }) => {
    forgetDraft(`${document.id}@${revision}`);
    setDraft({ document, basis: revision });
  };
  /** What a draft is for, as it is said in the fields above; null where something is missing yet. */
  const basisOf = (): DraftBasis | null => {
    const cable = cables.find(({ id }) => id === cableId);
    if (!cable) return null;
    if (name.trim() === "") {
      setProblem(t("name-the-procedure-first-for-example"));
      return null;
    }
    return {
      id: free(idOf(name), taken),
      name: name.trim(),
      date: new Date().toISOString().slice(0, 10),
      appliesTo: appliesTo(cable),
      startsAt: cable.layers[0]?.kind ?? "jacket",
    };
  };
  const make = (from: string) => {
    const basis = basisOf();
    if (!basis) return;
    const rows = lengthsFromText(from);
    const drafted = rows.ok ? draftFromLengths(rows.value, basis, kit) : rows;
    if (drafted.ok) begin(drafted.value);
    else setProblem(drafted.problem.message);
  };
  const beginEmpty = () => {
    const basis = basisOf();
    if (basis) begin(assembled([], basis, kit));
  };
  const takeFile = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > MOST_FILE) {
      setProblem(t("a-file-has-at-most-kb", { value: MOST_FILE / 1000 }));
      return;
    }
    const read = await file.text();
    if (!read.trim().startsWith("{")) {
      setText(read);
      setProblem(null);
      return;
    }
    try {
      const document = asWritten(zProcedure, liftedProcedure(JSON.parse(read)));
      const outcome = taken.includes(document.id)
        ? await getDocument(zProcedureText, { kind: "procedures", id: document.id })
        : null;
      if (outcome && !outcome.ok) setProblem(outcome.problem.message);
      else if (outcome) setTwin({ document, revision: outcome.value.revision });
      else asNew(document);
    } catch (error) {
      setProblem(problemOf(error)?.message ?? t("the-file-is-not-json"));
    }
  };
  const type = (typed: string) => {
    setText(typed);
    setProblem(null);
  };
  const leaveTwin = () => setTwin(null);
  return {
    name,
    setName,
    cableId,
    setCableId,
    text,
    type,
    problem,
    draft,
    twin,
    leaveTwin,
    asNew,
    replace,
    make,
    beginEmpty,
    takeFile,
  };
}
