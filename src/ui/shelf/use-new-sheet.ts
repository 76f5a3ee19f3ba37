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
    const read = await readSheetFile(file, taken);
    setProblem(read.kind === "refused" ? read.message : null);
    if (read.kind === "text") setText(read.text);
    if (read.kind === "twin") setTwin(read);
    if (read.kind === "new") asNew(read.document);
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

type SheetFile =
  | { readonly kind: "refused"; readonly message: string }
  /** A list of lengths. */
  | { readonly kind: "text"; readonly text: string }
  | { readonly kind: "new"; readonly document: ProcedureDocument }
  /** The shelf has a procedure of that id already, at that revision. */
  | { readonly kind: "twin"; readonly document: ProcedureDocument; readonly revision: number };

/** Reads a file: a procedure as JSON, or a list of lengths as text. */
async function readSheetFile(file: File, taken: readonly string[]): Promise<SheetFile> {
  if (file.size > MOST_FILE)
    return { kind: "refused", message: t("a-file-has-at-most-kb", { value: MOST_FILE / 1000 }) };
  const text = await file.text();
  if (!text.trim().startsWith("{")) return { kind: "text", text };
  try {
    const document = asWritten(zProcedure, liftedProcedure(JSON.parse(text)));
    if (!taken.includes(document.id)) return { kind: "new", document };
    const shelved = await getDocument(zProcedureText, { kind: "procedures", id: document.id });
    if (!shelved.ok) return { kind: "refused", message: shelved.problem.message };
    return { kind: "twin", document, revision: shelved.value.revision };
  } catch (error) {
    return { kind: "refused", message: problemOf(error)?.message ?? t("the-file-is-not-json") };
  }
}
