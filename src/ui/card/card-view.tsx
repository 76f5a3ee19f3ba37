"use client";

import { useState } from "react";
import { t } from "@/messages/card";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import { usePrefs } from "../prefs/prefs-context";
import { CardPreview } from "./card-preview";
import { ProofPanel } from "./proof-panel";

interface CardViewProps {
  /** What the card is made of, as its address asks for it. */
  readonly wanted: Readonly<Record<string, string>>;
  readonly name: string;
  readonly marks: number;
  readonly sheetHref: string;
}

const PAPERS = [
  { id: "a4", name: t("a4-across") },
  { id: "letter", name: t("letter-across") },
  { id: "roll-62", name: t("roll-of-62") },
  { id: "roll-100", name: t("roll-of-100") },
] as const;

/** The strip card of a sheet: as it will be on paper, for which paper and printer, and as drawings for other machines. */
export function CardView({ wanted, name, marks, sheetHref }: CardViewProps) {
  const { prefs, change } = usePrefs();
  const [page, setPage] = useState(1);
  const [pages, setPages] = useState(1);
  const printer = prefs.printers.find((each) => each.name === prefs.printer) ?? null;
  const corrected: Readonly<Record<string, string>> = printer
    ? { printer: printer.name, x: String(printer.x), y: String(printer.y) }
    : {};
  const address = (format: string, more: Readonly<Record<string, string>> = {}) =>
    `/api/v1/cards?${new URLSearchParams({ ...wanted, paper: prefs.cardPaper, ...corrected, format, ...more })}`;
  return (
    <main className="min-w-0 flex-1 px-4 pb-6 sm:px-6">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 py-3">
        <h1 className="font-bold text-xl">{t("strip-card")}</h1>
        <p className="mr-auto min-w-0 truncate text-soft">
          {name} ·{" "}
          <Link href={sheetHref} className="underline">
            {t("its-sheet")}
          </Link>
        </p>
        <Button asChild look="next">
          <a href={address("pdf")} target="_blank" rel="noreferrer">
            {t("print-it")}
          </a>
        </Button>
        <Button asChild>
          <a href={address("svg", { page: String(page) })} download>
            {t("as-svg")}
          </a>
        </Button>
        <Button asChild>
          <a href={address("dxf", { page: String(page) })} download>
            {t("as-dxf")}
          </a>
        </Button>
      </header>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <CardPreview
          address={address("svg", { page: String(page) })}
          page={page}
          pages={pages}
          onPage={setPage}
          onPages={setPages}
        />
        <aside className="grid content-start gap-4">
          <Select
            title={t("paper")}
            value={prefs.cardPaper}
            options={PAPERS}
            onPick={(id) => {
              setPage(1);
              change({ cardPaper: PAPERS.find((paper) => paper.id === id)?.id ?? "a4" });
            }}
          />
          <ProofPanel />
          <p className="text-soft text-sm">{t("marks-on-the-card", { marks })}</p>
        </aside>
      </div>
    </main>
  );
}
