"use client";

import { useRouter } from "next/navigation";
import { type ReactNode, useCallback, useMemo, useState } from "react";
import { toast } from "sonner";
import {
  asWritten,
  attempt,
  type Cable,
  type Entry,
  type EntryDocument,
  type EntrySheet,
  entryProcedure,
  type Tool,
  zEntry,
} from "@/core";
import { t } from "@/messages/entry-editor";
import { Button } from "../controls/button";
import { EditorHead } from "../editor/editor-head";
import { TextField } from "../editor/field";
import { BELOW_THE_HEAD, ReviewResults } from "../editor/found";
import { JsonText } from "../editor/json-text";
import { PartsEditor } from "../editor/parts-editor";
import { useDraft } from "../editor/use-draft";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";
import { EntryDrawing, sheetFrom } from "./entry-drawing";
import { EntryLengths } from "./entry-lengths";
import { FaceEditor } from "./face-editor";
import { FastenersEditor } from "./fasteners-editor";
import { PortsEditor } from "./ports-editor";
import { entryContradictions, readEntry, takeUpEntry } from "./read-entry";
import { StorageEditor } from "./storage-editor";
import { TraysEditor } from "./trays-editor";

interface EntryEditorProps {
  readonly initial: EntryDocument;
  /** The revision it is made from; null for one that is new on the shelf. */
  readonly basis: number | null;
  readonly cables: readonly Cable[];
  readonly tools: readonly Tool[];
  /** How every entry is prepared, in order and in words: of what ends in it, of what goes through. */
  readonly sheets: { readonly ending: EntrySheet; readonly going: EntrySheet };
}

/** Edits an entry: its ports, lengths, fasteners and storage, drawn while it is typed. */
export function EntryEditor({ initial, basis, cables, tools, sheets }: EntryEditorProps) {
  const router = useRouter();
  const { who } = usePeople();
  const edited = useDraft(`entry-${initial.id}@${basis ?? "new"}`, initial, takeUpEntry);
  const { draft, change } = edited;
  const [refused, setRefused] = useState<string | null>(null);
  const { entry, problem } = readEntry(draft);
  const [last, setLast] = useState<Entry | null>(entry);
  if (entry && JSON.stringify(entry) !== JSON.stringify(last)) setLast(entry);
  const sheetOf = useCallback(
    (entry: Entry, cable: Cable) => sheetFrom(entryProcedure(entry, sheets.ending), cable, tools),
    [sheets, tools],
  );
  const contradictions = useMemo(
    () => (last ? attempt(() => entryContradictions(last, sheets, { cables, tools })).value : null) ?? NONE,
    [last, sheets, cables, tools],
  );
  const taken = useMemo(
    () => cables.filter(({ construction }) => draft.takes.some((take) => take === construction)),
    [cables, draft.takes],
  );
  const put = (field: string, changed: Partial<EntryDocument>) => {
    setRefused(null);
    change(field, (now) => ({ ...now, ...changed }));
  };
  const save = async () => {
    const answer = await call("post /shelf/{kind}", {
      params: { kind: "entries" },
      body: {
        document: draft,
        basis,
        by: who?.id ?? null,
      },
    });
    if (!answer.ok) return setRefused(answer.problem.message);
    edited.forget();
    toast(t("kept-as-revision", { revision: answer.value.revision }));
    router.push(`/shelf/entries/${answer.value.id}`);
    router.refresh();
  };
  return (
    <main className="min-w-0 flex-1 pb-8">
      <div className="z-10 bg-ground pb-1 lg:sticky lg:top-0">
        <div className="px-4 sm:px-6">
          <EditorHead
            name={draft.name}
            basis={basis}
            edited={edited}
            onSave={save}
            stopped={!entry || contradictions.length > 0}
          />
        </div>
        {last && <EntryDrawing entry={last} faded={entry === null} cables={cables} sheetOf={sheetOf} />}
        <ReviewResults contradictions={contradictions} bad={problem} problem={refused} />
      </div>
      <div className={`grid max-w-5xl gap-6 px-4 py-4 sm:px-6 ${BELOW_THE_HEAD}`}>
        <About draft={draft} isNew={basis === null} put={put} />
        <EntryParts draft={draft} cables={taken} sheets={sheets} moves={edited.moves} put={put} />
        <EntryText draft={draft} onTake={(next) => change("text", () => next)} />
      </div>
    </main>
  );
}

interface EntryPartsProps extends Pick<EntryEditorProps, "sheets"> {
  readonly draft: EntryDocument;
  /** The cables it takes. */
  readonly cables: readonly Cable[];
  readonly moves: number;
  readonly put: (field: string, changed: Partial<EntryDocument>) => void;
}

/** Everything an entry holds, a section each. */
function EntryParts({ draft, cables, sheets, moves, put }: EntryPartsProps) {
  return (
    <>
      <Part id="ports" title={t("ports")}>
        <FaceEditor face={draft.face} onChange={(field, face) => put(`face/${field}`, { face })} />
        <PortsEditor ports={draft.ports} onChange={(field, ports) => put(`ports/${field}`, { ports })} />
      </Part>
      <Part id="lengths" title={t("lengths")}>
        <EntryLengths
          lengths={draft.lengths}
          cables={cables}
          onChange={(field, lengths) => put(`lengths/${field}`, { lengths })}
        />
      </Part>
      <Part id="parts" title={t("threaded-on-first-of-a-cable")}>
        <PartsEditor
          parts={draft.parts}
          steps={sheets.ending.steps}
          moves={moves}
          bushings
          onChange={(field, parts) => put(`parts/${field}`, { parts })}
        />
      </Part>
      {draft.through && (
        <Part id="through" title={t("laid-round-of-a-cable-that")}>
          <PartsEditor
            parts={draft.through}
            steps={sheets.going.steps}
            moves={moves}
            bushings
            onChange={(field, through) => put(`through/${field}`, { through })}
          />
        </Part>
      )}
      <Part id="fasteners" title={t("tightened-in-this-order")}>
        <FastenersEditor
          fasteners={draft.fasteners}
          parts={[...draft.parts, ...(draft.through ?? [])].filter(
            ({ id }, i, all) => all.findIndex((part) => part.id === id) === i,
          )}
          onChange={(field, fasteners) => put(`fasteners/${field}`, { fasteners })}
        />
      </Part>
      <Part id="storage" title={t("stored-inside")}>
        <StorageEditor storage={draft.storage} reach={draft.reach} radius={draft.radius} onChange={put} />
      </Part>
      <Part id="trays" title={t("splice-trays")}>
        <TraysEditor trays={draft.trays} onChange={put} />
      </Part>
    </>
  );
}

/** The entry as text, to be replaced as a whole. */
const EntryText = ({ draft, onTake }: { draft: EntryDocument; onTake: (next: EntryDocument) => void }) => (
  <details>
    <summary className="min-h-12 cursor-pointer py-3 font-semibold">{t("as-text")}</summary>
    <JsonText
      value={draft}
      kind="entries"
      onTake={(next) => {
        const { value, problem: wrong } = attempt(() => asWritten(zEntry, next));
        if (value) onTake(value);
        return wrong?.message ?? null;
      }}
    />
  </details>
);

const NONE: ReturnType<typeof entryContradictions> = [];

const Part = ({ id, title, children }: { id: string; title: string; children: ReactNode }) => (
  <section aria-labelledby={id}>
    <h2 id={id} className="mb-2 font-bold text-lg">
      {title}
    </h2>
    {children}
  </section>
);

interface AboutProps {
  readonly draft: EntryDocument;
  readonly isNew: boolean;
  readonly put: (field: string, changed: Partial<EntryDocument>) => void;
}

/** What it is called, and whose its figures are. */
function About({ draft, isNew, put }: AboutProps) {
  const { source } = draft;
  const own = source.kind === "own";
  return (
    <div className="grid items-end gap-3 sm:grid-cols-2">
      <TextField label={t("name")} value={draft.name} most={200} onChange={(name) => put("name", { name })} />
      {isNew && (
        <TextField
          label={t("id-as-it-is-filed-under")}
          value={draft.id}
          most={80}
          onChange={(id) => put("id", { id })}
        />
      )}
      <TextField
        label={t("what-tells-it-apart")}
        value={draft.about}
        most={500}
        className="sm:col-span-2"
        onChange={(about) => put("about", { about })}
      />
      <Button
        size="small"
        aria-pressed={own}
        look={own ? "strong" : "plain"}
        onClick={() => put("source", { source: { ...source, kind: own ? "representative" : "own" } })}
      >
        {own ? t("held-against-the-part-s-own") : t("not-held-against-the-part-s")}
      </Button>
      <TextField
        label={t("which-sheet-by-what")}
        value={source.note}
        most={500}
        onChange={(note) => put("note", { source: { ...source, note } })}
      />
    </div>
  );
}
