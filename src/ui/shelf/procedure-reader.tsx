"use client";

import {
  type Cable,
  type Caution,
  judgementOf,
  misfits,
  type Procedure,
  type RevisionLine,
  type StatedDimension,
  type Step,
} from "@/core";
import { t } from "@/messages/shelf";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { usePrefs } from "../prefs/prefs-context";
import { conditionWords } from "../words/condition-words";
import { exactMm, figureText, lengthText, toleranceText, type Units } from "../words/length-text";
import { settingText } from "../words/line-words";
import { Fits } from "./fits";
import { Revisions } from "./revisions";

interface ReaderProps {
  readonly procedure: Procedure;
  readonly cables: readonly Cable[];
  readonly cautions: readonly Caution[];
  readonly revisions: readonly RevisionLine[];
}

/** A procedure as a person reads it: what for, what goes on first, every length, the order of work, what can go wrong. */
export function ProcedureReader({ procedure, cables, cautions, revisions }: ReaderProps) {
  const { prefs } = usePrefs();
  const { name, about, source, revision } = procedure;
  const nameOf = (id: string) => procedure.features.find((feature) => feature.id === id)?.name ?? id;
  const own = source.kind === "own";
  const edit = `/shelf/procedures/${procedure.id}/edit`;
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <header className="flex flex-wrap items-start gap-2">
        <div className="mr-auto min-w-0 max-w-prose">
          <Link href="/shelf" className="no-print inline-flex min-h-12 items-center text-soft underline">
            {t("shelf")}
          </Link>
          <h1 className="wrap-anywhere font-bold text-3xl">{name}</h1>
          <p className="text-lg">{about}</p>
          <p className="text-soft">
            {t("revision", { revision, date: source.date })}{" "}
            <span className={own ? "" : "representative"}>
              {own ? t("your-own-2") : "representative figures"}
            </span>
            . {source.note}
          </p>
        </div>
        <div className="no-print flex flex-wrap gap-2">
          <Act href={edit}>{t("edit")}</Act>
          <Act href={`${edit}?copy=1`}>{t("duplicate")}</Act>
          <a
            href={`/api/v1/shelf/procedures/${procedure.id}`}
            download
            className="flex min-h-12 items-center rounded-lg border-2 border-ink px-4 font-semibold"
          >
            {t("export")}
          </a>
          <Button onClick={() => window.print()}>{t("print")}</Button>
        </div>
      </header>
      <div className="mt-5 grid grid-cols-[minmax(0,1fr)] gap-8 xl:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <div className="grid content-start gap-8">
          <Lengths procedure={procedure} nameOf={nameOf} units={prefs.units} />
          <Work procedure={procedure} cautions={cautions} units={prefs.units} />
        </div>
        <div className="grid content-start gap-8">
          <Fits
            title={t("cables-it-goes-on")}
            fits={cables.map((cable) => ({
              id: cable.id,
              name: cable.name,
              href: `/?cable=${cable.id}&style=${procedure.id}`,
              why: misfits(procedure, cable).map(({ message }) => message),
            }))}
          />
          <Parts procedure={procedure} />
          <Choices procedure={procedure} />
          <Retries procedure={procedure} />
          <Revisions kind="procedures" id={procedure.id} current={revision} revisions={revisions} />
        </div>
      </div>
    </main>
  );
}

function Act({ href, children }: { href: string; children: React.ReactNode }) {
  return (
    <Link
      href={href}
      className="flex min-h-12 items-center rounded-lg border-2 border-ink px-4 font-semibold"
    >
      {children}
    </Link>
  );
}

interface LengthsProps {
  readonly procedure: Procedure;
  readonly nameOf: (id: string) => string;
  readonly units: Units;
}

function Lengths({ procedure, nameOf, units }: LengthsProps) {
  const unread = (dimension: StatedDimension) =>
    procedure.source.kind === "representative" ||
    (procedure.confirmed && !procedure.confirmed.includes(dimension.id));
  return (
    <section aria-labelledby="reader-lengths">
      <h2 id="reader-lengths" className="mb-2 font-bold text-lg">
        {t("lengths")}
      </h2>
      <ul className="divide-y divide-line border-line border-y">
        {procedure.dimensions.map((dimension) => (
          <li key={dimension.id} className="grid gap-x-4 py-2 sm:grid-cols-[1fr_auto]">
            <span>
              <span className="font-semibold first-letter:uppercase">{dimension.name}</span>
              <span className="block text-soft text-sm">
                {t("from-the-to-the", {
                  nameOf: nameOf(dimension.from),
                  nameOf2: nameOf(dimension.to),
                  value: dimension.notRead && `. Not read: ${dimension.notRead}`,
                })}
              </span>
            </span>
            <span className="sm:text-right">
              <span className={`figures font-bold text-xl ${unread(dimension) ? "representative" : ""}`}>
                {figureText(dimension.nominal, units, dimension)}
              </span>{" "}
              <span className="text-soft">{toleranceText(dimension.plus, dimension.minus, units)}</span>
              {dimension.cases.map(({ when, nominal, plus, minus }, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: cases are told apart by their place
                <span key={i} className="figures block text-soft text-sm">
                  {t("or", {
                    figureText: figureText(nominal, units, { plus, minus }),
                    toleranceText: toleranceText(plus, minus, units),
                    conditionWords: conditionWords(when, procedure, exactMm),
                  })}
                </span>
              ))}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Work({
  procedure,
  cautions,
  units,
}: {
  procedure: Procedure;
  cautions: readonly Caution[];
  units: Units;
}) {
  return (
    <section aria-labelledby="reader-work">
      <h2 id="reader-work" className="mb-2 font-bold text-lg">
        {t("order-of-work")}
      </h2>
      <ol className="divide-y divide-line border-line border-y">
        {procedure.steps.map((step, i) => (
          <li key={step.id} className="grid grid-cols-[2rem_minmax(0,1fr)] py-2">
            <span className="figures text-soft">{i + 1}</span>
            <StepRead step={step} cautions={cautions} units={units} />
          </li>
        ))}
      </ol>
    </section>
  );
}

function StepRead({ step, cautions, units }: { step: Step; cautions: readonly Caution[]; units: Units }) {
  const judgement = judgementOf(step);
  const { seconds, count, setting } = step;
  const facts = [
    setting && settingText(setting, units),
    seconds && `${seconds.min === seconds.max ? seconds.min : `${seconds.min} to ${seconds.max}`} seconds`,
    count && `${count.min === count.max ? count.min : `${count.min} to ${count.max}`} ${count.of}`,
    ...step.uses.map(({ item, count: n }) => t("uses", { n, item })),
    step.shards > 0 && t("other-to-count", { shards: step.shards }),
    step.when && t("only-for-some-cables-or-choices"),
    step.cases.length > 0 && t("differs-by-school-cable-or-choice"),
  ].filter(Boolean);
  return (
    <div>
      <span className="font-semibold">{step.title}</span> {step.how}
      {facts.length > 0 && <span className="block text-soft text-sm">{facts.join(" · ")}</span>}
      {step.cautions.length > 0 && (
        <span className="block text-sm">
          <span className="font-semibold">{t("caution")}</span>{" "}
          {step.cautions.map((id) => cautions.find((caution) => caution.id === id)?.title ?? id).join(", ")}
        </span>
      )}
      {judgement && (
        <dl className="mt-1 grid gap-1 border-line border-l-4 pl-3 text-sm">
          <dt className="font-semibold">{judgement.asks}</dt>
          {judgement.answers.map(({ id, sees, means, action }) => (
            <dd key={id}>
              <span className="font-semibold">{sees}.</span> {means} {action}
            </dd>
          ))}
        </dl>
      )}
    </div>
  );
}

function Parts({ procedure: { parts, steps } }: { procedure: Procedure }) {
  const titleOf = (id: string) => steps.find((step) => step.id === id)?.title ?? id;
  if (parts.length === 0) return null;
  return (
    <section aria-labelledby="reader-parts">
      <h2 id="reader-parts" className="mb-2 font-bold text-lg">
        {t("threaded-on-first-in-this-order")}
      </h2>
      <ol className="list-decimal space-y-1 pl-6">
        {parts.map(({ id, name, way, neededAt, trappedBy, ifForgotten }) => (
          <li key={id}>
            <span className="font-semibold">{name}</span> {way}
            <span className="block text-soft text-sm">
              {neededAt && t("needed-at", { titleOf: titleOf(neededAt) })}
              {trappedBy && t("shut-out-by", { titleOf: titleOf(trappedBy) })}
              {ifForgotten && t("if-forgotten", { ifForgotten })}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

function Choices({ procedure: { choices } }: { procedure: Procedure }) {
  if (choices.length === 0) return null;
  return (
    <section aria-labelledby="reader-choices">
      <h2 id="reader-choices" className="mb-2 font-bold text-lg">
        {t("choices-and-where-practitioners-differ")}
      </h2>
      <dl className="grid gap-2">
        {choices.map(({ id, name, options, default: usual, same }) => (
          <div key={id}>
            <dt className="font-semibold">{name}</dt>
            {same && <dd className="text-soft text-sm">{same}</dd>}
            {options.map((option) => (
              <dd key={option.id} className="text-sm">
                <span className={option.id === usual ? "font-semibold" : ""}>
                  {option.name}
                  {option.id === usual && options.length > 1 ? " (default)" : ""}
                </span>
                {option.why && `: ${option.why}`}
              </dd>
            ))}
          </div>
        ))}
      </dl>
    </section>
  );
}

function Retries({ procedure: { retries, squareUp } }: { procedure: Procedure }) {
  return (
    <section aria-labelledby="reader-retries">
      <h2 id="reader-retries" className="mb-2 font-bold text-lg">
        {t("trying-again")}
      </h2>
      <ul className="space-y-1">
        {retries.map(({ id, name, most, reuses, newPart }) => (
          <li key={id}>
            <span className="font-semibold first-letter:uppercase">{name}</span>:{" "}
            {most === 1 ? "once" : `${most} times`}. {reuses && `Kept: ${reuses} `}
            {newPart && `New: ${newPart}`}
          </li>
        ))}
        <li className="text-soft">
          {t("starting-over-also-takes-to-square", { lengthText: lengthText(squareUp, "mm") })}
        </li>
      </ul>
    </section>
  );
}
