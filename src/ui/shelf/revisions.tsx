"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import { type Change, compareProcedures, type RevisionLine, zProcedureText } from "@/core";
import { t } from "@/messages/shelf";
import { Button } from "../controls/button";
import { call, getDocument } from "../http/http";
import { usePeople } from "../people/people-context";
import { LocalTime } from "../words/local-time";

interface RevisionsProps {
  readonly kind: "procedures" | "cables" | "entries";
  readonly id: string;
  readonly current: number;
  readonly revisions: readonly RevisionLine[];
}

/** Every revision there has been: to be compared with the one in use, put back, or put away. */
export function Revisions({ kind, id, current, revisions }: RevisionsProps) {
  const router = useRouter();
  const { who } = usePeople();
  const [compared, setCompared] = useState<{ revision: number; changes: readonly Change[] } | null>(null);
  const newest = revisions[0]?.revision ?? current;
  const by = who?.id ?? null;
  const params = { kind, id };

  const compare = async (revision: number) => {
    const [before, after] = await Promise.all([
      getDocument(zProcedureText, { kind, id }, revision),
      getDocument(zProcedureText, { kind, id }, current),
    ]);
    if (before.ok && after.ok)
      setCompared({ revision, changes: compareProcedures(before.value, after.value) });
    else toast.error(t("the-revisions-could-not-be-read"));
  };
  const send = async (restore: number | null, basis: number, said: string) => {
    const answer =
      restore === null
        ? await call("post /shelf/{kind}/{id}/away", { params, body: { basis, by } })
        : await call("post /shelf/{kind}/{id}/restore", { params, body: { basis, restore, by } });
    if (!answer.ok) {
      toast.error(answer.problem.message);
      return;
    }
    router.refresh();
    setCompared(null);
    toast(said, {
      action: {
        label: t("undo"),
        onClick: () => send(current, answer.value.revision, t("undone")),
      },
    });
  };
  return (
    <section aria-labelledby="revisions">
      <h2 id="revisions" className="mb-2 font-bold text-lg">
        {t("revisions")}
      </h2>
      <ol className="divide-y divide-line border-line border-y">
        {revisions.map((line) => (
          <RevisionRow
            key={line.revision}
            line={line}
            isCurrent={line.revision === current}
            onCompare={kind === "procedures" ? () => compare(line.revision) : null}
            onUse={() =>
              send(line.revision, newest, t("revision-is-in-use-again", { revision: line.revision }))
            }
            onPutAway={() => send(null, newest, t("put-away-ends-made-by-it"))}
          />
        ))}
      </ol>
      {compared && <Compared {...compared} current={current} onClose={() => setCompared(null)} />}
    </section>
  );
}

interface RevisionRowProps {
  readonly line: RevisionLine;
  readonly isCurrent: boolean;
  /** Null where revisions of its kind cannot be compared. */
  readonly onCompare: (() => void) | null;
  readonly onUse: () => void;
  readonly onPutAway: () => void;
}

function RevisionRow({ line, isCurrent, onCompare, onUse, onPutAway }: RevisionRowProps) {
  const { revision, at, by, why, origin } = line;
  return (
    <li className="flex flex-wrap items-center gap-2 py-1.5">
      <span className="mr-auto min-w-0">
        <span className="font-semibold">
          {revision}
          {isCurrent && t("in-use")}
        </span>{" "}
        <span className="text-soft text-sm">
          {origin === "shipped" ? t("as-shipped") : origin}
          {by && ` by ${by}`}
          {at && (
            <>
              {" "}
              · <LocalTime iso={at} />
            </>
          )}
          {why && <span className="block wrap-anywhere">{why}</span>}
        </span>
      </span>
      {!isCurrent && origin !== "put away" && (
        <>
          {onCompare && (
            <Button look="link" onClick={onCompare}>
              {t("compare")}
            </Button>
          )}
          <Button look="link" onClick={onUse}>
            {t("use-again")}
          </Button>
        </>
      )}
      {isCurrent && origin === "own" && (
        <Button look="link" onClick={onPutAway} className="no-print">
          {t("put-away")}
        </Button>
      )}
    </li>
  );
}

interface ComparedProps {
  readonly revision: number;
  readonly current: number;
  readonly changes: readonly Change[];
  readonly onClose: () => void;
}

function Compared({ revision, current, changes, onClose }: ComparedProps) {
  return (
    <div className="mt-3 rounded-lg border border-line bg-raised p-3">
      <div className="flex items-center">
        <h3 className="mr-auto font-semibold">
          {t("from-to", {
            revision,
            current,
            value: changes.length === 0 ? t("nothing-changed") : `${changes.length} changes`,
          })}
        </h3>
        <Button look="link" onClick={onClose}>
          {t("close")}
        </Button>
      </div>
      <ul className="divide-y divide-line text-sm">
        {changes.map(({ among, subject, field, before, after }) => (
          <li key={`${among}/${subject}/${field}`} className="py-1.5">
            <span className="font-semibold">{subject}</span>, {field}:{" "}
            <span className="wrap-anywhere line-through decoration-out">{before ?? "—"}</span>{" "}
            <span aria-hidden="true">→</span>{" "}
            <span className="wrap-anywhere font-semibold">{after ?? "gone"}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
