"use client";

import { t } from "@/messages/setup";
import { Button } from "../controls/button";
import { usePolled } from "../http/use-polled";
import { LocalTime } from "../words/local-time";

const ASK_AGAIN_MS = 2_000;

/** The whole record and its photographs in one file; and how it stands with those the server makes by itself. */
export function BackupPanel() {
  const { data: saved } = usePolled("get /backups", {}, { every: ASK_AGAIN_MS });
  return (
    <section aria-labelledby="backup">
      <h2 id="backup" className="mb-2 font-bold text-lg">
        {t("backup")}
      </h2>
      <p className="mb-2 text-soft">
        {t("one-file-with-the-whole-record")} <code className="figures">{t("npm-run-s-restore")}</code>
        {t("checked-on-the-way")}
      </p>
      <Button asChild>
        <a href="/api/v1/backup" download>
          {t("save-a-backup")}
        </a>
      </Button>
      {saved && (
        <p className="mt-2 text-soft">
          {saved.every === null ? (
            t("none-is-made-by-itself-start")
          ) : (
            <>
              {t("one-is-made-by-itself-every", { every: saved.every })}{" "}
              {saved.last ? (
                <>
                  {t("the-last")} <LocalTime iso={saved.last.at} />
                  {t("mb", { value: (saved.last.bytes / 1e6).toFixed(1) })}
                </>
              ) : (
                t("none-was-made-yet")
              )}
            </>
          )}
        </p>
      )}
      {saved?.drill && (
        <p role={saved.drill.problem ? "alert" : undefined} className="mt-2 text-soft">
          {saved.drill.problem
            ? t("could-not-be-put-back", { backup: saved.drill.backup, problem: saved.drill.problem })
            : t("was-put-back-for-trial", { backup: saved.drill.backup })}
        </p>
      )}
      {saved?.copy && (
        <p className="mt-2 text-soft">
          {t("a-standing-copy-is-kept-in")} <code className="figures wrap-anywhere">{saved.copy.folder}</code>
          :{" "}
          {saved.copy.behind === 0
            ? t("all-that-was-stored-is-in")
            : t("s-behind", { behind: saved.copy.behind })}
        </p>
      )}
      {saved?.copy?.problem && (
        <p role="alert" className="mt-1 font-semibold text-out">
          {saved.copy.problem}
        </p>
      )}
      <p className="mt-2 text-soft">
        {t("programs-read-and-write-the-record")}{" "}
        <a href="/api/v1/openapi" className="underline">
          /api/v1/openapi
        </a>
        .
      </p>
      {saved?.problem && (
        <p role="alert" className="mt-1 font-semibold text-out">
          {t("the-last-try-failed", { problem: saved.problem })}
        </p>
      )}
    </section>
  );
}
