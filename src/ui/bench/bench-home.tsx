"use client";

import { Archive } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import { v4 as uuid } from "uuid";
import { z } from "zod";
import { discardEvent, type EndEvent, zAdd, type zBenchAnswer } from "@/core";
import { t } from "@/messages/bench";
import { Link } from "../controls/link";
import { PageLink } from "../controls/page-link";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";
import { coreText } from "../words/length-text";
import { LocalTime } from "../words/local-time";

interface BenchHomeProps extends z.output<typeof zBenchAnswer> {
  /** Whether it is not the newest page. */
  readonly further: boolean;
  /** Names of tools whose last check failed. */
  readonly failedTools: readonly string[];
}

type Row = BenchHomeProps["rows"][number];

/** One end, or a batch: its name, where it belongs, how far it is, who had it last and since when. */
function BenchRow({ row }: { row: Row }) {
  const { id, batch, createdAt, styleName, cableName, job, label, core, purpose, count } = row;
  const { piece, step, person, parked, late } = row;
  const madeOf = t("on", { styleName, cableName, coreText: coreText(core) });
  const named = batch
    ? [job, t("batch-at-the-bench", { count })].filter(Boolean).join(" · ")
    : [job, label].filter(Boolean).join(" · ");
  const { putAway, busy } = usePutAway(row, named || madeOf);
  return (
    <li className="flex min-w-0 items-stretch rounded-lg border border-line bg-raised hover:border-ink">
      <Link
        href={batch ? `/bench/batch/${batch}` : `/bench/${id}`}
        className="block min-h-16 min-w-0 flex-1 px-4 py-2"
      >
        <span className="flex items-center gap-2">
          <span className="truncate font-bold text-lg">{named || madeOf}</span>
          {parked !== null && (
            <span className="shrink-0 rounded-md bg-note px-2 text-sm">
              {t("parked", { value: parked && `: ${parked}` })}
            </span>
          )}
          {late.length > 0 && (
            <strong className="shrink-0 rounded-md border-2 border-out px-2 text-out text-sm">
              {t("too-late", { value: late.join(", ") })}
            </strong>
          )}
        </span>
        {!batch && (
          <span className="block truncate">
            {t("step-of", { number: step.number, of: step.of, title: step.title })}
          </span>
        )}
        <span className="block truncate text-soft text-sm">
          {purpose === "practice" && <strong>{t("practice")} </strong>}
          {t("begun")} <LocalTime iso={createdAt} />
          {[piece, person, named && madeOf].filter(Boolean).map((text) => ` · ${text}`)}
        </span>
      </Link>
      {!batch && (
        <button
          type="button"
          disabled={busy}
          onClick={putAway}
          aria-label={t("begun-by-mistake-put-it-away", { value: named || madeOf })}
          title={t("begun-by-mistake-put-it-away-2")}
          className="flex min-w-12 items-center justify-center border-line border-l px-3 text-soft disabled:opacity-40"
        >
          <Archive aria-hidden="true" className="size-5" />
        </button>
      )}
    </li>
  );
}

/** Puts an end away that was begun by mistake, and offers to undo that. */
function usePutAway({ id, shards }: Row, name: string) {
  const router = useRouter();
  const { who } = usePeople();
  const [busy, setBusy] = useState(false);
  const send = (event: EndEvent, sentAs = uuid()) =>
    call("post /ends/{id}/events", {
      params: { id },
      body: {
        by: who?.id ?? null,
        ...z.encode(zAdd, { client: uuid(), after: ALL_SEEN, events: [{ id: sentAs, event }] }),
      },
    });
  const putAway = async () => {
    setBusy(true);
    const discarded = uuid();
    const answer = await send(
      discardEvent({ shards: { made: shards, binned: 0 } }, who?.name ?? ""),
      discarded,
    );
    setBusy(false);
    if (!answer.ok) {
      toast.error(answer.problem.message);
      return;
    }
    router.refresh();
    toast(t("put-away", { value: name }), {
      action: {
        label: t("undo"),
        onClick: async () => {
          await send({ kind: "take-back", event: discarded });
          router.refresh();
        },
      },
    });
  };
  return { putAway, busy };
}

/** Events are added whatever came before them: putting away asks for no particular state. */
const ALL_SEEN = 5_000;

/** Ends begun and not signed off: each goes on where it was. */
export function BenchHome({ rows, count: all, next, further, failedTools }: BenchHomeProps) {
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="mr-auto font-bold text-2xl">{t("on-the-bench")}</h1>
        <Link href="/bench/tools" className="flex min-h-12 items-center underline">
          {t("check-the-tools")}
        </Link>
        <Link href="/bench/light" className="flex min-h-12 items-center underline">
          {t("readings-of-light-from-a-file")}
        </Link>
        <Link href="/" className="flex min-h-12 items-center rounded-lg bg-now px-5 font-bold text-on-now">
          {t("start-from-a-sheet")}
        </Link>
      </div>
      {failedTools.length > 0 && (
        <p role="status" className="mt-3 rounded-lg border-2 border-out px-3 py-2">
          <strong>{t("tools-failed", { names: failedTools.join(", ") })}</strong> {t("check-them-again")}
        </p>
      )}
      {rows.length === 0 ? (
        <p className="mt-6 max-w-prose text-lg">{t("no-end-is-half-done-pick")}</p>
      ) : (
        <ul className="mt-4 grid gap-2 lg:grid-cols-2">
          {rows.map((row) => (
            <BenchRow key={row.id} row={row} />
          ))}
        </ul>
      )}
      {(further || next) && (
        <nav aria-label={t("pages")} className="mt-4 flex items-center gap-3">
          {further && <PageLink href="/bench" name={t("newest")} />}
          {next && <PageLink href={`/bench?${new URLSearchParams({ before: next })}`} name={t("older")} />}
          <span className="text-soft">{t("ends-at-the-bench", { all })}</span>
        </nav>
      )}
    </main>
  );
}
