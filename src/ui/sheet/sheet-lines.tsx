"use client";

import { isMidRun, judgementOf, type Line, onLeg, type RunSheet } from "@/core";
import { t } from "@/messages/sheet";
import { pointing } from "../band/pointing";
import { asText, limitsText, type Units } from "../words/length-text";
import { biteWords, figureWords, stepNotes } from "../words/line-words";

interface SheetLinesProps {
  readonly sheet: RunSheet;
  readonly units: Units;
  readonly pointed: string | null;
  readonly onPoint: (feature: string | null) => void;
}

/** The run sheet: one row a step, in the order of work. A row pointed at lights its place on the band. */
export function SheetLines({ sheet, units, pointed, onPoint }: SheetLinesProps) {
  return (
    <table className="w-full border-collapse text-left">
      <caption className="sr-only">{t("the-order-of-work-with-every")}</caption>
      <thead>
        {/* Repeated by the browser at the head of every page of paper. */}
        <tr className="hidden print:table-row">
          <td colSpan={7} className="px-4 pt-1 pb-2 font-bold">
            {t("revision", { asText: asText(sheet), revision: sheet.procedure.revision })}
            {sheet.procedure.representative && t("representative-figures")}
          </td>
        </tr>
        <tr className="text-soft text-sm">
          <th scope="col" className="w-10 py-1.5 pl-4 font-semibold">
            <span className="sr-only">{t("step-number")}</span>
          </th>
          <th scope="col" className="px-2 font-semibold">
            {t("step")}
          </th>
          <th scope="col" className="px-2 font-semibold">
            {t("work-to", { value: units === "in" ? t("in") : t("mm") })}
          </th>
          <th scope="col" className="hidden px-2 font-semibold sm:table-cell">
            {t("from-the")}
          </th>
          <th scope="col" className="hidden px-2 font-semibold md:table-cell">
            {t("also")}
          </th>
          <th scope="col" className="hidden px-2 pr-4 font-semibold sm:table-cell">
            {t("limits")}
          </th>
          <th scope="col" className="hidden w-44 px-2 font-semibold print:table-cell">
            {t("done-read")}
          </th>
        </tr>
      </thead>
      <tbody>
        {sheet.lines.map((line) => (
          <Row
            key={line.step.id}
            sheet={sheet}
            line={line}
            units={units}
            lit={line.figure !== null && line.figure.feature === pointed}
            onPoint={onPoint}
          />
        ))}
      </tbody>
    </table>
  );
}

function Row({
  sheet,
  line,
  units,
  lit,
  onPoint,
}: {
  sheet: RunSheet;
  line: Line;
  units: Units;
  lit: boolean;
  onPoint: SheetLinesProps["onPoint"];
}) {
  const figure = figureWords(sheet, line, units);
  const feature = line.figure?.feature ?? null;
  const pointed = feature ? pointing(feature, lit, onPoint) : {};
  const also = [...(figure?.also ?? []), biteWords(line, units), ...stepNotes(line, units)].filter(
    (part) => part !== null,
  );
  return (
    <tr className={`border-line border-t align-baseline ${lit ? "bg-now-wash" : ""}`} {...pointed}>
      <td className="py-2 pl-3 text-soft sm:pl-4">{line.index + 1}</td>
      <th scope="row" className="px-1.5 py-2 font-semibold sm:px-2">
        {line.step.title}
        {also.length > 0 && (
          <span className="block font-normal text-sm text-soft md:hidden">{also.join(" · ")}</span>
        )}
        {figure && (
          <span className="block font-normal text-sm text-soft sm:hidden">
            {t("from-the-2", { datum: figure.datum, tolerance: figure.tolerance })}
          </span>
        )}
      </th>
      <td className="px-2 py-2">
        {figure && (
          <span
            className={`figures whitespace-nowrap font-bold text-xl ${lit ? "text-now" : ""} ${line.figure?.representative ? "representative" : ""}`}
          >
            {figure.shown.main}
          </span>
        )}
        {figure?.shown.beside && (
          <span className="figures ml-2 whitespace-nowrap text-inch text-sm">{figure.shown.beside}</span>
        )}
        {figure?.shown.rounding && (
          <span className="ml-2 whitespace-nowrap text-inch text-sm">({figure.shown.rounding})</span>
        )}
        {line.figure?.confirmation?.asShown && (
          <span className="block text-soft text-sm">
            {t("as-shown", { by: line.figure.confirmation.by })}
          </span>
        )}
        {line.parts.length > 0 && <Parts line={line} />}
        {line.checks.length > 0 && <Checks line={line} units={units} midRun={isMidRun(sheet)} />}
      </td>
      <td className="hidden px-2 py-2 sm:table-cell">{figure?.datum}</td>
      <td className="hidden px-2 py-2 md:table-cell">{also.join(" · ")}</td>
      <td className="hidden whitespace-nowrap px-2 py-2 pr-4 text-soft sm:table-cell">{figure?.tolerance}</td>
      <td className="hidden px-2 py-2 print:table-cell">
        <Room line={line} />
      </td>
    </tr>
  );
}

/** On paper: a box to tick for the step, each of its parts and its look, and room for each reading. */
function Room({ line }: { line: Line }) {
  const judgement = judgementOf(line.step);
  return (
    <span className="flex flex-wrap items-center gap-2">
      {line.parts.length > 0 ? (
        line.parts.map(({ id }) => <Box key={id} />)
      ) : judgement ? (
        judgement.answers.map(({ id, sees }) => (
          <span key={id} className="flex items-center gap-1 text-[0.75rem] leading-tight">
            <Box /> {sees}
          </span>
        ))
      ) : line.checks.length > 0 ? null : (
        <Box />
      )}
      {line.checks.map(({ id }) => (
        <span key={id} className="inline-block h-5 w-20 border-ink border-b" />
      ))}
    </span>
  );
}

const Box = () => <span className="inline-block size-4 shrink-0 border-2 border-ink" />;

function Parts({ line }: { line: Line }) {
  return (
    <ol className="list-inside list-decimal">
      {line.parts.map(({ id, name, way }) => (
        <li key={id}>
          <span className="font-semibold">{name}</span> <span className="text-soft text-sm">{way}</span>
        </li>
      ))}
    </ol>
  );
}

function Checks({ line, units, midRun }: { line: Line; units: Units; midRun: boolean }) {
  return (
    <ul>
      {line.checks.map(({ id, name, leg, min, max }) => (
        <li key={id}>
          {name}
          {onLeg(leg, midRun)}{" "}
          <span className="figures whitespace-nowrap font-bold">{limitsText(min, max, units)}</span>
        </li>
      ))}
    </ul>
  );
}
