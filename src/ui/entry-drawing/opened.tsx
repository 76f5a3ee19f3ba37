"use client";

import { useId } from "react";
import type { LayerKind, RunSheet } from "@/core";
import { t } from "@/messages/entry";
import { bandGeometry } from "../band/geometry";
import { LayersDrawn } from "../band/layers";
import { Textures } from "../band/textures";
import { useWidth } from "../band/use-width";
import { mmText } from "../words/length-text";

/** A cable as it is drawn opened: what it is called, where it goes in, how it is prepared. */
interface OpenedCable {
  readonly id: string;
  readonly name: string;
  readonly ports: readonly string[];
  readonly sheet: RunSheet;
  /** Turns of its tubes that are stored where it goes through; null where it ends. */
  readonly turns: number | null;
}

const ROW = 86;
const THIN = 0.5;
const PLATE = { wide: 96, narrow: 34 };
/** Room for what is stored of a cable that goes through. */
const LOOPS = { wide: 170, narrow: 96 };
const INSIDE: readonly LayerKind[] = ["ribbon", "coating", "glass"];

/** Every cable as it lies opened, to scale along it: sheath at the left, where it comes in through its port. */
export function Opened({ cables, lit, onPoint }: OpenedProps) {
  const { ref, width } = useWidth<HTMLElement>(860);
  const id = useId().replaceAll(":", "");
  const room = width < 560 ? "narrow" : "wide";
  const rows = cables.flatMap((cable) =>
    (cable.turns === null ? [""] : ["in", "out"]).map((way, i) => ({
      cable,
      way,
      port: cable.ports[i] ?? cable.ports[0],
    })),
  );
  return (
    <figure ref={ref} aria-label={t("opened-along-the-cables")} className="min-w-0">
      <svg
        width={width}
        height={rows.length * ROW + 12}
        viewBox={`0 0 ${width} ${rows.length * ROW + 12}`}
        className="block h-auto w-full"
        aria-hidden="true"
      >
        <Textures id={id} />
        {rows.map((row, i) => (
          <OpenedRow
            key={`${row.cable.id} ${row.way}`}
            {...{ ...row, id, width, room, onPoint }}
            axis={i * ROW + 52}
            lit={lit === row.cable.id}
          />
        ))}
      </svg>
      <figcaption className="px-1 text-soft text-xs">{t("lengths-to-scale-thickness-not-length")}</figcaption>
    </figure>
  );
}

interface OpenedRowProps {
  readonly cable: OpenedCable;
  /** Of a cable that goes through: on its way in or out. */
  readonly way: string;
  readonly port: string | undefined;
  /** Id of the textures on the page. */
  readonly id: string;
  readonly width: number;
  readonly room: "wide" | "narrow";
  readonly axis: number;
  readonly lit: boolean;
  readonly onPoint: (id: string | null) => void;
}

/** One cable drawn from its port to its ends or its storage. */
function OpenedRow({ cable, way, port, id, width, room, axis, lit, onPoint }: OpenedRowProps) {
  const through = cable.turns !== null;
  const right = width - (through ? LOOPS[room] : 0);
  const { layers, yarn, scale } = bandGeometry(cable.sheet, cable.sheet.lines.length, right - PLATE[room]);
  const x = (position: number) => right - scale.x(position);
  // Of a cable that goes through, the tubes run on whole into the storage.
  const shown = through
    ? layers
        .filter(({ layer }) => !INSIDE.includes(layer.kind))
        .map((layer) => (layer.layer.kind === "tube" ? { ...layer, x0: scale.x(0) } : layer))
    : layers;
  const drawn = { ...FIGURES, ...placesOf(cable.sheet) };
  return (
    <>
      <g transform={`translate(${right}, ${axis}) scale(-1, ${THIN})`}>
        <LayersDrawn
          id={id}
          axis={0}
          layers={shown.map((layer) => ({ ...layer, x1: right }))}
          yarn={yarn && { ...yarn, folded: false }}
        />
      </g>
      <rect x={PLATE[room] - 12} y={axis - 30} width={10} height={60} className="fill-rail stroke-ink" />
      <text x={4} y={axis - 34} className={lit ? "fill-now font-bold" : "fill-ink font-bold"}>
        {[port, room === "wide" || cable.name.length < 22 ? cable.name : `${cable.name.slice(0, 20)}…`, way]
          .filter(Boolean)
          .join(" · ")}
      </text>
      {cable.turns === null && drawn.opening !== null && (
        <Place x={x(drawn.opening.at)} y={axis} label={`${mmText(drawn.opening.length)} opened`} />
      )}
      {drawn.members !== null && (
        <Place
          x={x(drawn.members.at)}
          y={axis}
          low
          left={through || x(drawn.members.at) > width - 160}
          label={`${mmText(drawn.members.length)}${room === "wide" ? t("member-stub") : ""}`}
        />
      )}
      {cable.turns !== null && way === "in" && (
        <Stored rx={LOOPS[room] / 2 - 19} x={x(0)} y={axis + ROW / 2} turns={cable.turns} />
      )}
      <rect
        x={0}
        y={axis - 46}
        width={width}
        height={ROW}
        fill="transparent"
        onPointerEnter={() => onPoint(cable.id)}
        onPointerLeave={() => onPoint(null)}
      />
    </>
  );
}

interface OpenedProps {
  readonly cables: readonly OpenedCable[];
  readonly lit: string | null;
  readonly onPoint: (id: string | null) => void;
}

type Told = { readonly at: number; readonly length: number } | null;
const FIGURES: { readonly opening: Told; readonly members: Told } = { opening: null, members: null };

/** Where the sheath edge and the members' ends lie on a sheet, and how long opening and stub are. */
function placesOf(sheet: RunSheet): typeof FIGURES {
  const report = (dimension: string, feature: string): Told => {
    const limit = sheet.limits.find((limit) => limit.dimension === dimension);
    const place = sheet.features.find(({ id }) => id === feature);
    return limit && place ? { at: place.position, length: limit.nominal } : null;
  };
  return { opening: report("opening", "sheath-edge"), members: report("members", "member-end") };
}

interface PlaceProps {
  readonly x: number;
  readonly y: number;
  readonly label: string;
  /** Below the cable, and to the left of its place. */
  readonly low?: boolean;
  readonly left?: boolean;
}

const Place = ({ x, y, label: message, low = false, left = false }: PlaceProps) => (
  <>
    <line
      x1={x}
      x2={x}
      y1={low ? y + 4 : y - 26}
      y2={low ? y + 30 : y - 4}
      className="stroke-ink"
      strokeDasharray="2 3"
    />
    <text
      x={left ? x - 5 : x + 5}
      y={low ? y + 32 : y - 20}
      textAnchor={left ? "end" : "start"}
      className="figures fill-ink text-sm"
    >
      {message}
    </text>
  </>
);

interface StoredProps {
  readonly x: number;
  readonly y: number;
  /** Half of how wide the turns are drawn. */
  readonly rx: number;
  readonly turns: number;
}

/** Tubes stored in turns between the two edges of a cable that goes through. */
const Stored = ({ x, y, rx, turns }: StoredProps) => {
  const ry = ROW / 2;
  return (
    <g fill="none" className="stroke-ink" strokeWidth={2}>
      <path d={`M${x},${y - ry} h${rx} M${x},${y + ry} h${rx}`} />
      {Array.from({ length: Math.min(4, Math.max(1, turns)) }, (_, i) => i).map((turn) => (
        <ellipse key={turn} cx={x + rx} cy={y} rx={rx - turn * 6} ry={ry - turn * 5} />
      ))}
      <text x={x + rx} y={y + 4} textAnchor="middle" stroke="none" className="figures fill-ink text-sm">
        {rx < 40 ? `${turns} ×` : `${turns} ${turns === 1 ? "turn" : "turns"}`}
      </text>
    </g>
  );
};
