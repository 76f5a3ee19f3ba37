"use client";

import { useId, useMemo } from "react";
import { isMidRun, type RunSheet, type SheetFeature, toldPlace } from "@/core";
import { t } from "@/messages/band";
import { usePrefs } from "../prefs/prefs-context";
import { lengthText, type Units } from "../words/length-text";
import { toleranceAt } from "../words/line-words";
import { flagTexts, isRing } from "./flag-texts";
import { type PlacedFlag, placeFlags } from "./flags";
import { bandGeometry, readingPosition, thickAt } from "./geometry";
import { LayersDrawn } from "./layers";
import { Loupe } from "./loupe";
import { pointing } from "./pointing";
import { Tape } from "./tape";
import { Textures } from "./textures";
import { useRoom } from "./use-room";
import { useWidth } from "./use-width";

/** A reading to be shown at its place. */
export interface BandReading {
  readonly from: string;
  readonly value: number;
  readonly verdict: "in" | "out" | "unsure";
}

interface BandProps {
  readonly sheet: RunSheet;
  /** The band shows the end as it stands after this line. */
  readonly line: number;
  /** The features being worked on, or pointed at. */
  readonly lit: readonly string[];
  readonly onPoint?: (feature: string | null) => void;
  readonly readings?: readonly BandReading[];
  /** Where the sheet has each place, drawn thin beside where it lies; micrometres. */
  readonly planned?: readonly { readonly feature: string; readonly planned: number; readonly made: number }[];
  /** The leg that is drawn, where they are not alike. */
  readonly leg?: string;
  /** Working views need less height than the sheet. */
  readonly compact?: boolean;
}

const NONE_PLANNED: [] = [];
const ROW_PX = 36;
const TAPE_PX = 40;

/** The end drawn to scale: fibre end left, cable body right, marks and cuts at their true place, a tape below. */
export function Band({
  sheet,
  line,
  lit,
  onPoint,
  readings = [],
  planned = NONE_PLANNED,
  leg = "",
  compact = false,
}: BandProps) {
  const { ref, width, resized } = useWidth<HTMLElement>(1204);
  const { prefs } = usePrefs();
  const id = useId().replaceAll(":", "");
  const geometry = useMemo(() => bandGeometry(sheet, line, width), [sheet, line, width]);
  const room = useRoom();
  const rows = room === "short" ? 1 : width < 560 ? 2 : 3;
  const axis = rows * ROW_PX + (room === "high" ? 52 : 40);
  const tape = axis + (room === "high" ? (compact ? 54 : 62) : 40);
  const texts = flagTexts(sheet, geometry, line, lit, prefs.units);
  const flags = placeFlags(texts, width, rows);
  return (
    <figure
      ref={ref}
      className={`${resized ? "" : "band"} border-line border-b bg-raised`}
      aria-label={t("the-cable-end-drawn-to-scale")}
    >
      <svg
        width={width}
        height={tape + TAPE_PX}
        viewBox={`0 0 ${width} ${tape + TAPE_PX}`}
        className="block h-auto w-full"
        role="group"
        aria-label={t("marks-and-cuts-on-the-cable")}
      >
        <Textures id={id} />
        <CableDrawn id={id} sheet={sheet} line={line} geometry={geometry} axis={axis} />
        {geometry.scale.stretches.slice(0, -1).map(({ x1 }) => (
          <Break
            key={x1}
            x={x1}
            axis={axis}
            height={(geometry.layers[0]?.thick ?? 20) + 26}
            bottom={tape + TAPE_PX}
          />
        ))}
        <PlannedPlaces planned={planned} geometry={geometry} axis={axis} />
        <Tape scale={geometry.scale} top={tape} height={TAPE_PX} />
        <TapeGaps geometry={geometry} top={tape} />
        {flags.map((flag) => (
          <Flag
            key={flag.id}
            flag={flag}
            now={lit.includes(flag.id)}
            bottom={tape}
            axis={axis}
            onPoint={onPoint}
          />
        ))}
        {readings.map(({ from, value, verdict }) => (
          <ReadingMark
            key={`${from}-${value}`}
            x={geometry.scale.x(readingPosition(sheet, from, value))}
            y={tape - 2}
            verdict={verdict}
          />
        ))}
        {geometry.close && (
          <Loupe id={id} geometry={geometry} close={geometry.close} axis={axis} units={prefs.units} />
        )}
      </svg>
      <Caption sheet={sheet} geometry={geometry} flags={flags} leg={leg} />
      <LengthsTold sheet={sheet} geometry={geometry} units={prefs.units} />
    </figure>
  );
}

type Geometry = ReturnType<typeof bandGeometry>;

interface CableDrawnProps {
  readonly id: string;
  readonly sheet: RunSheet;
  readonly line: number;
  readonly geometry: Geometry;
  readonly axis: number;
}

/** The cable's layers, what was cut off drawn dashed, and rings that were scored. */
function CableDrawn({ id, sheet, line, geometry, axis }: CableDrawnProps) {
  return (
    <g aria-hidden="true" id={`${id}-cable`}>
      {geometry.ghosts.map(({ x0, x1, thick }) => (
        <rect
          key={thick}
          x={x0}
          y={axis - thick / 2}
          width={Math.max(0, x1 - x0)}
          height={thick}
          rx="3"
          fill="none"
          stroke="var(--ghost)"
          strokeDasharray="4 4"
        />
      ))}
      <LayersDrawn id={id} axis={axis} layers={geometry.layers} yarn={geometry.yarn} />
      {geometry.features
        .filter((feature) => isRing(feature, sheet, line))
        .map((feature) => (
          <Ring
            key={feature.id}
            x={geometry.scale.x(feature.position)}
            axis={axis}
            thick={thickAt(geometry, geometry.scale.x(feature.position))}
          />
        ))}
    </g>
  );
}

/** Gaps in the tape where length is left out. */
const TapeGaps = ({ geometry, top }: { geometry: Geometry; top: number }) => (
  <>
    {geometry.scale.stretches.slice(0, -1).map(({ x1 }) => (
      <rect
        key={x1}
        aria-hidden="true"
        x={x1}
        y={top + 1}
        width={34}
        height={TAPE_PX - 2}
        fill="var(--raised)"
      />
    ))}
  </>
);

interface PlannedPlacesProps extends Pick<CableDrawnProps, "geometry" | "axis"> {
  readonly planned: NonNullable<BandProps["planned"]>;
}

const PlannedPlaces = ({ planned, geometry, axis }: PlannedPlacesProps) =>
  planned
    .filter((place) => place.planned !== place.made)
    .map((place) => (
      <line
        key={place.feature}
        aria-hidden="true"
        x1={geometry.scale.x(place.planned)}
        x2={geometry.scale.x(place.planned)}
        y1={axis - 40}
        y2={axis + 40}
        stroke="var(--soft)"
        strokeWidth="0.75"
      />
    ));

interface CaptionProps extends Pick<CableDrawnProps, "sheet" | "geometry"> {
  readonly flags: readonly PlacedFlag[];
  readonly leg: string;
}

/** How it is drawn, and in words what had no room on it. */
function Caption({ sheet, geometry, flags, leg }: CaptionProps) {
  return (
    <figcaption className="px-4 py-0.5 text-[0.72rem] text-soft leading-tight">
      <span className="short:hidden">
        {t("lengths-to-scale-thickness", { timesText: timesText(geometry.thickness.times) })}
        {geometry.scale.stretches.length > 1 && t("length-left-out-at-the-break")}
      </span>
      {flags.some(({ letter }) => letter) && (
        <span className="ml-2 text-ink">
          {flags
            .filter(({ letter }) => letter)
            .map(({ id: feature, letter, main, note }) => (
              <span key={feature} className="mr-3 inline-block">
                <strong>{letter}</strong> {main} {note.split(" · ")[0]}
              </span>
            ))}
        </span>
      )}
      {isMidRun(sheet) && t("both-sides-of-the-centre-mark")}
      {sheet.cable.legs.length > 1 &&
        !isMidRun(sheet) &&
        (leg
          ? t("leg-is-drawn", { leg })
          : t("legs-alike-one-is-drawn", { value: sheet.cable.legs.join(" and ") }))}
    </figcaption>
  );
}

interface LengthsToldProps extends Pick<CableDrawnProps, "sheet" | "geometry"> {
  readonly units: Units;
}

/** Every length in words, for a reader of the screen. */
function LengthsTold({ sheet, geometry, units }: LengthsToldProps) {
  return (
    <ol className="sr-only" aria-label={t("lengths-on-the-cable")}>
      {geometry.features.slice(1).map((feature) => (
        <li key={feature.id}>
          {t("from-the", {
            name: feature.name,
            lengthText: lengthText(toldAt(sheet, feature), units, toleranceAt(sheet, feature.id)),
          })}{" "}
          {sheet.features[0]?.name}
        </li>
      ))}
    </ol>
  );
}

/** Where a feature lies, as it is shown: a place known by measurement no finer than it is known. */
const toldAt = (sheet: RunSheet, { id, position }: SheetFeature) =>
  toldPlace(position, sheet.lines.find(({ figure }) => figure?.feature === id)?.figure?.fromEnd ?? position);

const timesText = (times: number): string =>
  Math.abs(times - 1) < 0.08 ? t("to-scale-too") : `×${times.toFixed(1)}`;

function Ring({ x, axis, thick }: { x: number; axis: number; thick: number }) {
  return (
    <line
      x1={x}
      x2={x}
      y1={axis - thick / 2 - 1}
      y2={axis + thick / 2 + 1}
      stroke="#1f2328"
      strokeWidth="2.4"
      vectorEffect="non-scaling-stroke"
    />
  );
}

function Break({ x, axis, height, bottom }: { x: number; axis: number; height: number; bottom: number }) {
  const wave = (at: number) =>
    `M${at},${axis - height / 2} q7,${height / 8} 0,${height / 4} t0,${height / 4} t0,${height / 4} t0,${height / 4}`;
  return (
    <g aria-hidden="true">
      <rect x={x} y="0" width="34" height={bottom} fill="var(--raised)" />
      <path d={wave(x + 3)} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
      <path d={wave(x + 27)} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
    </g>
  );
}

interface FlagProps {
  flag: PlacedFlag;
  now: boolean;
  bottom: number;
  axis: number;
  onPoint: BandProps["onPoint"];
}

function Flag({ flag, now, bottom, onPoint }: FlagProps) {
  const y = 20 + flag.row * ROW_PX;
  const colour = now ? "var(--now)" : "var(--ink)";
  const anchor =
    flag.side === "right"
      ? { x: flag.x + 9, textAnchor: "start" as const }
      : { x: flag.x - 9, textAnchor: "end" as const };
  const label = `${flag.main}: ${flag.note}`;
  const pointed = onPoint && { role: "button", ...pointing(flag.id, now, onPoint) };
  return (
    <g aria-label={label} {...(pointed || { role: "img" })}>
      <line
        x1={flag.x}
        x2={flag.x}
        y1={y - 4}
        y2={bottom}
        stroke={colour}
        strokeWidth={now ? 2 : 1}
        strokeDasharray={now ? undefined : "1.5 3"}
      />
      {flag.letter === null ? (
        <circle cx={flag.x} cy={y - 5} r={now ? 5 : 3.4} fill={colour} />
      ) : (
        <text x={flag.x} y={y - 6} textAnchor="middle" fontSize="14" fontWeight="700" fill={colour}>
          {flag.letter}
        </text>
      )}
      <rect x={flag.x - 8} y={y - 16} width="16" height={bottom - y + 16} fill="transparent" />
      {flag.letter === null && (
        <text {...anchor} y={y} className="figures" fontSize={now ? 18 : 15} fontWeight="700" fill={colour}>
          {flag.main}
        </text>
      )}{" "}
      {flag.showNote && (
        <text {...anchor} y={y + 15} fontSize="12" fill="var(--soft)">
          {flag.note}
        </text>
      )}
    </g>
  );
}

const VERDICT_COLOUR = { in: "var(--in)", out: "var(--out)", unsure: "var(--unsure)" } as const;

function ReadingMark({ x, y, verdict }: { x: number; y: number; verdict: BandReading["verdict"] }) {
  return <path aria-hidden="true" d={`M${x - 7},${y - 12} h14 l-7,12 z`} fill={VERDICT_COLOUR[verdict]} />;
}
