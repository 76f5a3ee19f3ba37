"use client";

import { Printer } from "lucide-react";
import { useRouter } from "next/navigation";
import { type FormEvent, useState } from "react";
import type { LinkAnswer } from "@/core";
import { t } from "@/messages/link";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import { LinkDrawing } from "./link-drawing";

interface LinkViewProps {
  readonly job: { readonly id: string; readonly name: string };
  readonly piece: { readonly id: string; readonly name: string; readonly fibres: number };
  readonly start: { readonly side: "A" | "B"; readonly fibre: number };
  readonly link: LinkAnswer | null;
  readonly problem: string;
}

const dB = (value: number): string => decimal(value.toFixed(2));

/** One fibre from end to end through the job: its parts, what it should take, what was measured, what may explain the rest. */
export function LinkView({ job, piece, start, link, problem }: LinkViewProps) {
  const [chosen, setChosen] = useState<number | null>(null);
  const wavelengths = link?.wavelengths ?? [];
  const at =
    wavelengths.find(({ wavelength }) => wavelength === chosen) ??
    wavelengths.find(({ measured }) => measured !== null) ??
    wavelengths.find(({ wavelength }) => wavelength === 1310) ??
    wavelengths[0];
  return (
    <main className="min-w-0 flex-1">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-3 sm:px-6">
        <h1 className="min-w-0 truncate font-bold text-xl">{t("link-of", { piece: piece.name })}</h1>
        <p className="mr-auto min-w-0 truncate text-soft">
          <Link href={`/jobs/${job.id}/${piece.id}`} className="underline">
            {job.name}
          </Link>
        </p>
        <Button className="no-print" onClick={() => window.print()}>
          <Printer aria-hidden="true" className="size-4" /> {t("print")}
        </Button>
      </header>
      <PickFibre job={job.id} piece={piece} start={start} />
      {problem && (
        <p role="alert" className="mx-4 mb-3 rounded-md border-2 border-out px-3 py-2 sm:mx-6">
          {problem}
        </p>
      )}
      {link && at && (
        <>
          <Figures link={link} at={at} onPick={setChosen} />
          <LinkDrawing parts={link.parts} at={at} />
          <div className="grid grid-cols-[minmax(0,1fr)] gap-6 px-4 py-4 sm:px-6 lg:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
            <Parts parts={link.parts} at={at} />
            <Suspects suspects={link.suspects} />
          </div>
        </>
      )}
    </main>
  );
}

/** Which fibre, and from which side it is followed. */
function PickFibre({ job, piece, start }: Pick<LinkViewProps, "piece" | "start"> & { readonly job: string }) {
  const router = useRouter();
  const [fibre, setFibre] = useState(String(start.fibre));
  const [side, setSide] = useState<string>(start.side);
  const show = (event: FormEvent) => {
    event.preventDefault();
    router.push(`/jobs/${job}/${piece.id}/link?${new URLSearchParams({ side, fibre: fibre.trim() })}`);
  };
  return (
    <form onSubmit={show} className="no-print flex flex-wrap items-end gap-3 px-4 pb-3 sm:px-6">
      <Field
        title={t("fibre", { most: piece.fibres })}
        value={fibre}
        inputMode="numeric"
        onChange={({ target }) => setFibre(target.value)}
        className="w-32"
      />
      <Select
        title={t("from-side")}
        value={side}
        options={["A", "B"].map((id) => ({ id, name: id }))}
        onPick={setSide}
        className="w-28"
      />
      <Button type="submit">{t("show")}</Button>
    </form>
  );
}

interface FiguresProps {
  readonly link: LinkAnswer;
  readonly at: LinkAnswer["wavelengths"][number];
  readonly onPick: (wavelength: number) => void;
}

/** What it should take and what was measured, at the wavelength picked. */
function Figures({ link, at, onPick }: FiguresProps) {
  return (
    <section className="flex flex-wrap items-end gap-x-6 gap-y-2 px-4 pb-3 sm:px-6">
      <Select
        title={t("wavelength")}
        value={String(at.wavelength)}
        options={link.wavelengths.map(({ wavelength }) => ({
          id: String(wavelength),
          name: t("nm", { wavelength }),
        }))}
        onPick={(id) => onPick(Number(id))}
        className="w-36 max-w-full"
      />
      <p aria-live="polite">
        <span className="figures block font-bold text-2xl">
          {at.measured
            ? t("measured", { loss: dB(at.measured.loss), u: dB(at.measured.u) })
            : t("expected", { loss: dB(at.loss), u: dB(at.u) })}
        </span>
        {at.measured && (
          <span className="block">
            {t("expected", { loss: dB(at.loss), u: dB(at.u) })};{" "}
            <strong className={at.measured.loss <= at.limit ? "text-in" : "text-out"}>
              {at.measured.loss <= at.limit ? t("within-limit") : t("over-limit")}
            </strong>
          </span>
        )}
        <span className="block text-soft">{t("limit", { limit: dB(at.limit) })}</span>
      </p>
      <p className="text-soft">
        {!link.whole && <span className="block">{t("open-ends")}</span>}
        {!at.measured && t("not-measured")}
      </p>
    </section>
  );
}

const KIND_NAMES: Readonly<Record<LinkAnswer["parts"][number]["kind"], () => string>> = {
  connector: () => t("part-connector"),
  pigtail: () => t("part-pigtail"),
  fibre: () => t("part-fibre"),
  splice: () => t("part-splice"),
  device: () => t("part-device"),
  port: () => t("part-port"),
  open: () => t("part-open"),
};

/** Everything light meets, in order. */
const Parts = ({ parts, at }: { parts: LinkAnswer["parts"]; at: LinkAnswer["wavelengths"][number] }) => (
  // biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls must be reached by keys
  <section aria-label={t("parts")} tabIndex={0} className="min-w-0 overflow-x-auto">
    <table className="w-full text-left">
      <thead>
        <tr className="text-soft text-sm">
          <th>{t("column-part")}</th>
          <th>{t("column-where")}</th>
          <th className="text-right">{t("column-at")}</th>
          <th className="text-right">{t("column-loss")}</th>
          <th className="text-right">{t("column-limit")}</th>
        </tr>
      </thead>
      <tbody>
        {parts.map(({ kind, name, at: along, metres }, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: parts go by their place
          <tr key={i} className="border-line border-t">
            <td className="py-2 pr-3 font-semibold">{KIND_NAMES[kind]()}</td>
            <td className="pr-3">
              {name}
              {kind === "fibre" && `, ${t("metres", { metres: decimal(metres.toFixed(1)) })}`}
            </td>
            <td className="figures text-right">{decimal(along.toFixed(1))}</td>
            <td className="figures text-right font-bold">{dB(at.parts[i]?.loss ?? 0)}</td>
            <td className="figures text-right text-soft">{dB(at.parts[i]?.limit ?? 0)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  </section>
);

const SUSPECT_NAMES: Readonly<Record<LinkAnswer["suspects"][number]["suspect"], () => string>> = {
  connector: () => t("suspect-connector"),
  splice: () => t("suspect-splice"),
  bend: () => t("suspect-bend"),
  length: () => t("suspect-length"),
};

/** What may explain a loss beyond what is expected, ranked. */
function Suspects({ suspects }: Pick<LinkAnswer, "suspects">) {
  if (suspects.length === 0) return null;
  return (
    <section aria-labelledby="suspects">
      <h2 id="suspects" className="font-bold text-lg">
        {t("what-explains")}
      </h2>
      <ol className="my-2 grid gap-2">
        {suspects.map(({ suspect, share }) => (
          <li key={suspect} className="flex items-center gap-3">
            <span className="figures w-14 text-right font-bold">
              {t("share", { share: Math.round(share * 100) })}
            </span>
            <span className="min-w-0 flex-1">{SUSPECT_NAMES[suspect]()}</span>
          </li>
        ))}
      </ol>
      <p className="text-soft text-sm">{t("ranked-not-claimed")}</p>
    </section>
  );
}
