"use client";

import { type Entry, type RunSheet, throughOf } from "@/core";
import { t } from "@/messages/entry";
import type { CableRow } from "./cable-rows";
import type { placedIn } from "./entry-cables";
import { Opened } from "./opened";
import { PortFace } from "./port-face";
import type { PortGrip } from "./use-port-drop";

interface EntryDrawnProps {
  readonly entry: Entry;
  readonly rows: readonly CableRow[];
  readonly placed: Pick<ReturnType<typeof placedIn>, "bushed" | "otherRole" | "valid"> | null;
  readonly sheets: ReadonlyMap<string, RunSheet>;
  readonly lit: string | null;
  readonly gripOf: (cable: string) => PortGrip;
  readonly onPoint: (id: string | null) => void;
}

/** The entry from its port face, and its cables as they lie opened. */
export function EntryDrawn({ entry, rows, placed, sheets, lit, gripOf, onPoint }: EntryDrawnProps) {
  const inPort = new Map(
    rows.flatMap(({ cable, ports, bushed }) => ports.map((port) => [port, { cable, bushed }] as const)),
  );
  const opened = rows.flatMap(({ cable: { id, name, of, through, opening }, ports }) => {
    const sheet = sheets.get(of.id);
    return sheet
      ? [{ id, name, ports, sheet, turns: through ? (opening ?? throughOf(entry, of)).turns : null }]
      : [];
  });
  return (
    <div className="grid border-line border-y bg-raised md:grid-cols-[19rem_minmax(0,1fr)]">
      <section aria-labelledby="face" className="border-line p-4 md:border-r">
        <h2 id="face" className="font-bold">
          {t("port-face")}
        </h2>
        <p className="mb-2 text-soft text-sm">{t("to-scale-seen-from-the-cables")}</p>
        <PortFace entry={entry} inPort={inPort} lit={lit} onTake={gripOf} room={270} />
        {placed && rows.length > 0 && (
          <p className="mt-2 text-sm">
            {placed.bushed === 0 ? t("no-bushing") : t("with-a-bushing-3", { bushed: placed.bushed })},{" "}
            {placed.otherRole === 0
              ? t("each-in-a-port-of-its")
              : t("in-another-s", { otherRole: placed.otherRole })}
            . <span className="text-soft">{t("ways-there-are", { valid: placed.valid })}</span>
          </p>
        )}
      </section>
      <section aria-labelledby="opened" className="min-w-0 p-4">
        <h2 id="opened" className="font-bold">
          {t("opened")}
        </h2>
        {opened.length === 0 ? (
          <p className="mt-2 text-soft">{t("no-cable-yet-add-the-first")}</p>
        ) : (
          <Opened lit={lit} onPoint={onPoint} cables={opened} />
        )}
      </section>
    </div>
  );
}
