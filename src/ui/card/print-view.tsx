"use client";

import { useState } from "react";
import { toast } from "sonner";
import { JOB_PRINT_PARTS, type JobPrintPart } from "@/core";
import { t } from "@/messages/card";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import { CardPreview } from "./card-preview";
import { ProofPanel } from "./proof-panel";
import { usePrinting } from "./use-printing";

interface PrintViewProps {
  readonly job: { readonly id: string; readonly name: string };
  /** Number of items of each part. */
  readonly counts: Readonly<Record<JobPrintPart, number>>;
}

const PART_TEXTS: Readonly<Record<JobPrintPart, (count: number) => string>> = {
  cuts: (count) => t("part-cuts", { count }),
  pocket: (count) => t("part-pocket", { count }),
  cards: (count) => t("part-cards", { count }),
  closures: (count) => t("part-closures", { count }),
  travellers: (count) => t("part-travellers", { count }),
  trays: (count) => t("part-trays", { count }),
  labels: (count) => t("part-labels", { count }),
};

/** Print page of a job: choose parts, paper and printer, preview the pages, make one file. */
export function PrintView({ job, counts }: PrintViewProps) {
  const there = JOB_PRINT_PARTS.filter((part) => counts[part] > 0);
  const [parts, setParts] = useState<readonly JobPrintPart[]>(there);
  const [page, setPage] = useState(1);
  const [pages, setPages] = useState<number | null>(null);
  const chosenParts = JOB_PRINT_PARTS.filter((part) => parts.includes(part));
  const { address, papers, paper, pickPaper } = usePrinting(`/jobs/${job.id}/print`, {
    parts: chosenParts.join(","),
  });
  return (
    <main className="min-w-0 flex-1 px-4 pb-6 sm:px-6">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 py-3">
        <h1 className="font-bold text-xl">{t("print-centre")}</h1>
        <p className="mr-auto min-w-0 truncate text-soft">
          <Link href={`/jobs/${job.id}`} className="underline">
            {job.name}
          </Link>
        </p>
        {chosenParts.length > 0 && <OneFile address={address("pdf")} pages={pages} />}
      </header>
      {there.length === 0 ? (
        <p className="max-w-prose text-lg">{t("nothing-to-print-yet")}</p>
      ) : (
        <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
          {chosenParts.length > 0 ? (
            <CardPreview
              address={address("svg", { page: String(page) })}
              page={page}
              pages={pages}
              onPage={setPage}
              onPages={setPages}
            />
          ) : (
            <p className="text-soft">{t("tick-what-to-print")}</p>
          )}
          <aside className="grid content-start gap-4">
            <fieldset className="grid gap-1">
              <legend className="mb-1 font-bold text-lg">{t("parts-to-print")}</legend>
              {there.map((part) => (
                <label key={part} className="flex min-h-12 items-center gap-3">
                  <input
                    type="checkbox"
                    checked={parts.includes(part)}
                    onChange={({ target }) => {
                      setPage(1);
                      setParts(target.checked ? [...parts, part] : parts.filter((each) => each !== part));
                    }}
                    className="size-6 accent-(--now)"
                  />
                  {PART_TEXTS[part](counts[part])}
                </label>
              ))}
            </fieldset>
            <Select
              title={t("paper")}
              value={paper}
              options={papers}
              onPick={(id) => {
                setPage(1);
                pickPaper(id);
              }}
            />
            <ProofPanel />
            <p className="text-soft text-sm">
              <Link href={`/jobs/${job.id}/cut-list`} className="underline">
                {t("cut-list-with-reels")}
              </Link>
            </p>
          </aside>
        </div>
      )}
    </main>
  );
}

/** Sets every page into one file and opens it; says so while that goes on, and can be stopped. */
function OneFile({ address, pages }: { readonly address: string; readonly pages: number | null }) {
  const [stop, setStop] = useState<AbortController | null>(null);
  const make = async () => {
    const stopped = new AbortController();
    setStop(stopped);
    try {
      const answer = await fetch(address, { signal: stopped.signal });
      if (!answer.ok) throw new Error(String(answer.status));
      const url = URL.createObjectURL(await answer.blob());
      const link = document.createElement("a");
      Object.assign(link, { href: url, download: "arlent-print.pdf", target: "_blank" });
      link.click();
      setTimeout(() => URL.revokeObjectURL(url), 60_000);
    } catch {
      if (!stopped.signal.aborted) toast.error(t("the-file-was-not-made"));
    }
    setStop(null);
  };
  const setting = pages === null ? t("setting-the-file") : t("setting-pages", { pages });
  return stop ? (
    <p role="status" className="flex items-center gap-3">
      <progress className="w-32" aria-label={setting} /> {setting}
      <Button onClick={() => stop.abort()}>{t("stop")}</Button>
    </p>
  ) : (
    <Button look="next" onClick={make}>
      {pages === null ? t("print-as-a-file") : t("print-in-one-file", { pages })}
    </Button>
  );
}
