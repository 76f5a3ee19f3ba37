"use client";

import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { v4 as uuid } from "uuid";
import { z } from "zod";
import { type Cable, type PiecePlan, readCount, zPiecePlan } from "@/core";
import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Select } from "../controls/select";
import { useSubmit } from "../controls/use-submit";
import { call } from "../http/http";
import { offerUndo } from "../plan/offer-undo";
import { usePrefs } from "../prefs/prefs-context";
import { numbered } from "./names";
import { newPlan } from "./new-plan";

/** As many as one request takes. */
const MOST_AT_ONCE = 300;

interface AddPiecesProps {
  readonly job: string;
  readonly cables: readonly Cable[];
  /** Pieces one more may be like. */
  readonly pieces: readonly { readonly id: string; readonly plan: PiecePlan }[];
  readonly first: boolean;
}

/** Adds one piece or many: of a cable with nothing planned yet, or like a piece there is already. */
export function AddPieces({ job, cables, pieces, first }: AddPiecesProps) {
  const [name, setName] = useState("");
  const [many, setMany] = useState("1");
  const [kind, setKind] = useState(cables[0]?.id ?? "");
  const count = readCount(many, MOST_AT_ONCE) || null;
  const names = count === null ? [] : numbered(name.trim(), count);

  const planOf = (title: string): PiecePlan | null => {
    const like = pieces.find(({ id }) => id === kind);
    if (like) return { ...like.plan, name: title };
    const cable = cables.find(({ id }) => id === kind);
    const [core] = cable?.cores ?? [];
    return cable && core ? newPlan(title, cable, core) : null;
  };
  const send = useSendPieces(job);
  const { problem, busy, submit, clear } = useSubmit(async () => {
    if (name.trim() === "") return t("a-piece-has-a-name-from");
    if (count === null) return t("from-1-to-at-a-time", { most_at_once: MOST_AT_ONCE });
    const plans = names.flatMap((title) => planOf(title) ?? []);
    const refused = await send(plans, JSON.stringify([names, kind]));
    if (refused === "") {
      setName("");
      setMany("1");
    }
    return refused;
  });
  return (
    <form
      onSubmit={submit}
      className="no-print mt-4 grid max-w-5xl items-end gap-3 sm:grid-cols-[1fr_1fr_5.5rem_auto]"
    >
      <Field
        title={t("new-piece")}
        value={name}
        maxLength={200}
        problem={problem}
        placeholder={count !== null && count > 1 ? t("pad-feeder") : undefined}
        onChange={({ target }) => {
          setName(target.value);
          clear();
        }}
      />
      <Select
        title={t("its-cable-or-a-piece-it")}
        value={kind}
        options={[
          ...cables.map(({ id, name: title }) => ({ id, name: title })),
          ...pieces.map(({ id, plan }) => ({ id, name: `like ${plan.name}` })),
        ]}
        onPick={setKind}
      />
      <Field
        title={t("how-many")}
        value={many}
        inputMode="numeric"
        onChange={({ target }) => {
          setMany(target.value);
          clear();
        }}
      />
      <Button look={first ? "next" : "strong"} type="submit" disabled={busy}>
        {names.length > 1 ? `Add ${names.length}` : t("add-it")}
      </Button>
      {name.trim() !== "" && <NamesToCome names={names} />}
    </form>
  );
}

/** Adds planned pieces to the job; answers why they were refused, or "". One piece is opened at once. */
function useSendPieces(job: string) {
  const { prefs } = usePrefs();
  const router = useRouter();
  /** Sent again after no answer, they are the same pieces: never more. */
  const wanted = useRef<{ key: string; ids: string[] }>({ key: "", ids: [] });
  return async (plans: readonly PiecePlan[], key: string): Promise<string> => {
    if (wanted.current.key !== key) wanted.current = { key, ids: plans.map(() => uuid()) };
    const pieces = plans.map((plan, i) => ({ id: wanted.current.ids[i], plan: z.encode(zPiecePlan, plan) }));
    const answer = await call("post /jobs/{id}", { params: { id: job }, body: { pieces, by: prefs.person } });
    if (!answer.ok) return answer.problem.message;
    wanted.current = { key: "", ids: [] };
    const added = answer.value.pieces;
    const [piece] = added;
    if (piece && added.length === 1) {
      router.push(`/jobs/${job}/${piece.id}`);
      return "";
    }
    router.refresh();
    offerUndo({
      label: t("pieces-are-added", { length: added.length }),
      changes: added.map(({ id, revision }) => ({ id, basis: revision, plan: null })),
      by: prefs.person,
      onDone: router.refresh,
    });
    return "";
  };
}

/** The names several new pieces will have. */
function NamesToCome({ names }: { names: readonly string[] }) {
  if (names.length < 2) return null;
  return (
    <p role="status" className="text-soft sm:col-span-4">
      {names.slice(0, 3).join(", ")}
      {names.length > 4 ? ", … " : names.length === 4 ? ", " : ""}
      {names.length > 3 ? names.at(-1) : ""}
    </p>
  );
}
