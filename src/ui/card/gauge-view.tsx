"use client";

import { Trash2 } from "lucide-react";
import { useEffect, useState } from "react";
import { t } from "@/messages/card";
import { Button } from "../controls/button";
import { FigureField } from "../controls/figure-field";
import { IconButton } from "../controls/icon-button";
import { Select } from "../controls/select";
import { zFailure } from "../http/http";
import { CardPreview } from "./card-preview";
import { ProofPanel } from "./proof-panel";
import { type GaugeItem, useGaugeList } from "./use-gauge-list";
import { usePrinting } from "./use-printing";

const EDGES = ["1", "2", "4"] as const;
const EDGE_TEXTS: Readonly<Record<(typeof EDGES)[number], () => string>> = {
  "1": () => t("gauge-one-edge"),
  "2": () => t("gauge-one-face"),
  "4": () => t("gauge-both-faces"),
};

/** One gauge for several styles: checked so that no mark of one is read for a mark of another, or refused with what to do. */
export function GaugeView({ options }: { readonly options: readonly GaugeItem[] }) {
  const { items, add, remove } = useGaugeList();
  const [edges, setEdges] = useState<(typeof EDGES)[number]>("4");
  const [error, setError] = useState(1.5);
  const [page, setPage] = useState(1);
  const [pages, setPages] = useState<number | null>(null);
  const { address, papers, paper, pickPaper } = usePrinting("/gauges", {
    styles: JSON.stringify(items.map(({ id: _, name: __, ...item }) => item)),
    ...{ edges, error: String(error) },
  });
  const drawing = address("svg", { page: String(page) });
  const problem = useProblem(items.length > 0 ? address("svg") : null);
  return (
    <main className="min-w-0 flex-1 px-4 pb-6 sm:px-6">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 py-3">
        <h1 className="mr-auto font-bold text-xl">{t("gauge")}</h1>
        {items.length > 0 && problem === "" && (
          <>
            <Button asChild look="next">
              <a href={address("pdf")} target="_blank" rel="noreferrer">
                {t("print-it")}
              </a>
            </Button>
            <Button asChild>
              <a href={address("dxf", { page: String(page) })} download>
                {t("as-dxf")}
              </a>
            </Button>
          </>
        )}
      </header>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <section className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-3">
          <p role="alert" className="rounded-md border-2 border-out px-3 py-2 empty:hidden">
            {problem}
          </p>
          {items.length === 0 && <p className="max-w-prose text-lg">{t("pick-the-styles-of-the-gauge")}</p>}
          {items.length > 0 && problem === "" && (
            <CardPreview address={drawing} page={page} pages={pages} onPage={setPage} onPages={setPages} />
          )}
        </section>
        <aside className="grid grid-cols-[minmax(0,1fr)] content-start gap-4">
          <PickStyles options={options} items={items} onAdd={add} onRemove={remove} />
          <Select
            title={t("edges-of-the-gauge")}
            value={edges}
            options={EDGES.map((id) => ({ id, name: EDGE_TEXTS[id]() }))}
            onPick={(id) => setEdges(EDGES.find((each) => each === id) ?? "4")}
          />
          <FigureField
            title={t("marks-apart-at-least")}
            value={error}
            text={String}
            read={(text) => {
              const value = Number(text.trim().replace(",", "."));
              return value >= 0.1 && value <= 20 ? value : null;
            }}
            asks={t("millimetres-from-0-1-to-20")}
            onTake={(value) => {
              setError(value);
              return true;
            }}
          />
          <Select title={t("paper")} value={paper} options={papers} onPick={pickPaper} />
          <ProofPanel />
        </aside>
      </div>
    </main>
  );
}

interface PickStylesProps {
  readonly options: readonly GaugeItem[];
  readonly items: readonly GaugeItem[];
  readonly onAdd: (item: GaugeItem) => void;
  readonly onRemove: (id: string) => void;
}

/** The procedures of the gauge: added from a list or from their own strip cards, taken off again. */
function PickStyles({ options, items, onAdd, onRemove }: PickStylesProps) {
  const left = options.filter(({ id }) => !items.some((item) => item.id === id));
  return (
    <>
      <Select
        title={t("add-a-style")}
        value=""
        empty={t("choose")}
        options={left}
        onPick={(id) => {
          const option = left.find((each) => each.id === id);
          if (option) onAdd(option);
        }}
        className="min-w-0"
      />
      <ul aria-label={t("styles-of-the-gauge")} className="divide-y divide-line empty:hidden">
        {items.map(({ id, name }) => (
          <li key={id} className="flex items-center gap-2">
            <span className="min-w-0 flex-1 wrap-anywhere">{name}</span>
            <IconButton name={t("take-off", { name })} onClick={() => onRemove(id)}>
              <Trash2 aria-hidden="true" className="size-4" />
            </IconButton>
          </li>
        ))}
      </ul>
      <p className="text-soft text-sm">{t("other-options-from-its-card")}</p>
    </>
  );
}

/** The reason a gauge cannot be drawn; empty if it can be, or if it has no procedure yet. */
function useProblem(address: string | null): string {
  const [problem, setProblem] = useState("");
  useEffect(() => {
    const stopped = new AbortController();
    const load = async () => {
      if (address === null) return setProblem("");
      const answer = await fetch(address, { signal: stopped.signal });
      if (answer.ok) return setProblem("");
      const failure = zFailure.safeParse(await answer.json());
      setProblem(failure.success ? failure.data.error.message : t("the-card-cannot-be-drawn"));
    };
    load().catch(() => {
      if (!stopped.signal.aborted) setProblem(t("the-server-does-not-answer"));
    });
    return () => stopped.abort();
  }, [address]);
  return problem;
}
