"use client";

import { type Cable, misfits, type RevisionLine, type Style } from "@/core";
import { t } from "@/messages/shelf";
import { middleOf, shadeOf } from "../band/textures";
import { Link } from "../controls/link";
import { usePrefs } from "../prefs/prefs-context";
import { CutFace } from "../sheet/cut-face";
import { coreText, sizeText } from "../words/length-text";
import { Fits } from "./fits";
import { Revisions } from "./revisions";

interface CableReaderProps {
  readonly cable: Cable;
  readonly styles: readonly Style[];
  readonly revisions: readonly RevisionLine[];
}

/** A cable as a person reads it: its layers from the outside in, and what goes on it. */
export function CableReader({ cable, styles, revisions }: CableReaderProps) {
  const { prefs } = usePrefs();
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <CableReaderHead cable={cable} />
      <div className="mt-5 grid grid-cols-[minmax(0,1fr)] gap-8 xl:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <section aria-labelledby="layers">
          <h2 id="layers" className="mb-2 font-bold text-lg">
            {t("from-the-outside-in")}
          </h2>
          <ol className="divide-y divide-line border-line border-y">
            {cable.layers.map(({ kind, name, diameter, hue }) => (
              <li key={kind} className="flex items-center gap-3 py-2">
                <span
                  aria-hidden="true"
                  className="size-6 shrink-0 rounded-full border-2"
                  style={{ background: middleOf(hue), borderColor: shadeOf(hue) }}
                />
                <span className="mr-auto">{name}</span>
                <span className="figures font-bold">{sizeText(diameter, prefs.units)}</span>
              </li>
            ))}
          </ol>
          <p className="mt-2 text-soft">
            {cable.fibreCount} {cable.fibreCount === 1 ? "fibre" : "fibres"},{" "}
            {cable.cores.map(coreText).join(" or ")}
            {cable.grip && t("buffer", { grip: cable.grip })}
          </p>
        </section>
        <div className="grid content-start gap-8">
          <Fits
            title={t("styles-that-go-on-it")}
            fits={styles.map((style) => ({
              id: style.id,
              name: style.name,
              href: `/?cable=${cable.id}&style=${style.id}`,
              why: misfits(style, cable).map(({ message }) => message),
            }))}
          />
          <Revisions kind="cables" id={cable.id} current={cable.revision} revisions={revisions} />
        </div>
      </div>
    </main>
  );
}

function CableReaderHead({ cable }: { cable: Cable }) {
  const { source } = cable;
  return (
    <header className="flex flex-wrap items-start gap-4">
      <CutFace cable={cable} />
      <div className="mr-auto min-w-0 max-w-prose">
        <Link href="/shelf" className="no-print inline-flex min-h-12 items-center text-soft underline">
          {t("shelf")}
        </Link>
        <h1 className="wrap-anywhere font-bold text-3xl">{cable.name}</h1>
        <p className="text-lg">{cable.about}</p>
        <p className="text-soft">
          {t("revision", { revision: cable.revision, date: source.date })}{" "}
          <span className={source.kind === "own" ? "" : "representative"}>
            {source.kind === "own" ? t("your-own-2") : "representative figures"}
          </span>
          . {source.note}
        </p>
      </div>
      <div className="no-print flex flex-wrap gap-2">
        <Link
          href={`/shelf/cables/${cable.id}/edit?copy=1`}
          className="flex min-h-12 items-center rounded-lg border-2 border-ink px-4 font-semibold"
        >
          {t("duplicate")}
        </Link>
        <Link
          href={`/shelf/cables/${cable.id}/edit`}
          className="flex min-h-12 items-center rounded-lg border-2 border-ink px-4 font-semibold"
        >
          {t("edit")}
        </Link>
        <a
          href={`/api/v1/shelf/cables/${cable.id}`}
          download
          className="flex min-h-12 items-center rounded-lg border-2 border-ink px-4 font-semibold"
        >
          {t("export")}
        </a>
      </div>
    </header>
  );
}
