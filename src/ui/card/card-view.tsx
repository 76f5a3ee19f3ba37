"use client";

import { useState } from "react";
import { t } from "@/messages/card";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import { CardPreview } from "./card-preview";
import { ProofPanel } from "./proof-panel";
import { useGaugeList } from "./use-gauge-list";
import { usePrinting } from "./use-printing";

interface CardViewProps {
  /** What the card is made of, as its address asks for it. */
  readonly wanted: Readonly<Record<"cable" | "procedure" | "choices", string>> & { readonly core?: string };
  readonly name: string;
  readonly marks: number;
  readonly sheetHref: string;
}

/** The strip card of a sheet: as it will be on paper, for which paper and printer, and as drawings for other machines. */
export function CardView({ wanted, name, marks, sheetHref }: CardViewProps) {
  const [page, setPage] = useState(1);
  const [pages, setPages] = useState<number | null>(null);
  const { address, papers, paper, pickPaper } = usePrinting("/cards", { ...wanted });
  const { add } = useGaugeList();
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
            value={paper}
            options={papers}
            onPick={(id) => {
              setPage(1);
              pickPaper(id);
            }}
          />
          <ProofPanel />
          <p className="text-soft text-sm">{t("marks-on-the-card", { marks })}</p>
          <Button asChild>
            <Link href="/card/gauge" onClick={() => add({ ...wanted, id: JSON.stringify(wanted), name })}>
              {t("put-it-on-a-gauge")}
            </Link>
          </Button>
        </aside>
      </div>
    </main>
  );
}
