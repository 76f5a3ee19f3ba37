"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import { check, hasLists, problemOf, zCable } from "@/core";
import { t } from "@/messages/editor";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";
import { CutFace } from "../sheet/cut-face";
import { EditorHead } from "./editor-head";
import { LengthField, TextField } from "./field";
import { BELOW_A_LOW_HEAD, ReviewResults } from "./found";
import { JsonText } from "./json-text";
import { useDraft } from "./use-draft";

type Draft = Parameters<typeof zCable.parse>[0] & {
  id: string;
  name: string;
  about: string;
  layers: { kind: string; name: string; diameter: number }[];
};

interface CableEditorProps {
  readonly initial: Draft;
  readonly basis: number | null;
}

const isWhole = (value: unknown): value is Draft => hasLists(value, "layers");
const takeUp = (saved: unknown): Draft | null => (isWhole(saved) ? saved : null);

/** Why a text is no cable, or the cable it is. */
function read(value: unknown) {
  try {
    return { cable: check(zCable, value), problem: null };
  } catch (error) {
    return { cable: null, problem: problemOf(error)?.message ?? t("it-cannot-be-read") };
  }
}

/** Edits a cable: name and diameters in fields, its cut face drawn while it is typed, the rest as text. */
export function CableEditor({ initial, basis }: CableEditorProps) {
  const edited = useDraft(`cable-${initial.id}@${basis ?? "new"}`, initial, takeUp);
  const { draft, change } = edited;
  const { cable, problem } = read(draft);
  const [last, setLast] = useState(cable);
  if (cable && JSON.stringify(cable) !== JSON.stringify(last)) setLast(cable);
  const { save, refused } = useSaveCable(edited, basis);
  return (
    <main className="min-w-0 flex-1 pb-8">
      <div className="z-10 bg-ground lg:sticky lg:top-0">
        <div className="px-4 sm:px-6">
          <EditorHead name={draft.name} basis={basis} edited={edited} onSave={save} stopped={!cable} />
        </div>
        <ReviewResults bad={problem} problem={refused} />
      </div>
      <div className={`mt-3 grid max-w-3xl gap-4 px-4 sm:px-6 ${BELOW_A_LOW_HEAD}`}>
        <div className="flex items-start gap-4">
          {last && (
            <div className={cable ? "" : "opacity-30"}>
              <CutFace cable={last} />
            </div>
          )}
          <TextField
            label={t("name")}
            value={draft.name}
            most={200}
            className="flex-1"
            onChange={(name) => change("name", (now) => ({ ...now, name }))}
          />
        </div>
        {basis === null && (
          <TextField
            label={t("id-as-it-is-filed-under")}
            value={draft.id}
            most={80}
            onChange={(id) => change("id", (now) => ({ ...now, id }))}
          />
        )}
        <TextField
          label={t("what-tells-it-apart")}
          value={draft.about}
          onChange={(about) => change("about", (now) => ({ ...now, about }))}
        />
        <LayerFields layers={draft.layers} change={change} />
        <details>
          <summary className="min-h-12 cursor-pointer py-3 font-semibold">{t("as-text")}</summary>
          <JsonText
            kind="cables"
            value={draft}
            onTake={(next) => {
              const { problem: wrong } = read(next);
              if (wrong === null && isWhole(next)) change("text", () => next);
              return wrong;
            }}
          />
        </details>
      </div>
    </main>
  );
}

interface LayerFieldsProps extends Pick<ReturnType<typeof useDraft<Draft>>, "change"> {
  readonly layers: Draft["layers"];
}

/** Name and diameter of each layer, from the outside in. */
function LayerFields({ layers, change }: LayerFieldsProps) {
  return (
    <ol aria-label={t("layers-from-the-outside-in")} className="divide-y divide-line border-line border-y">
      {layers.map((layer, i) => {
        const put = (field: string, changes: object) =>
          change(`${layer.kind}/${field}`, (now) => ({
            ...now,
            layers: now.layers.map((layer, n) => (n === i ? { ...layer, ...changes } : layer)),
          }));
        return (
          <li key={layer.kind} className="grid grid-cols-[1fr_8rem] items-end gap-2 py-2">
            <TextField
              label={layer.kind}
              value={layer.name}
              most={200}
              onChange={(name) => put("name", { name })}
            />
            <LengthField
              label={t("diameter-in-mm", { name: layer.name })}
              value={layer.diameter}
              onChange={(diameter) => diameter !== null && put("diameter", { diameter })}
            />
          </li>
        );
      })}
    </ol>
  );
}

/** Saves the draft as a revision and goes to it. */
function useSaveCable({ draft, forget }: ReturnType<typeof useDraft<Draft>>, basis: number | null) {
  const router = useRouter();
  const { who } = usePeople();
  const [refused, setRefused] = useState<string | null>(null);
  const save = async () => {
    setRefused(null);
    const answer = await call("post /shelf/{kind}", {
      params: { kind: "cables" },
      body: {
        document: draft,
        basis,
        by: who?.id ?? null,
      },
    });
    if (!answer.ok) {
      setRefused(answer.problem.message);
      return;
    }
    forget();
    toast(t("kept-as-revision", { revision: answer.value.revision }));
    router.push(`/shelf/cables/${answer.value.id}`);
    router.refresh();
  };
  return { save, refused };
}
