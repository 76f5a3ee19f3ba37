"use client";

import { useRef, useState } from "react";
import type { RecordFinding } from "@/core";
import { t } from "@/messages/setup";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { call } from "../http/http";
import { ProgressBar } from "../shell/progress-bar";

interface CheckProgress {
  readonly state: "checking" | "stopped" | "failed" | "done";
  readonly ends: number;
  readonly of: number;
  readonly events: number;
  readonly findings: readonly RecordFinding[];
  /** Why it could not go on; empty where it did. */
  readonly problem: string;
}

const FRESH: CheckProgress = { state: "checking", ends: 0, of: 0, events: 0, findings: [], problem: "" };

const stretchAfter = (after: string) => call("get /record-check", { query: { after } });

/** Goes through the whole record, stretch by stretch, and shows any row that is not as it was written. */
export function RecordCheck() {
  const [standing, setStanding] = useState<CheckProgress | null>(null);
  const stop = useRef(false);
  const run = async () => {
    stop.current = false;
    let now = FRESH;
    setStanding(now);
    for (let after: string | null = "file"; after !== null; ) {
      const answer: Awaited<ReturnType<typeof stretchAfter>> = await stretchAfter(after);
      if (!answer.ok || stop.current) {
        setStanding({
          ...now,
          state: answer.ok ? "stopped" : "failed",
          problem: answer.ok ? "" : answer.problem.message,
        });
        return;
      }
      const { ends, events, findings, of, next } = answer.value;
      now = {
        state: next === null ? "done" : "checking",
        ends: now.ends + ends,
        events: now.events + events,
        findings: [...now.findings, ...findings],
        problem: "",
        of,
      };
      setStanding(now);
      after = next;
    }
  };
  return (
    <div>
      <h2 className="mb-2 font-bold text-lg">{t("is-the-record-as-it-was")}</h2>
      <p className="mb-2 text-soft">
        {t("every-event-carries-a-hash-of")} <code>{t("npm-run-s-check-record")}</code>.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <Button onClick={run} disabled={standing?.state === "checking"}>
          {t("check-the-record")}
        </Button>
        {standing?.state === "checking" && (
          <>
            <ProgressBar value={standing.ends} most={Math.max(1, standing.of)} name={t("ends-checked")} />
            <Button
              look="quiet"
              onClick={() => {
                stop.current = true;
              }}
            >
              {t("stop")}
            </Button>
          </>
        )}
      </div>
      <div role="status" className="mt-2">
        {standing && <Told standing={standing} />}
      </div>
    </div>
  );
}

function Told({ standing: { state, ends, of, events, findings, problem } }: { standing: CheckProgress }) {
  const far = `${countText(ends, "end")}, ${countText(events, "event")}`;
  const altered = findings.filter(({ note }) => !note);
  const notes = findings.filter(({ note }) => note);
  return (
    <>
      {state === "failed" && <p className="text-out">{t("nothing-was-changed-check-again", { problem })}</p>}
      {state === "stopped" && <p>{t("stopped-after-of", { far, countText: countText(of, "end") })}</p>}
      {state === "done" && altered.length === 0 && (
        <p className="font-semibold text-in">{t("all-as-they-were-written", { far })}</p>
      )}
      {altered.length > 0 && (
        <p className="font-semibold text-out">{t("not-as-written", { far, length: altered.length })}</p>
      )}
      <Findings findings={altered} />
      {notes.length > 0 && (
        <p className="mt-2 font-semibold">{t("to-know-nothing-altered", { length: notes.length })}</p>
      )}
      <Findings findings={notes} />
    </>
  );
}

/** A number of things: `1 end`, `3 ends`. */
export const countText = (count: number, of: string): string => `${count} ${of}${count === 1 ? "" : "s"}`;

/** Findings of a check, a row each. */
export function Findings({ findings }: { findings: readonly RecordFinding[] }) {
  if (findings.length === 0) return null;
  return (
    <ul aria-label={t("findings")} className="divide-y divide-line border-line border-y">
      {findings.map(({ end, name, seq, what: detail }) => (
        <li key={`${end}/${name}/${seq}/${detail}`} className="py-2 wrap-anywhere">
          {end ? (
            <Link href={`/ledger/${end}`} className="font-semibold underline">
              {name || t("end-not-named")}
            </Link>
          ) : (
            <strong>{name}</strong>
          )}
          {seq !== null && t("event", { seq })}: {detail}
        </li>
      ))}
    </ul>
  );
}
