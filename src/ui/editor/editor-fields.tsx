"use client";

import { Tabs } from "radix-ui";
import { memo, useCallback, useState } from "react";
import {
  asWritten,
  attempt,
  type Cable,
  type DraftKit,
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
import { Select } from "../controls/select";
import { About } from "./about";
import { AddLength } from "./add-length";
import { AddLook } from "./add-look";
import { BELOW_THE_HEAD } from "./found";
import { JsonText } from "./json-text";
import type { DocumentDimension } from "./lengths";
import { LengthsEditor } from "./lengths-editor";
import { LooksEditor } from "./looks-editor";
import { PartsEditor } from "./parts-editor";
import { RemediesEditor } from "./remedies-editor";
import { StepsEditor } from "./steps-editor";
import type { Draft } from "./use-draft";

const TABS = [
  { id: "lengths", name: t("lengths") },
  { id: "remedies", name: t("remedies") },
  { id: "parts", name: t("parts") },
  { id: "steps", name: t("steps") },
  { id: "looks-and-joint", name: t("looks-and-joint") },
  { id: "about", name: t("about") },
  { id: "as-text", name: t("as-text") },
] as const;

interface EditorFieldsProps {
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
export const EditorFields = memo(function EditorFields({
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
}: EditorFieldsProps) {
  const [tab, setTab] = useState<string>(TABS[0].id);
  const put = useCallback(
    (field: string, changes: Partial<ProcedureDocument>) => change(field, (now) => ({ ...now, ...changes })),
    [change],
  );
  const { addLength, putLength } = useLengths({ document, kit, cables, tools, change });
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
        <TabNames />
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
        <OtherTabs
          document={document}
          looked={looked}
          isNew={isNew}
          moves={moves}
          put={put}
          change={change}
        />
      </Tabs.Root>
    </>
  );
});

/** The names of the tabs. */
const TabNames = () => (
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
);

interface OtherTabsProps
  extends Pick<EditorFieldsProps, "document" | "looked" | "isNew" | "moves" | "change"> {
  readonly put: (field: string, changes: Partial<ProcedureDocument>) => void;
}

/** All that is edited besides the lengths, a tab each. */
function OtherTabs({ document, looked, isNew, moves, put, change }: OtherTabsProps) {
  return (
    <>
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
    </>
  );
}

/** What adding and changing a length does. */
function useLengths({
  document,
  kit,
  cables,
  tools,
  change,
}: Pick<EditorFieldsProps, "document" | "kit" | "cables" | "tools" | "change">) {
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
  return { addLength, putLength };
}

/** How many things are wrong with a document: contradictions, steps that cannot be done in their order, missing figures. */
function faultsOf(draft: ProcedureDocument, shelf: Parameters<typeof review>[1]): number {
  const { contradictions, problem } = review(draft, shelf, null);
  return contradictions.length + (problem ? 1 : 0);
}

const NO_LAYERS: Cable["layers"] = [];
