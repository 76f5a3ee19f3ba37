import {
  type Entry,
  fibreIn,
  isMidRun,
  openingIn,
  openingOf,
  type Parted,
  preparedRows,
  type RunSheet,
  throughOf,
  throughRows,
  tubesOf,
} from "@/core";
import { t } from "@/messages/entry";
import type { CableRow } from "../entry-drawing/cable-rows";
import type { NamedCable } from "../entry-drawing/entry-cables";
import { fibreText } from "../words/fibre-text";
import { mmText, type Units } from "../words/length-text";
import { PreparedTable } from "./prepared-table";

interface PreparedProps {
  readonly entry: Entry;
  readonly rows: readonly CableRow[];
  /** The sheet a cable is prepared by: opened in mid-run where it goes through and the entry has one for it. */
  readonly sheetOf: (cable: NamedCable) => RunSheet | null;
  readonly partedOf: (cable: NamedCable) => readonly Parted[];
  readonly units: Units;
}

/** On paper: what to prepare of every cable of the closure, like ones once. */
export function Prepared({ entry, rows, sheetOf, partedOf, units }: PreparedProps) {
  const keyOf = ({ cable: { of, through, opening } }: CableRow) =>
    `${of.id} ${through} ${opening ? JSON.stringify(opening) : ""}`;
  const groups = [...new Set(rows.map(keyOf))].map((key) => rows.filter((row) => keyOf(row) === key));
  return (
    <div className="hidden print:block">
      {groups.map((alike) => {
        const [first] = alike;
        const sheet = first && sheetOf(first.cable);
        if (!first || !sheet) return null;
        const { cable } = first;
        const opening = cable.through
          ? openingIn(
              entry,
              cable.opening ?? throughOf(entry, cable.of),
              isMidRun(sheet) ? openingOf(sheet) : null,
            )
          : null;
        return (
          <section key={cable.id} className="break-inside-avoid px-4 py-3">
            <h2 className="font-bold text-lg">
              {alike.map(({ cable: { name } }) => name).join(", ")}
              {cable.through && t("through")}
              <span className="font-normal text-base">
                {" "}
                · {alike.map(({ ports }) => `port ${ports.join(" + ")}`).join(", ")}
              </span>
            </h2>
            {opening && (
              <p>
                {t("open")}{" "}
                <strong className="figures">{t("mm-3", { mmText: mmText(2 * opening.half) })}</strong>
                {t("and-from-the-centre-mark-turns", {
                  mmText: mmText(opening.half),
                  turns: (cable.opening ?? throughOf(entry, cable.of)).turns,
                })}
              </p>
            )}
            {cable.through && <Parts cable={cable} parted={partedOf(cable)} />}
            <PreparedTable
              rows={opening ? throughRows(sheet, opening.half) : preparedRows(sheet)}
              units={units}
            />
          </section>
        );
      })}
    </div>
  );
}

/** Which fibres are parted, by their colours; all others stay whole. */
function Parts({ cable: { of }, parted }: { cable: NamedCable; parted: readonly Parted[] }) {
  if (parted.length === 0) return <p>{t("no-fibre-is-planned-to-be")}</p>;
  const { kind } = tubesOf(of);
  return (
    <p>
      {t("part")}{" "}
      <strong>{parted.map(({ fibre }) => `${fibre}: ${fibreText(fibreIn(of, fibre))}`).join("; ")}</strong>
      {t("every-other-fibre-and-stays-whole", { kind })}
    </p>
  );
}
