"use client";

import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { mustHoldAt, type PiecePlan } from "@/core";
import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { offerUndo } from "../plan/offer-undo";
import { savePlans } from "../plan/save-plans";
import { usePrefs } from "../prefs/prefs-context";
import { renamed } from "./names";

interface Named {
  readonly id: string;
  readonly revision: number;
  readonly plan: PiecePlan;
}

/** Names shown before they are changed. */
const SHOWN = 8;

/** Puts one text for another in the names of the pieces shown; what they will be called is shown before. */
export function RenamePieces({ pieces }: { pieces: readonly Named[] }) {
  const [find, setFind] = useState("");
  const [put, setPut] = useState("");
  const [done, setDone] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const stopped = useRef(false);
  const { prefs } = usePrefs();
  const router = useRouter();
  const changed = pieces.flatMap((piece) => {
    const name = renamed(piece.plan.name, find, put);
    return name === null ? [] : [{ ...piece, name }];
  });
  const rename = async () => {
    stopped.current = false;
    setProblem(null);
    const { saved, problem: message } = await savePlans(
      changed.map(({ id, revision, plan, name }) => ({ id, basis: revision, plan: { ...plan, name } })),
      prefs.person,
      { onStep: setDone, stopped: () => stopped.current },
    );
    const refused = message === null ? undefined : changed[saved.length];
    if (refused) setProblem(`${refused.plan.name}: ${message}`);
    if (saved.length > 0)
      offerUndo({
        label: `${saved.length} ${saved.length === 1 ? t("piece-is") : t("pieces-are")} renamed.`,
        changes: saved.map(({ id, revision }, i) => ({
          id,
          basis: revision,
          plan: mustHoldAt(changed, i).plan,
        })),
        by: prefs.person,
        onDone: router.refresh,
      });
    setDone(null);
    router.refresh();
  };
  return (
    <details className="no-print mt-4 max-w-3xl">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">{t("rename-these-pieces")}</summary>
      <div className="grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]">
        <Field
          title={t("instead-of")}
          value={find}
          maxLength={200}
          onChange={({ target }) => setFind(target.value)}
        />
        <Field title={t("say")} value={put} maxLength={200} onChange={({ target }) => setPut(target.value)} />
        {done === null ? (
          <Button look="strong" disabled={changed.length === 0} onClick={rename}>
            {changed.length === 0 ? t("rename") : `Rename ${changed.length}`}
          </Button>
        ) : (
          <Button onClick={() => (stopped.current = true)}>{t("stop")}</Button>
        )}
      </div>
      {done !== null && (
        <progress
          className="mt-2 w-full"
          value={done}
          max={changed.length}
          aria-label={t("pieces-renamed")}
        />
      )}
      {problem && (
        <p role="alert" className="mt-2 text-out">
          {problem}
        </p>
      )}
      <ul aria-label={t("as-they-will-be-called")} className="mt-2 text-soft">
        {changed.slice(0, SHOWN).map(({ id, plan, name }) => (
          <li key={id}>
            {plan.name} → <span className="text-ink">{name}</span>
          </li>
        ))}
        {changed.length > SHOWN && <li>{t("and-more", { value: changed.length - SHOWN })}</li>}
      </ul>
    </details>
  );
}
