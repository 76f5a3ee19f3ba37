"use client";

import { QRCodeSVG } from "qrcode.react";
import { useEffect, useState } from "react";
import { flushSync } from "react-dom";
import type { RunSheet } from "@/core";
import { t } from "@/messages/sheet";
import { asText } from "../words/length-text";

interface TravellerProps {
  readonly sheet: RunSheet;
  /** Whether the interface was said, or only the first one was drawn. */
  readonly said: boolean;
}

const FIELDS = [t("job"), "End", t("made-by"), t("date")] as const;

/** On paper only: what the sheet is of, whose figures it holds, room for who made which end, and the way back to it. */
export function TravellerHead({ sheet, said }: TravellerProps) {
  const address = usePrintedAddress();
  return (
    <section aria-label={t("for-paper")} className="hidden gap-6 px-4 pb-2 print:flex">
      <div className="min-w-0 flex-1">
        <p className="font-bold text-xl">{asText(sheet)}</p>
        <p>
          {t("procedure-revision-cable-revision", {
            revision: sheet.procedure.revision,
            revision2: sheet.cable.revision,
          })}{" "}
          <strong>
            {sheet.procedure.representative
              ? t("representative-figures-dotted-check-each-against")
              : t("figures-held-against-the-part-s")}
          </strong>
          {!said && <strong> {t("the-interface-was-not-said-ask")}</strong>}
        </p>
        <dl className="mt-3 grid grid-cols-[2fr_2fr_2fr_1fr] gap-x-4 gap-y-4">
          {FIELDS.map((name) => (
            <Blank key={name} name={name} />
          ))}
        </dl>
      </div>
      {address && (
        <figure className="w-[22mm] shrink-0 text-center">
          <QRCodeSVG value={address} title={t("this-sheet-s-address")} size={256} className="h-auto w-full" />
          <figcaption className="text-[0.7rem] leading-tight">{t("back-to-this-sheet")}</figcaption>
        </figure>
      )}
    </section>
  );
}

/** The page's address while it is set for paper, else null: nothing is made for paper at every visit. */
function usePrintedAddress(): string | null {
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    const paper = window.matchMedia("print");
    // At once: the paper is set as soon as all have heard.
    const here = () => flushSync(() => setAddress(window.location.href));
    const follow = () => (paper.matches ? here() : setAddress(null));
    if (paper.matches) setAddress(window.location.href);
    paper.addEventListener("change", follow);
    window.addEventListener("beforeprint", here);
    return () => {
      paper.removeEventListener("change", follow);
      window.removeEventListener("beforeprint", here);
    };
  }, []);
  return address;
}

function Blank({ name }: { name: string }) {
  return (
    <div className="border-ink border-b">
      <dt className="text-[0.75rem] text-soft">{name}</dt>
      <dd className="h-5" />
    </div>
  );
}

/** At the foot of the paper: who stands for it. */
export function TravellerFoot() {
  return (
    <dl className="hidden break-before-avoid break-inside-avoid grid-cols-[2fr_3fr_1fr] gap-4 px-4 pt-4 print:grid">
      {[t("signed-off-by"), t("remarks-parts-and-shards-not-accounted"), t("date")].map((name) => (
        <Blank key={name} name={name} />
      ))}
    </dl>
  );
}
