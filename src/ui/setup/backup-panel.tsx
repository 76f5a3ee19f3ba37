"use client";

import { useEffect, useState } from "react";
import type { z } from "zod";
import { zBackupsAnswer } from "@/core";
import { Button } from "../controls/button";
import { get } from "../http/http";
import { LocalTime } from "../words/local-time";

const ASK_AGAIN_MS = 2_000;

/** The whole record and its photographs in one file; and how it stands with those the server makes by itself. */
export function BackupPanel() {
  const [kept, setKept] = useState<z.output<typeof zBackupsAnswer> | null>(null);
  useEffect(() => {
    let here = true;
    const ask = async () => {
      if (document.hidden) return;
      const answer = await get("/api/v1/backups", zBackupsAnswer);
      if (here && answer.ok) setKept(answer.value);
    };
    void ask();
    const every = setInterval(ask, ASK_AGAIN_MS);
    return () => {
      here = false;
      clearInterval(every);
    };
  }, []);
  return (
    <section aria-labelledby="backup">
      <h2 id="backup" className="mb-2 font-bold text-lg">
        Backup
      </h2>
      <p className="mb-2 text-soft">
        One file with the whole record and its photographs, as they are now. Keep it on another disk; it is
        put back by <code className="figures">npm run -s restore</code>, checked on the way.
      </p>
      <Button asChild>
        <a href="/api/v1/backup" download>
          Save a backup
        </a>
      </Button>
      {kept && (
        <p className="mt-2 text-soft">
          {kept.every === null ? (
            "None is made by itself: start the server with ARLENT_BACKUP set to a folder."
          ) : (
            <>
              One is made by itself every {kept.every} h.{" "}
              {kept.last ? (
                <>
                  The last: <LocalTime iso={kept.last.at} />, {(kept.last.bytes / 1e6).toFixed(1)} MB.
                </>
              ) : (
                "None was made yet."
              )}
            </>
          )}
        </p>
      )}
      {kept?.copy && (
        <p className="mt-2 text-soft">
          A standing copy is kept in <code className="figures wrap-anywhere">{kept.copy.folder}</code>:{" "}
          {kept.copy.behind === 0 ? "all that was stored is in it." : `${kept.copy.behind} s behind.`}
        </p>
      )}
      {kept?.copy?.problem && (
        <p role="alert" className="mt-1 font-semibold text-out">
          {kept.copy.problem}
        </p>
      )}
      <p className="mt-2 text-soft">
        Programs read and write the record too: their interface stands at{" "}
        <a href="/api/v1/openapi" className="underline">
          /api/v1/openapi
        </a>
        .
      </p>
      {kept?.problem && (
        <p role="alert" className="mt-1 font-semibold text-out">
          The last try failed. {kept.problem}
        </p>
      )}
    </section>
  );
}
