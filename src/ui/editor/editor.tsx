"use client";

import { useRouter } from "next/navigation";
import { Tabs } from "radix-ui";
import { memo, useCallback, useState } from "react";
import { toast } from "sonner";
import {
  asWritten,
  attempt,
  type Cable,
  type DraftKit,
  hasLists,
  liftedProcedure,
  type NewLength,
  type ProcedureDocument,
  type Review,
  review,
  type Tool,
  withLength,
  zProcedure,
} from "@/core";
import { t } from "@/messages/editor";
import { Band } from "../band/band";
import { Button } from "../controls/button";
import { Select } from "../controls/select";
import { useSteady } from "../controls/use-steady";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";
import { About } from "./about";
import { AddLength } from "./add-length";
import { AddLook } from "./add-look";
import { EditorHead } from "./editor-head";
import { BELOW_THE_HEAD, ReviewResults } from "./found";
import { JsonText } from "./json-text";
import type { DocumentDimension } from "./lengths";
import { LengthsEditor } from "./lengths-editor";
import { LooksEditor } from "./looks-editor";
import { PartsEditor } from "./parts-editor";
import { RemediesEditor } from "./remedies-editor";
import { StepsEditor } from "./steps-editor";
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

const TABS = [
  { id: "lengths", name: t("lengths") },
  { id: "remedies", name: t("remedies") },
  { id: "parts", name: t("parts") },
  { id: "steps", name: t("steps") },
  { id: "looks-and-joint", name: t("looks-and-joint") },
  { id: "about", name: t("about") },
  { id: "as-text", name: t("as-text") },
] as const;

/** A procedure under the pen: its end drawn beside it as one writes, what contradicts named at once. */
export function Editor({ initial, basis, from, cables, tools, kit }: EditorProps) {
  const router = useRouter();
  const { who } = usePeople();
  const edited = useDraft(`${initial.id}@${basis ?? "new"}`, initial, takeUp);
  const { draft, change } = edited;
  const [cableId, setCableId] = useState<string | null>(null);
  const { shown, looked, contradictions, settle } = useReview(edited, { cables, tools }, cableId);
  const [lit, setLit] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [why, setWhy] = useState("");

  const save = async () => {
    if (refusedTyping()) return;
    setBusy(true);
    const answer = await call("post /shelf/{kind}", {
      params: { kind: "procedures" },
      body: {
        document: draft,
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
  /** Whether a field holds something that could not be read: it is gone to and told, never dropped. */
  const refusedTyping = (): boolean => {
    const field = document.querySelector<HTMLInputElement>("[role=tabpanel] [aria-invalid=true]");
    setProblem(
      field
        ? t("could-not-be-read-put-it", {
            value: field.getAttribute("aria-label") ?? t("a-field"),
            value2: field.value,
          })
        : null,
    );
    field?.focus();
    return field !== null;
  };
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
        {edited.found && (
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
      <Body
        document={shown}
        looked={looked}
        isNew={basis === null}
        cables={cables}
        tools={tools}
        kit={kit}
        change={change}
        moves={edited.moves}
        onSettle={settle}
        onCable={setCableId}
        onLight={setLit}
        isRefused={useSteady(refusedTyping)}
      />
    </main>
  );
}

interface BodyProps {
  /** As it is drawn: a figure typed a moment ago is in its field alone. */
  readonly document: ProcedureDocument;
  readonly looked: Review;
  readonly isNew: boolean;
  readonly cables: readonly Cable[];
  readonly tools: readonly Tool[];
  readonly kit: DraftKit;
  /** These stay the same functions: a key into a figure draws nothing here. */
  readonly change: Draft<ProcedureDocument>["change"];
  readonly moves: number;
  readonly onSettle: () => void;
  readonly onCable: (id: string) => void;
  readonly onLight: (feature: string | null) => void;
  readonly isRefused: () => boolean;
}

/** The fields of a procedure, by what they say of it. */
const Body = memo(function Body({
  document,
  looked,
  isNew,
  cables,
  tools,
  kit,
  change,
  moves,
  onSettle,
  onCable,
  onLight,
  isRefused,
}: BodyProps) {
  const [tab, setTab] = useState<string>(TABS[0].id);
  const put = useCallback(
    (field: string, changes: Partial<ProcedureDocument>) => change(field, (now) => ({ ...now, ...changes })),
    [change],
  );
  /** Adds a length; answers why it cannot be added, or null. */
  const addLength = useCallback(
    (length: NewLength): string | null => {
      const next = withLength(document, length, kit, (draft) => faultsOf(draft, { cables, tools }));
      if (!next.ok) return next.problem.message;
      change("lengths/add", () => next.value);
      return null;
    },
    [change, document, kit, cables, tools],
  );
  const putLength = useCallback(
    (at: number, field: string, next: DocumentDimension, typed: boolean) =>
      change(
        `lengths/${at}/${field}`,
        (now) => ({
          ...now,
          dimensions: now.dimensions.map((dimension, n) => (n === at ? next : dimension)),
        }),
        typed,
      ),
    [change],
  );
  return (
    <>
      <div className="isolate flex flex-wrap items-center gap-2 px-4 pt-2 sm:px-6">
        <Select
          title={t("drawn-on")}
          small
          value={looked.on?.id ?? ""}
          onPick={onCable}
          options={looked.fitting}
          className="min-w-56"
        />
      </div>
      <Tabs.Root
        value={tab}
        onValueChange={(next) => {
          if (!isRefused()) setTab(next);
        }}
        onBlur={onSettle}
        className={`px-4 pb-8 sm:px-6 ${BELOW_THE_HEAD}`}
      >
        <Tabs.List
          aria-label={t("parts-of-the-procedure")}
          className="isolate my-2 flex flex-wrap gap-1 border-line border-b"
        >
          {TABS.map(({ id, name }) => (
            <Tabs.Trigger
              key={id}
              value={id}
              className="min-h-12 px-4 font-semibold text-soft data-[state=active]:border-now data-[state=active]:border-b-4 data-[state=active]:text-ink"
            >
              {name}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content value="lengths" className="isolate">
          <LengthsEditor
            document={document}
            sheet={looked.sheet}
            cases={looked.cases}
            wrong={looked.contradictions.flatMap(({ ids }) => ids)}
            moves={moves}
            onLight={onLight}
            onChange={putLength}
          />
          <AddLength
            tools={tools}
            kit={kit}
            features={document.features}
            layers={looked.on?.layers ?? NO_LAYERS}
            onAdd={addLength}
          />
        </Tabs.Content>
        <Tabs.Content value="remedies">
          <RemediesEditor
            document={document}
            wrong={looked.contradictions.flatMap(({ ids }) => ids)}
            onChange={(field, dimensions) => put(`remedies/${field}`, { dimensions })}
          />
        </Tabs.Content>
        <Tabs.Content value="parts">
          <PartsEditor
            parts={document.parts}
            steps={document.steps}
            moves={moves}
            onChange={(field, parts) => put(`parts/${field}`, { parts })}
          />
        </Tabs.Content>
        <Tabs.Content value="steps">
          <StepsEditor document={document} onChange={(field, steps) => put(`steps/${field}`, { steps })} />
          <AddLook document={document} onAdd={(next) => change("steps/look", () => next)} />
        </Tabs.Content>
        <Tabs.Content value="looks-and-joint">
          <LooksEditor document={document} onChange={put} />
        </Tabs.Content>
        <Tabs.Content value="about">
          <About document={document} isNew={isNew} onChange={put} />
        </Tabs.Content>
        <Tabs.Content value="as-text">
          <JsonText
            kind="procedures"
            value={document}
            onTake={(next) => {
              const { value, problem: wrong } = attempt(() => asWritten(zProcedure, liftedProcedure(next)));
              if (value) change("text", () => value);
              return wrong?.message ?? null;
            }}
          />
        </Tabs.Content>
      </Tabs.Root>
    </>
  );
});

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

interface DrawingProps {
  readonly drawn: Review;
  readonly lit: string | null;
  readonly onPoint: (feature: string | null) => void;
}

/** Where the first step that cannot be done is, to be lit while nothing else is pointed at. */
const placeOf = (contradictions: Review["contradictions"]): string | null =>
  contradictions[0]?.features?.at(-1) ?? null;

/** How many things are wrong with a document: what contradicts, what cannot be done in its order, what is missing. */
function faultsOf(draft: ProcedureDocument, shelf: Parameters<typeof review>[1]): number {
  const { contradictions, problem } = review(draft, shelf, null);
  return contradictions.length + (problem ? 1 : 0);
}

const NO_LAYERS: Cable["layers"] = [];

/** What was kept on this device, where it has every list the fields need. */
const takeUp = (saved: unknown): ProcedureDocument | null => {
  const now = liftedProcedure(saved);
  return isWhole(now) ? now : null;
};
const isWhole = (value: unknown): value is ProcedureDocument =>
  hasLists(value, "dimensions", "features", "parts", "steps");
