"use client";

import { useState } from "react";
import {
  assembled,
  asWritten,
  type Cable,
  type DraftBasis,
  type DraftKit,
  draftFromLengths,
  liftedProcedure,
  type ProcedureDocument,
  problemOf,
  type Tool,
  zProcedure,
  zProcedureText,
} from "@/core";
import { t } from "@/messages/shelf";
import { Button } from "../controls/button";
import { Input } from "../controls/input";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import { Editor } from "../editor/editor";
import { forgetDraft } from "../editor/use-draft";
import { getDocument } from "../http/http";
import { lengthsFromText } from "./lengths-csv";
import { appliesTo, free, idOf } from "./new-document";

interface Draft {
  readonly document: ProcedureDocument;
  /** The revision it replaces; null for one that is new. */
  readonly basis: number | null;
  readonly from?: string;
}

interface NewSheetProps {
  readonly cables: readonly Cable[];
  readonly tools: readonly Tool[];
  readonly taken: readonly string[];
  readonly kit: DraftKit;
}

const EXAMPLE = t("name-datum-value-unit-plus-minus");

const MOST_FILE = 400_000;

/** A sheet of one's own: a list of lengths pasted or dropped becomes a draft; a document from elsewhere is taken in. */
export function NewSheet({ cables, tools, taken, kit }: NewSheetProps) {
  const [name, setName] = useState("");
  const [cableId, setCableId] = useState(cables[0]?.id ?? "");
  const [text, setText] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [draft, setDraft] = useState<Draft | null>(null);
  /** A document that is on the shelf already: to be replaced by what was opened, or that kept beside it. */
  const [twin, setTwin] = useState<{ document: ProcedureDocument; revision: number } | null>(null);
  const [over, setOver] = useState(false);
  if (draft)
    return (
      <Editor
        initial={draft.document}
        basis={draft.basis}
        {...(draft.from ? { from: draft.from } : {})}
        cables={cables}
        tools={tools}
        kit={kit}
      />
    );

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
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <Link href="/shelf" className="inline-flex min-h-12 items-center text-soft underline">
        {t("shelf")}
      </Link>
      <h1 className="font-bold text-2xl">{t("a-sheet-of-your-own")}</h1>
      <p className="max-w-prose text-lg">{t("type-or-paste-the-lengths-off")}</p>
      {twin && (
        <section
          aria-labelledby="twin"
          className="mt-4 grid max-w-3xl gap-3 rounded-lg border-2 border-ink bg-raised p-4"
        >
          <h2 id="twin" className="font-bold text-lg">
            {t("is-on-the-shelf-already-at", { name: twin.document.name, revision: twin.revision })}
          </h2>
          <div className="flex flex-wrap gap-2">
            <Button look="next" size="large" onClick={() => replace(twin)}>
              {t("replace-it-look-it-over-as", { value: twin.revision + 1 })}
            </Button>
            <Button size="large" onClick={() => asNew(twin.document)}>
              {t("take-it-in-beside-it")}
            </Button>
            <Button look="link" onClick={() => setTwin(null)} className="min-h-14 px-4">
              {t("leave-it")}
            </Button>
          </div>
          <p className="text-soft text-sm">{t("nothing-is-written-over-earlier-revisions")}</p>
        </section>
      )}
      <form
        className="mt-4 grid max-w-3xl gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          make(text);
        }}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          takeFile(event.dataTransfer.files[0]);
        }}
      >
        <label className="grid gap-1">
          <span className="font-semibold">{t("what-is-it-called")}</span>
          <Input
            value={name}
            maxLength={200}
            placeholder={t("hut-stub-3-mm-cord")}
            onChange={(event) => setName(event.target.value)}
            strong
          />
        </label>
        <Select title={t("which-cable-is-it-for")} value={cableId} onPick={setCableId} options={cables} />
        <label className="grid gap-1">
          <span className="font-semibold">{t("its-lengths-name-datum-value-unit")}</span>
          <textarea
            value={text}
            rows={8}
            spellCheck={false}
            placeholder={EXAMPLE}
            onChange={(event) => {
              setText(event.target.value);
              setProblem(null);
            }}
            className={`figures rounded-lg border-2 bg-field px-4 py-2 placeholder:text-soft ${over ? "border-now bg-now-wash" : "border-ink"}`}
          />
          <span className="text-soft text-sm">{t("the-datum-is-the-end-or")}</span>
        </label>
        <p role="alert" className="whitespace-pre-line font-semibold text-out empty:hidden">
          {problem ?? ""}
        </p>
        <div className="flex flex-wrap gap-2">
          <Button look="next" size="large" type="submit" className="flex-1">
            {t("draft-it")}
          </Button>
          <Button size="large" onClick={beginEmpty}>
            {t("add-lengths-one-by-one")}
          </Button>
          <label className="flex min-h-14 cursor-pointer items-center rounded-lg border-2 border-ink px-5 font-semibold focus-within:outline-3 focus-within:outline-now">
            {t("open-a-file")}
            <input
              type="file"
              accept=".csv,.txt,.tsv,.json"
              className="sr-only"
              onChange={(event) => takeFile(event.target.files?.[0])}
            />
          </label>
        </div>
      </form>
    </main>
  );
}
