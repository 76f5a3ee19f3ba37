"use client";

import { Trash2 } from "lucide-react";
import { useState } from "react";
import { v4 as uuid } from "uuid";
import {
  CUT_ENDS,
  CUT_PLACES,
  fibresText,
  type PiecePlan,
  readFibres,
  readMetres,
  type SheathOpening,
  type Station,
  stationName,
  um,
  withParted,
  zStationId,
} from "@/core";
import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { FigureField } from "../controls/figure-field";
import { Select } from "../controls/select";
import { ASKS_METRES, metresText } from "../plan/metres";
import { CUT_END_WORDS, CUT_WORDS } from "../words/cut-words";
import { Choices, type SideStyle } from "./part-editor";

/** A procedure that opens the piece's cable in the middle of its run. */
export interface MidRunStyle {
  readonly id: string;
  readonly name: string;
  /** To either side of the centre mark, micrometres. */
  readonly reach: number;
}

interface StationsProps {
  readonly plan: PiecePlan;
  readonly openings: readonly SheathOpening[];
  /** How long the piece is, micrometres. */
  readonly exact: number;
  readonly styles: readonly MidRunStyle[];
  /** What goes on a fibre that is parted. */
  readonly onParted: SideStyle["onto"];
  readonly fibres: number;
  readonly onPoint: (key: string | null) => void;
  readonly change: (make: (before: PiecePlan) => PiecePlan) => boolean;
}

/** Where a piece is opened in the middle of its run, in order from side A. */
export function Stations({
  plan,
  openings,
  exact,
  styles,
  onParted,
  fibres,
  onPoint,
  change,
}: StationsProps) {
  const [open, setOpen] = useState<string | null>(null);
  const [style] = styles;
  if (!style && openings.length === 0) return null;
  const set = (id: string, changed: Partial<Station>) =>
    change((before) => ({
      ...before,
      stations: before.stations.map((station) => (station.id === id ? { ...station, ...changed } : station)),
    }));
  const add = () => {
    if (!style) return;
    const id = zStationId.parse(uuid());
    const along = um(Math.round(freeAlong(openings, exact) / 10_000) * 10_000);
    const station = { id, place: "", along, procedure: style.id, choices: {}, onto: null, parted: [] };
    if (change((before) => ({ ...before, stations: [...before.stations, station] }))) setOpen(id);
  };
  return (
    <section aria-labelledby="stations" className="mt-6">
      <h2 id="stations" className="font-bold text-lg">
        {t("opened-in-its-run")}
      </h2>
      {openings.length === 0 && <p className="text-soft">{t("nowhere-it-goes-whole-from-side")}</p>}
      <ul className="divide-y divide-line">
        {openings.map(({ id, along, name }) => {
          const station = plan.stations.find((station) => station.id === id);
          return (
            <li key={id} onPointerEnter={() => onPoint(`station ${id}`)} onPointerLeave={() => onPoint(null)}>
              <StationButton
                {...{ name, along, station }}
                isOpen={open === id}
                onClick={() => setOpen(open === id ? null : id)}
              />
              {station && open === id && (
                <StationEditor
                  station={station}
                  styles={styles}
                  onParted={onParted}
                  fibres={fibres}
                  set={(changed) => set(id, changed)}
                  drop={() =>
                    change((before) => ({
                      ...before,
                      stations: before.stations.filter((station) => station.id !== id),
                    }))
                  }
                />
              )}
            </li>
          );
        })}
      </ul>
      {style && (
        <Button size="small" onClick={add} className="mt-1">
          {t("add-a-station")}
        </Button>
      )}
    </section>
  );
}

interface StationButtonProps extends Pick<SheathOpening, "name" | "along"> {
  readonly station: Station | undefined;
  readonly isOpen: boolean;
  readonly onClick: () => void;
}

/** A station's line in the list: what it parts, and where it lies. */
function StationButton({ name, along, station, isOpen, onClick }: StationButtonProps) {
  return (
    <button
      type="button"
      aria-expanded={isOpen}
      onClick={onClick}
      className={`flex min-h-12 w-full items-baseline gap-x-3 px-2 py-2 text-left ${isOpen ? "bg-now-wash" : ""}`}
    >
      <span className="min-w-0 flex-1 truncate font-semibold">{name}</span>
      <span className="text-soft text-sm">
        {station && station.parted.length > 0
          ? `parts ${fibresText(station.parted.map(({ fibre }) => fibre))}`
          : t("all-whole")}
      </span>
      <span className="figures font-bold">{metresText(along)}</span>
    </button>
  );
}

/** The middle of the longest stretch nothing is opened in. */
function freeAlong(openings: readonly SheathOpening[], exact: number): number {
  const edges = [0, ...openings.flatMap(({ from, to }) => [from, to]), exact];
  let best = { room: -1, middle: exact / 2 };
  for (let i = 0; i < edges.length; i += 2) {
    const [from = 0, to = exact] = [edges[i], edges[i + 1]];
    if (to - from > best.room) best = { room: to - from, middle: (from + to) / 2 };
  }
  return best.middle;
}

interface StationEditorProps {
  readonly station: Station;
  readonly styles: readonly MidRunStyle[];
  readonly onParted: SideStyle["onto"];
  readonly fibres: number;
  readonly set: (changed: Partial<Station>) => boolean;
  readonly drop: () => void;
}

function StationEditor({ station, styles, onParted, fibres, set, drop }: StationEditorProps) {
  const numbers = station.parted.map(({ fibre }) => fibre);
  const cut = station.parted[0]?.at ?? "middle";
  return (
    <div className="grid gap-3 px-2 pb-3">
      <div className="grid grid-cols-2 gap-3">
        <FigureField
          title={t("what-is-there")}
          value={station.place}
          text={String}
          read={(text) => (text.length <= 200 ? text.trim() : null)}
          asks={t("at-most-200-letters")}
          onTake={(place) => set({ place })}
        />
        <FigureField
          title={t("from-side-a-s-end-m")}
          value={station.along}
          text={metresText}
          read={readMetres}
          asks={ASKS_METRES}
          onTake={(along) => set({ along })}
        />
      </div>
      <Select
        title={t("opened-by")}
        value={station.procedure}
        options={styles}
        onPick={(procedure) => {
          set({ procedure, choices: {} });
        }}
      />
      <div className="grid grid-cols-2 gap-3">
        <FigureField
          title={t("fibres-parted-1-to", { fibres })}
          value={fibresText(numbers)}
          text={String}
          read={(text) => (readFibres(text, fibres) === null ? null : text)}
          asks={t("numbers-from-1-to-as-7", { fibres })}
          onTake={(text) => set({ parted: withParted(readFibres(text, fibres) ?? [], station.parted, cut) })}
        />
        {numbers.length > 0 && (
          <Select
            title={t("they-are-cut")}
            value={cut}
            options={CUT_PLACES.map((id) => ({ id, name: CUT_WORDS[id] }))}
            onPick={(id) => {
              const at = CUT_PLACES.find((cutPlace) => cutPlace === id);
              if (at) set({ parted: station.parted.map(({ fibre }) => ({ fibre, at })) });
            }}
          />
        )}
      </div>
      {numbers.length > 0 && <OnCutEnds station={station} onParted={onParted} set={set} />}
      <Button look="quiet" onClick={drop}>
        <Trash2 aria-hidden="true" className="size-4" />{" "}
        {t("take-out", { stationName: stationName(station) })}
      </Button>
    </div>
  );
}

/** What is put on the cut ends of the fibres that are parted, and on which of them. */
function OnCutEnds({ station, onParted, set }: Pick<StationEditorProps, "station" | "onParted" | "set">) {
  if (onParted.length === 0) return null;
  return (
    <>
      <Select
        title={t("then-on-each-that-is-parted")}
        value={station.onto?.procedure ?? ""}
        empty={t("nothing-planned")}
        options={onParted}
        onPick={(id) => set({ onto: id === "" ? null : { procedure: id, choices: {}, cutEnds: "both" } })}
      />
      {station.onto && (
        <Select
          title={t("which-cut-ends")}
          value={station.onto.cutEnds ?? ""}
          empty={station.onto.cutEnds === null ? t("one-of-each-not-said-which") : undefined}
          options={CUT_ENDS.map((id) => ({ id, name: CUT_END_WORDS[id] }))}
          onPick={(id) => {
            const cutEnds = CUT_ENDS.find((each) => each === id);
            if (cutEnds) set({ onto: station.onto && { ...station.onto, cutEnds } });
          }}
        />
      )}
      <Choices
        choices={onParted.find(({ id }) => id === station.onto?.procedure)?.choices ?? []}
        picked={station.onto?.choices ?? {}}
        onPick={(choices) => set({ onto: station.onto && { ...station.onto, choices } })}
      />
    </>
  );
}
