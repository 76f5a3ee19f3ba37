"use client";

import { useRouter } from "next/navigation";
import { memo, useState } from "react";
import { toast } from "sonner";
import {
  type Cable,
  type DraftKit,
  hasLists,
  liftedProcedure,
  type ProcedureDocument,
  type Review,
  type Tool,
} from "@/core";
import { t } from "@/messages/editor";
import { Band } from "../band/band";
import { Button } from "../controls/button";
import { useSteady } from "../controls/use-steady";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";
import { EditorFields } from "./editor-fields";
import { EditorHead } from "./editor-head";
import { ReviewResults } from "./found";
import { type Draft, useDraft } from "./use-draft";
import { useReview } from "./use-review";

interface EditorProps {
  readonly initial: ProcedureDocument;
  /** The revision it is made from; null for one that is new on the shelf. */
  readonly basis: number | null;
  /** What a new one was copied from. */
  readonly from?: string;
  readonly cables: readonly Cable[];
  readonly tools: readonly Tool[];
  readonly kit: DraftKit;
}

/** Edits a procedure: its end is drawn and its contradictions are named while it is typed. */
export function Editor({ initial, basis, from, cables, tools, kit }: EditorProps) {
  const edited = useDraft(`${initial.id}@${basis ?? "new"}`, initial, takeUp);
  const { draft } = edited;
  const [cableId, setCableId] = useState<string | null>(null);
  const { shown, looked, contradictions, settle } = useReview(edited, { cables, tools }, cableId);
  const [lit, setLit] = useState<string | null>(null);
  const [why, setWhy] = useState("");
  const { save, busy, problem, refusedTyping } = useSave({ edited, basis, from, why });
  const wrong = looked.problem !== null || contradictions.length > 0;
  return (
    <main className="min-w-0 flex-1">
      <div className="z-10 bg-ground pb-1 lg:sticky lg:top-0">
        <div className="isolate px-4 sm:px-6">
          <EditorHead
            name={draft.name}
            basis={basis}
            edited={edited}
            onSave={save}
            stopped={busy || wrong}
            why={why}
            onWhy={setWhy}
          />
        </div>
        {edited.isRestored && (
          <p role="status" className="flex flex-wrap items-center gap-3 bg-note px-4 py-1 sm:px-6">
            {t("what-you-were-writing-was-kept")}
            <Button look="link" onClick={edited.startOver}>
              {t("begin-from-what-is-kept-on")}
            </Button>
          </p>
        )}
        <Drawing drawn={looked} lit={lit ?? placeOf(contradictions)} onPoint={setLit} />
        <ReviewResults
          onLight={setLit}
          contradictions={contradictions}
          bad={looked.problem?.message ?? null}
          advice={looked.advice}
          problem={problem}
        />
      </div>
      <EditorFields
        document={shown}
        looked={looked}
        isNew={basis === null}
        cables={cables}
        tools={tools}
        kit={kit}
        change={edited.change}
        moves={edited.moves}
        onSettle={settle}
        onCable={setCableId}
        onLight={setLit}
        isRefused={useSteady(refusedTyping)}
      />
    </main>
  );
}

/** The end as it stands, on the cable picked; as it last held together, faded, while it does not. */
const Drawing = memo(function Drawing({ drawn: { sheet, fitting, problem }, lit, onPoint }: DrawingProps) {
  const [last, setLast] = useState(sheet);
  if (sheet && sheet !== last) setLast(sheet);
  const why =
    fitting.length > 0 || problem ? t("it-is-drawn-again-once-it") : t("no-cable-on-the-shelf-goes");
  return (
    <div className="relative isolate">
      {last ? (
        <div className={sheet ? "" : "opacity-30"} inert={!sheet}>
          <Band sheet={last} line={last.lines.length} lit={lit ? [lit] : []} onPoint={onPoint} compact />
        </div>
      ) : (
        <div className="h-40 border-line border-y bg-raised" />
      )}
      {!sheet && (
        <p className="absolute inset-x-4 top-1/2 -translate-y-1/2 text-center font-semibold text-lg">
          <span className="rounded-lg bg-raised px-4 py-2">{why}</span>
        </p>
      )}
    </div>
  );
});

interface Save {
  readonly edited: Draft<ProcedureDocument>;
  readonly basis: number | null;
  readonly from: string | undefined;
  readonly why: string;
}

/** Saves the draft as a revision and goes to it; refused while a field holds text that cannot be read. */
function useSave({ edited, basis, from, why }: Save) {
  const router = useRouter();
  const { who } = usePeople();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  /** Whether a field holds text that cannot be read: it is focused and named, never dropped. */
  const refusedTyping = (): boolean => {
    const field = document.querySelector<HTMLInputElement>("[role=tabpanel] [aria-invalid=true]");
    const label = field?.getAttribute("aria-label") ?? t("a-field");
    setProblem(field ? t("could-not-be-read-put-it", { value: label, value2: field.value }) : null);
    field?.focus();
    return field !== null;
  };
  const save = async () => {
    if (refusedTyping()) return;
    setBusy(true);
    const answer = await call("post /shelf/{kind}", {
      params: { kind: "procedures" },
      body: {
        document: edited.draft,
        basis,
        ...(from ? { from } : {}),
        by: who?.id ?? null,
        why: why.trim(),
      },
    });
    setBusy(false);
    if (!answer.ok) {
      setProblem(answer.problem.message);
      return;
    }
    edited.forget();
    toast(t("kept-as-revision", { revision: answer.value.revision }));
    router.push(`/shelf/procedures/${answer.value.id}`);
    router.refresh();
  };
  return { save, busy, problem, refusedTyping };
}

interface DrawingProps {
  readonly drawn: Review;
  readonly lit: string | null;
  readonly onPoint: (feature: string | null) => void;
}

/** Where the first step that cannot be done is, to be lit while nothing else is pointed at. */
const placeOf = (contradictions: Review["contradictions"]): string | null =>
  contradictions[0]?.features?.at(-1) ?? null;

/** What was kept on this device, where it has every list the fields need. */
const takeUp = (saved: unknown): ProcedureDocument | null => {
  const now = liftedProcedure(saved);
  return isWhole(now) ? now : null;
};
const isWhole = (value: unknown): value is ProcedureDocument =>
  hasLists(value, "dimensions", "features", "parts", "steps");
