"use client";

import { QRCodeSVG } from "qrcode.react";
import { useEffect, useState } from "react";
import type { z } from "zod";
import type { RecordFinding, zSealAnswer } from "@/core";
import { t } from "@/messages/setup";
import { Button } from "../controls/button";
import { call } from "../http/http";
import { sealsHeld } from "../live/seals-held";
import { LocalTime } from "../words/local-time";
import { countText, Findings } from "./record-check";

type Made = z.output<typeof zSealAnswer>;

/** One figure over the whole record, to be kept elsewhere: held against it later, nothing can have been taken away unseen. */
export function SealPanel() {
  const [seal, setSeal] = useState<Made | null>(null);
  const [problem, setProblem] = useState("");
  const make = async () => {
    const answer = await call("get /seal", {});
    setProblem(answer.ok ? "" : answer.problem.message);
    if (answer.ok) setSeal(answer.value);
  };
  return (
    <section aria-labelledby="seal">
      <h2 id="seal" className="mb-2 font-bold text-lg">
        {t("seal")}
      </h2>
      <p className="mb-2 text-soft">{t("a-seal-is-one-figure-over")}</p>
      <Button onClick={make}>{t("seal-the-record-as-it-is")}</Button>
      <p role="alert" className="text-out empty:hidden">
        {problem}
      </p>
      {seal && <SealMade seal={seal} />}
      <EarlierSeal />
      <HeldSeals />
      <p className="no-print mt-3 text-soft">
        {t("a-proof-for-a-stranger")}{" "}
        <a href="/api/v1/proof" download className="underline">
          {t("export-a-proof-of-all-ends")}
        </a>
      </p>
    </section>
  );
}

/** Prints what is marked to be printed alone, and nothing else of the page. */
function printAlone(): void {
  document.documentElement.dataset.print = "alone";
  window.print();
  delete document.documentElement.dataset.print;
}

function SealMade({ seal }: { seal: Made }) {
  const file = `data:application/json;charset=utf-8,${encodeURIComponent(JSON.stringify(seal))}`;
  return (
    <div
      role="status"
      className="print-alone mt-3 flex flex-wrap items-start gap-4 rounded-lg border border-line bg-raised p-3"
    >
      <span className="rounded-md bg-white p-2">
        <QRCodeSVG value={seal.short} size={132} role="img" aria-label={t("the-seal-as-a-qr-code")} />
      </span>
      <div className="grid min-w-0 flex-1 gap-1">
        <p>
          {countText(seal.ends?.length ?? 0, "end")}, {countText(seal.events, "event")},{" "}
          <LocalTime iso={seal.at} />
        </p>
        <p className="figures wrap-anywhere text-sm">{seal.short}</p>
        <div className="no-print flex flex-wrap gap-2">
          <Button asChild>
            <a href={file} download={`arlent-seal-${seal.at.slice(0, 10)}.json`}>
              {t("save-it")}
            </a>
          </Button>
          <Button onClick={printAlone}>{t("print")}</Button>
        </div>
        <p className="text-soft text-sm">{t("the-saved-file-has-every-end")}</p>
      </div>
    </div>
  );
}

type SealCheck = { readonly holds: true } | { readonly findings: readonly RecordFinding[] };

function EarlierSeal() {
  const [text, setText] = useState("");
  const [held, setHeld] = useState<SealCheck | null>(null);
  const [problem, setProblem] = useState("");
  const hold = async (seal: string) => {
    const answer = await call("post /seal", { body: { seal } });
    setProblem(answer.ok ? "" : answer.problem.message);
    if (!answer.ok) setHeld(null);
    else setHeld(answer.value.findings.length === 0 ? { holds: true } : answer.value);
  };
  return (
    <form
      className="no-print mt-3 grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        hold(text);
      }}
    >
      <label className="grid gap-1">
        <span className="font-semibold">{t("an-earlier-seal")}</span>
        <textarea
          value={text}
          onChange={(event) => setText(event.target.value)}
          rows={2}
          className="figures rounded-lg border border-line bg-field px-3 py-2 text-sm"
        />
      </label>
      <div className="flex flex-wrap items-center gap-2">
        <Button type="submit" disabled={text.trim() === ""}>
          {t("hold-the-record-against-it")}
        </Button>
        <label className="inline-flex min-h-12 cursor-pointer items-center px-2 underline">
          {t("from-a-file")}
          <input
            type="file"
            accept="application/json,.json,.txt"
            className="sr-only"
            onChange={async (event) => {
              const file = event.target.files?.[0];
              if (file) hold(await file.text());
            }}
          />
        </label>
      </div>
      <p role="alert" className="text-out empty:hidden">
        {problem}
      </p>
      <div role="status">
        {held && "holds" in held && (
          <p className="font-semibold text-in">{t("it-holds-all-that-was-sealed")}</p>
        )}
        {held && "findings" in held && (
          <>
            <p className="font-semibold text-out">
              {t("it-does-not-hold-found", { length: held.findings.length })}
            </p>
            <Findings findings={held.findings} />
          </>
        )}
      </div>
    </form>
  );
}

/** The seals this device was given as a witness, held against the record by a touch. */
function HeldSeals() {
  const [seals, setSeals] = useState<readonly string[]>([]);
  const [outcome, setOutcome] = useState("");
  const [findings, setFindings] = useState<readonly RecordFinding[]>([]);
  useEffect(() => setSeals(sealsHeld(window.localStorage)), []);
  if (seals.length === 0) return null;
  const check = async () => {
    const all: RecordFinding[] = [];
    for (const seal of seals) {
      const answer = await call("post /seal", { body: { seal } });
      if (!answer.ok) return setOutcome(answer.problem.message);
      all.push(...answer.value.findings);
    }
    setFindings(all);
    setOutcome(
      all.length === 0
        ? t("the-record-holds-all-of-them")
        : t("it-does-not-hold-found", { length: all.length }),
    );
  };
  return (
    <div className="no-print mt-3 grid gap-2">
      <p>{t("this-device-holds-seals", { count: seals.length })}</p>
      <Button onClick={check} className="justify-self-start">
        {t("hold-the-record-against-them")}
      </Button>
      <p role="status" className="font-semibold empty:hidden">
        {outcome}
      </p>
      {findings.length > 0 && <Findings findings={findings} />}
    </div>
  );
}
