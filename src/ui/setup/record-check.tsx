"use client";

import Link from "next/link";
import { useRef, useState } from "react";
import { ProgressBar } from "../shell/progress-bar";
import { get } from "../words/api";

interface Stretch {
  readonly ends: number;
  readonly entries: number;
  readonly altered: readonly {
    readonly end: string;
    readonly name: string;
    readonly seq: number | null;
    readonly what: string;
  }[];
  readonly next: string | null;
  readonly of: number;
}

interface Standing {
  readonly state: "checking" | "stopped" | "failed" | "done";
  readonly ends: number;
  readonly of: number;
  readonly entries: number;
  readonly altered: Stretch["altered"];
}

const FRESH: Standing = { state: "checking", ends: 0, of: 0, entries: 0, altered: [] };

/** Goes through the whole record, stretch by stretch, and shows any row that is not as it was written. */
export function RecordCheck() {
  const [standing, setStanding] = useState<Standing | null>(null);
  const stop = useRef(false);
  const run = async () => {
    stop.current = false;
    let now = FRESH;
    setStanding(now);
    for (let after: string | null = ""; after !== null; ) {
      const answer: Awaited<ReturnType<typeof get<Stretch>>> = await get<Stretch>(
        `/api/v1/record-check?${new URLSearchParams({ after })}`,
      );
      if (!answer.ok || stop.current) {
        setStanding({ ...now, state: answer.ok ? "stopped" : "failed" });
        return;
      }
      const { ends, entries, altered, of } = answer.value;
      now = {
        state: answer.value.next === null ? "done" : "checking",
        ends: now.ends + ends,
        entries: now.entries + entries,
        altered: [...now.altered, ...altered],
        of,
      };
      setStanding(now);
      after = answer.value.next;
    }
  };
  return (
    <div>
      <h2 className="mb-2 font-bold text-lg">Is the record as it was written?</h2>
      <p className="mb-2 text-soft">
        Every entry carries a hash of the one before. The check goes through all of them and names any that
        was changed, taken out or put in. The same on the command line: <code>npm run -s check-record</code>.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          onClick={run}
          disabled={standing?.state === "checking"}
          className="min-h-12 rounded-lg border-2 border-ink px-4 font-semibold disabled:opacity-40"
        >
          Check the record
        </button>
        {standing?.state === "checking" && (
          <>
            <ProgressBar value={standing.ends} most={Math.max(1, standing.of)} name="Ends checked" />
            <button
              type="button"
              onClick={() => {
                stop.current = true;
              }}
              className="min-h-12 rounded-lg border border-line px-4"
            >
              Stop
            </button>
          </>
        )}
      </div>
      <div role="status" className="mt-2">
        {standing && <Told standing={standing} />}
      </div>
    </div>
  );
}

function Told({ standing: { state, ends, of, entries, altered } }: { standing: Standing }) {
  const far = `${ends} ends, ${entries} entries`;
  return (
    <>
      {state === "failed" && (
        <p className="text-out">The server does not answer. Nothing was changed; check again.</p>
      )}
      {state === "stopped" && (
        <p>
          Stopped after {far} of {of} ends.
        </p>
      )}
      {state === "done" && altered.length === 0 && (
        <p className="font-semibold text-in">{far}: all as they were written.</p>
      )}
      {altered.length > 0 && (
        <>
          <p className="font-semibold text-out">
            {far}: {altered.length} not as written.
          </p>
          <ul className="divide-y divide-line border-line border-y">
            {altered.map(({ end, name, seq, what }) => (
              <li key={`${end}/${seq}`} className="py-2">
                <Link href={`/ledger/${end}`} className="font-semibold underline">
                  {name || "End not named"}
                </Link>
                {seq !== null && `, entry ${seq}`}: {what}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
