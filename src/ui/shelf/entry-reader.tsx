"use client";

import type { ReactNode } from "react";
import { ENTRY_LENGTHS, type Entry, type RevisionLine, um } from "@/core";
import { t } from "@/messages/shelf";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { PortFace } from "../entry-drawing/port-face";
import { usePrefs } from "../prefs/prefs-context";
import { ENTRY_LENGTH_WORDS } from "../words/entry-words";
import { exactMm, figureText, limitsText, sizeText, type Units } from "../words/length-text";
import { settingText } from "../words/line-words";
import { Revisions } from "./revisions";

interface EntryReaderProps {
  readonly entry: Entry;
  readonly revisions: readonly RevisionLine[];
}

const NONE = new Map();

/** An entry as a person reads it: its ports, what is prepared, what is tightened, what lies inside. */
export function EntryReader({ entry, revisions }: EntryReaderProps) {
  const { prefs } = usePrefs();
  const { units } = prefs;
  const { id, ports, storage, radius, reach } = entry;
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <EntryReaderHead entry={entry} />
      <div className="mt-5 grid grid-cols-[minmax(0,1fr)] gap-8 xl:grid-cols-2">
        <PortsTable ports={ports} />
        <Table
          id="lengths"
          title={t("lengths")}
          heads={["what", t("work-to", { value: units === "in" ? "in" : "mm" }), t("from-the"), "limits"]}
        >
          {ENTRY_LENGTHS.map((length) => (
            <LengthRow key={length} entry={entry} length={length} units={units} />
          ))}
        </Table>
        <Table id="fasteners" title={t("tightened-in-this-order")} heads={["what", "torque"]}>
          {entry.fasteners.map(({ title, newtonMetres }) => (
            <tr key={title} className="border-line border-t">
              <th scope="row" className="py-1 font-semibold">
                {title}
              </th>
              <td className="figures">{settingText({ kind: "torque", newtonMetres }, units)}</td>
            </tr>
          ))}
        </Table>
        <section aria-labelledby="inside">
          <h2 id="inside" className="mb-2 font-bold text-lg">
            {t("stored-inside")}
          </h2>
          <p>
            {t("to-turns-of-reached-by-and", {
              min: storage.turns.min,
              max: storage.turns.max,
              sizeText: sizeText(storage.perimeter, units),
              sizeText2: sizeText(storage.paths[0], units),
              sizeText3: sizeText(storage.paths[1], units),
              sizeText4: sizeText(radius, units),
              sizeText5: sizeText(reach, units),
            })}
          </p>
        </section>
        <Revisions kind="entries" id={id} current={entry.revision} revisions={revisions} />
      </div>
    </main>
  );
}

function EntryReaderHead({ entry }: { entry: Entry }) {
  const { id, name, about, source } = entry;
  return (
    <header className="flex flex-wrap items-start gap-4">
      <PortFace entry={entry} inPort={NONE} room={190} />
      <div className="mr-auto min-w-0 max-w-prose">
        <Link href="/shelf" className="no-print inline-flex min-h-12 items-center text-soft underline">
          {t("shelf")}
        </Link>
        <h1 className="wrap-anywhere font-bold text-3xl">{name}</h1>
        <p className="text-lg">{about}</p>
        <p className="text-soft">
          {t("revision", { revision: entry.revision, date: source.date })}{" "}
          <span className={source.kind === "own" ? "" : "representative"}>
            {source.kind === "own" ? t("held-against-the-part-s-sheet") : "representative figures"}
          </span>
          . {source.note}
        </p>
      </div>
      <div className="no-print flex flex-wrap gap-2">
        <Button asChild look="strong">
          <Link href={`/entry/${id}`}>{t("use-it")}</Link>
        </Button>
        <Button asChild>
          <Link href={`/shelf/entries/${id}/edit?copy=1`}>{t("duplicate")}</Link>
        </Button>
        <Button asChild>
          <Link href={`/shelf/entries/${id}/edit`}>{t("edit")}</Link>
        </Button>
        <Button asChild>
          <a href={`/api/v1/shelf/entries/${id}`} download>
            {t("export")}
          </a>
        </Button>
      </div>
    </header>
  );
}

function PortsTable({ ports }: Pick<Entry, "ports">) {
  return (
    <Table id="ports" title={t("ports-2")} heads={["port", "for", t("closes-round-mm"), ""]}>
      {ports.map((port) => (
        <tr key={port.id} className="border-line border-t">
          <th scope="row" className="figures py-1">
            {port.id}
          </th>
          <td>{port.role}</td>
          <td className="figures">
            {exactMm(port.min)} – {exactMm(port.max)}
          </td>
          <td className="text-soft text-sm">
            {[
              port.bushedMin < port.min && t("from-with-a-bushing", { formatMm: exactMm(port.bushedMin) }),
              port.pair !== undefined && `pair ${port.pair}`,
              port.double && t("takes-a-cable-both-ways"),
              port.plug && t("plug-while-empty"),
            ]
              .filter(Boolean)
              .join("; ")}
          </td>
        </tr>
      ))}
    </Table>
  );
}

interface LengthRowProps {
  readonly entry: Entry;
  readonly length: (typeof ENTRY_LENGTHS)[number];
  readonly units: Units;
}

function LengthRow({ entry, length, units }: LengthRowProps) {
  const figure = entry.lengths[length];
  if (!figure) return null;
  const { nominal, plus, minus, cases } = figure;
  const { name, from } = ENTRY_LENGTH_WORDS[length];
  return (
    <tr className="border-line border-t align-baseline">
      <th scope="row" className="py-1 font-semibold">
        {name}
        {cases.length > 0 && (
          <span className="block font-normal text-soft text-sm">
            {t("for-some-cables", {
              value: cases.map((statedCase) => exactMm(statedCase.nominal)).join(", "),
            })}
          </span>
        )}
      </th>
      <td className={`figures font-bold ${entry.source.kind === "representative" ? "representative" : ""}`}>
        {units === "in" ? figureText(nominal, units, { plus, minus }) : exactMm(nominal)}
      </td>
      <td className="text-soft text-sm">{from}</td>
      <td className="figures text-soft">
        {limitsText(
          minus === null ? null : um(nominal - minus),
          plus === null ? null : um(nominal + plus),
          units,
        )}
      </td>
    </tr>
  );
}

interface TableProps {
  readonly id: string;
  readonly title: string;
  readonly heads: readonly string[];
  readonly children: ReactNode;
}

const Table = ({ id, title, heads, children }: TableProps) => (
  <section aria-labelledby={id} className="min-w-0 overflow-x-auto">
    <h2 id={id} className="mb-2 font-bold text-lg">
      {title}
    </h2>
    <table className="w-full border-collapse text-left">
      <thead className="text-soft text-sm">
        <tr>
          {heads.map((head, i) =>
            head === "" ? (
              // biome-ignore lint/suspicious/noArrayIndexKey: a head is told by its place
              <td key={i} />
            ) : (
              <th key={head} scope="col" className="font-normal">
                {head}
              </th>
            ),
          )}
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </table>
  </section>
);
