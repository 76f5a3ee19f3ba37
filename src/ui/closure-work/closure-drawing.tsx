"use client";

import { type KeyboardEvent, type ReactNode, useMemo } from "react";
import {
  type ClosureAtWork,
  type ClosureStage,
  type ClosureWork,
  type WholeClosure,
  wholeClosure,
} from "@/core";
import { t } from "@/messages/closure-work";
import { Fibres } from "./closure-fibres";
import { STAGE_NAMES } from "./stage-names";
import { loopPath } from "./tray-geometry";

interface ClosureDrawingProps {
  readonly at: ClosureAtWork;
  readonly work: ClosureWork;
  readonly shown: ClosureStage;
  readonly onShow: (stage: ClosureStage) => void;
}

const mm = (micrometres: number): number => micrometres / 1_000;

/** The closure as it lies open, drawn as one: each part opens its stage where it is touched. */
export function ClosureDrawing({ at, work, shown, onShow }: ClosureDrawingProps) {
  const drawn = useMemo(() => wholeClosure(at, work), [at, work]);
  const { width, height, plate, clampedTo } = drawn;
  return (
    <figure aria-label={t("closure-drawn")} className="no-print mb-4 overflow-x-auto">
      <svg
        viewBox={`0 0 ${mm(width)} ${mm(height)}`}
        className="max-h-[38vh] w-full min-w-160 rounded-lg border border-line bg-raised"
      >
        <title>{t("closure-drawn")}</title>
        <Part
          label={drawn.closed ? t("cover-is-on") : t("cover-is-off")}
          stage="closing"
          {...{ shown, onShow }}
        >
          <rect
            x={mm(plate.left)}
            y="4"
            width={mm(width - plate.left) - 4}
            height={mm(height) - 8}
            rx="14"
            fill="transparent"
            stroke="var(--ink)"
            strokeWidth="1.2"
            strokeDasharray={drawn.closed ? undefined : "5 4"}
          />
          <text x={mm(width) - 10} y={mm(height) - 10} textAnchor="end" {...LETTERS}>
            {drawn.closed ? t("cover-is-on") : t("cover-is-off")}
          </text>
        </Part>
        <rect
          x={mm(plate.left)}
          y="4"
          width={mm(plate.right - plate.left)}
          height={mm(height) - 8}
          fill="var(--line)"
          stroke="var(--ink)"
          strokeWidth="0.8"
        />
        <rect
          x={mm(plate.right)}
          y={mm(height) / 2 - 2}
          width={mm(clampedTo - plate.right) + 30}
          height="4"
          fill="var(--line)"
        />
        <Face drawn={drawn} {...{ shown, onShow }} />
        <Fibres drawn={drawn} at={at} work={work} />
        {drawn.cables.map((cable) => (
          <CablePart key={cable.id} cable={cable} drawn={drawn} {...{ shown, onShow }} />
        ))}
        <Storage drawn={drawn} {...{ shown, onShow }} />
        <Trays drawn={drawn} {...{ shown, onShow }} />
      </svg>
      <figcaption className="text-soft text-sm">{t("drawn-to-one-scale")}</figcaption>
    </figure>
  );
}

const LETTERS = { fontSize: 9, fill: "var(--ink)" } as const;
const DONE = { fontSize: 10, fill: "var(--in)", fontWeight: 700 } as const;

interface PartProps {
  readonly label: string;
  readonly stage: ClosureStage;
  readonly shown: ClosureStage;
  readonly onShow: (stage: ClosureStage) => void;
  readonly children: ReactNode;
}

/** A part of the drawing that opens its stage, by hand or by key. */
function Part({ label, stage, shown, onShow, children }: PartProps) {
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== "Enter" && event.key !== " ") return;
    event.preventDefault();
    onShow(stage);
  };
  const name = t("part-opens-stage", { label, stage: STAGE_NAMES[stage]() });
  return (
    // biome-ignore lint/a11y/useSemanticElements: a part of a drawing cannot be a button of the page
    <g
      role="button"
      tabIndex={0}
      aria-label={name}
      aria-pressed={shown === stage}
      onClick={() => onShow(stage)}
      onKeyDown={onKeyDown}
      className="cursor-pointer outline-offset-2"
    >
      <title>{name}</title>
      {children}
    </g>
  );
}

type OfDrawing = Pick<PartProps, "shown" | "onShow"> & { readonly drawn: WholeClosure };

/** The face with its ports as seen from the cables, each cable by its number. */
function Face({ drawn: { face, cables }, shown, onShow }: OfDrawing) {
  const [x, y] = [mm(face.x), mm(face.y)];
  const [width, height] = [mm(face.width), mm(face.height)];
  return (
    <g>
      {face.shape === "round" ? (
        <ellipse cx={x} cy={y} rx={width / 2} ry={height / 2} fill="var(--ground)" stroke="var(--ink)" />
      ) : (
        <rect
          x={x - width / 2}
          y={y - height / 2}
          width={width}
          height={height}
          rx="6"
          fill="var(--ground)"
          stroke="var(--ink)"
        />
      )}
      {face.ports.map((port) => {
        const cable = cables.find(({ id }) => id === port.cable);
        const label = cable
          ? t("port-of-cable", { port: port.id, number: cable.number, name: cable.name })
          : t("port-is-empty", { port: port.id, plug: String(port.plug) });
        return (
          <Part
            key={port.id}
            label={label}
            stage={cable ? (cable.stage ?? "in-place") : "before-closing"}
            {...{ shown, onShow }}
          >
            <circle
              cx={x + mm(port.x)}
              cy={y + mm(port.y)}
              r={mm(port.diameter) / 2 + 2}
              fill={cable ? "var(--ink)" : "var(--raised)"}
              stroke={cable && cable.stage === shown ? "var(--now)" : "var(--ink)"}
              strokeWidth={cable && cable.stage === shown ? 2.5 : 0.8}
              strokeDasharray={cable ? undefined : "2 1.5"}
            />
            <text
              x={x + mm(port.x)}
              y={y + mm(port.y) + 3.5}
              textAnchor="middle"
              fontSize="10"
              fontWeight="700"
              fill={cable ? "var(--ground)" : "var(--soft)"}
            >
              {cable ? cable.number : "–"}
            </text>
          </Part>
        );
      })}
    </g>
  );
}

interface CablePartProps extends OfDrawing {
  readonly cable: WholeClosure["cables"][number];
}

/** A cable from outside to its clamp and what is opened of it. */
function CablePart({ cable, drawn: { plate, clampedTo, openedTo }, shown, onShow }: CablePartProps) {
  const { stage, number, name, diameter } = cable;
  const [y, thick] = [mm(cable.y), Math.max(2, mm(diameter))];
  const from = mm(plate.left) - 60;
  return (
    <Part
      label={t("cable-of", { number, name, open: stage === null ? "done" : STAGE_NAMES[stage]() })}
      stage={stage ?? "in-place"}
      {...{ shown, onShow }}
    >
      <rect
        x={from}
        y={y - thick / 2}
        width={mm(clampedTo) - from}
        height={thick}
        fill="var(--ink)"
        stroke={stage === shown ? "var(--now)" : "none"}
        strokeWidth="2"
      />
      <rect
        x={mm(plate.right) + 14}
        y={y - thick / 2 - 3}
        width="7"
        height={thick + 6}
        rx="1.5"
        fill="var(--ground)"
        stroke="var(--ink)"
        strokeWidth="0.8"
      />
      <rect
        x={mm(clampedTo)}
        y={y - thick / 4}
        width={mm(openedTo - clampedTo)}
        height={thick / 2}
        fill="var(--raised)"
        stroke="var(--ink)"
        strokeWidth="0.8"
      />
      {/* Cut off where it is long, not shortened: its part is called by all of it. */}
      <svg x={from} y={y - thick / 2 - 12} width={mm(clampedTo) - from} height="12">
        <title>{name}</title>
        <text y="9.5" {...LETTERS} fontSize="8.5" fontWeight="600">
          {t("number-and-name", { number, name })}
        </text>
      </svg>
      {stage === null && (
        <text x={from - 10} y={y + 3.5} {...DONE}>
          ✓
        </text>
      )}
    </Part>
  );
}

/** The slack storage with its turns, and how many fibres lie in it whole. */
function Storage({ drawn: { storage, cables, openedTo }, shown, onShow }: OfDrawing) {
  if (!storage) return null;
  const { turns, whole, standing } = storage;
  const [x, y] = [mm(storage.x), mm(storage.y)];
  const left = x - mm(storage.straight / 2 + storage.radius);
  const top = y - mm(storage.radius) + 5 * turns + 16;
  return (
    <Part label={t("storage-of", { turns, whole })} stage="fibres" {...{ shown, onShow }}>
      {cables
        .filter(({ through }) => through)
        .map((cable) => (
          <path
            key={cable.id}
            d={`M${mm(openedTo)},${mm(cable.y)} C${left - 4},${mm(cable.y)} ${left},${y + 30} ${left},${y}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="3"
            opacity="0.75"
          />
        ))}
      {Array.from({ length: Math.max(1, turns) }, (_, turn) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: the turns of a loop have no other name
          key={turn}
          d={loopPath(storage, x, y, turn * 5)}
          fill="transparent"
          stroke={shown === "fibres" ? "var(--now)" : "var(--ink)"}
          strokeWidth="3"
          opacity="0.75"
        />
      ))}
      <text y={top} textAnchor="middle" {...LETTERS}>
        <tspan x={x} fontWeight="700">
          {standing === "done" ? "✓ " : ""}
          {t("storage-turns", { turns })}
        </tspan>{" "}
        <tspan x={x} dy="12">
          {t("storage-whole", { whole })}
        </tspan>
      </text>
    </Part>
  );
}

/** The trays as they lie over each other: of each how many splices are in. */
function Trays({ drawn: { trays }, shown, onShow }: OfDrawing) {
  if (!trays) return null;
  const [left, top] = [mm(trays.left), mm(trays.top)];
  const [width, height] = [mm(trays.width), mm(trays.height)];
  const [first] = trays.trays;
  return (
    <Part
      label={trays.trays.map(({ tray, done, count }) => t("tray-holds", { tray, done, count })).join("; ")}
      stage="splices"
      {...{ shown, onShow }}
    >
      {trays.trays.slice(1, 4).map(({ tray }, i) => (
        <rect
          key={tray}
          x={left + 6 * (i + 1)}
          y={top - 7 * (i + 1)}
          width={width - 12 * (i + 1)}
          height={height}
          rx="8"
          fill="var(--ground)"
          stroke="var(--line)"
        />
      ))}
      <rect
        x={left}
        y={top}
        width={width}
        height={height}
        rx="8"
        fill="var(--ground)"
        stroke={shown === "splices" ? "var(--now)" : "var(--ink)"}
        strokeWidth={shown === "splices" ? 2.5 : 1}
      />
      <text y={top + 18} {...LETTERS} fontWeight="600">
        {trays.trays.map(({ tray, done, count }, i) => (
          <tspan key={tray} x={left + 10} dy={i === 0 ? 0 : 14}>
            {t("tray-holds", { tray, done, count })}{" "}
          </tspan>
        ))}
      </text>
      {Array.from({ length: first?.count ?? 0 }, (_, i) => (
        <rect
          // biome-ignore lint/suspicious/noArrayIndexKey: a splice of the first tray, drawn as one of so many
          key={i}
          x={left + width - 62 + (i % 4) * 13}
          y={top + 10 + Math.floor(i / 4) * 13}
          width="10"
          height="10"
          rx="2"
          fill={i < (first?.done ?? 0) ? "var(--in)" : "var(--raised)"}
          stroke="var(--ink)"
          strokeWidth="0.7"
        />
      ))}
    </Part>
  );
}
