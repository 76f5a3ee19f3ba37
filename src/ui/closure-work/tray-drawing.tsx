"use client";

import { useState } from "react";
import {
  type ClosureAtWork,
  type LayingStep,
  laidIn,
  loopShape,
  type SpliceState,
  slotAt,
  slotShapes,
  slotText,
  splicedIn,
  type TraySet,
} from "@/core";
import { t } from "@/messages/closure-work";
import { decimal } from "@/messages/numbers";
import { paintOf } from "../splicing/fibre-chip";
import { loopPath } from "./tray-geometry";

const EDGE = 14;
const SCALE_MM = 50;

interface TrayDrawingProps {
  readonly trays: TraySet;
  readonly tray: number;
  readonly at: ClosureAtWork;
  readonly splices: readonly SpliceState[];
  /** The splice in hand, by its id. */
  readonly picked: string | null;
  readonly onPick: (splice: string) => void;
  /** Puts the splice in hand into another slot. */
  readonly onSlot: (slot: string) => void;
  /** The steps of laying done so far, where they are played; null shows what is spliced. */
  readonly played: readonly LayingStep[] | null;
}

/** A tray to scale: its slots, the splices in them, and the loops of the one in hand. */
export function TrayDrawing({ trays, tray, at, splices, picked, onPick, onSlot, played }: TrayDrawingProps) {
  const [width, height] = [trays.width / 1_000, trays.height / 1_000];
  const [held, setHeld] = useState<{ readonly slot: string; readonly over: string | null } | null>(null);
  const here = splices.filter(
    ({ splice }) => splice.slot !== null && slotAt(trays, splice.slot)?.tray === tray,
  );
  const inHand = splices.find(({ splice }) => splice.id === picked);
  const isLaid = (id: string, lays: LayingStep["lays"]) =>
    played?.some((step) => step.splice === id && step.lays === lays) ?? false;
  const drawn = here.filter(({ standing, splice }) =>
    played ? isLaid(splice.id, "loops") : standing !== "open" || splice.id === picked,
  );
  const shapes = slotShapes(trays);
  const dragged = held?.over && inHand?.lengths ? laidIn(trays, held.over, inHand.lengths) : null;
  return (
    <figure className="grid gap-1">
      <svg
        viewBox={`${-EDGE} -4 ${width + 2 * EDGE} ${height + 8}`}
        role="img"
        aria-label={t("tray-of", { tray, slots: trays.slots.length, radius: trays.radius / 1_000 })}
        className="w-full max-w-3xl"
        onPointerUp={() => setHeld(null)}
        onPointerLeave={() => setHeld(null)}
      >
        <Plate width={width} height={height} />
        {drawn.map((state) => (
          <Loops
            key={state.splice.id}
            state={dragged && state.splice.id === picked ? { ...state, laid: dragged } : state}
            trays={trays}
            at={at}
            strong={state.splice.id === picked}
          />
        ))}
        {trays.slots.map(({ id, ribbon }, i) => {
          const place = slotText({ tray, slot: id });
          const state = here.find(({ splice }) => splice.slot === place);
          const laid = inHand?.lengths ? laidIn(trays, id, inHand.lengths) : null;
          const mayTake = inHand !== undefined && !state && inHand.splice.count > 1 === (ribbon === true);
          return (
            <Slot
              key={id}
              id={id}
              shape={shapeIn(shapes[i], width, height)}
              isPressed={played ? state !== undefined && isLaid(state.splice.id, "sleeve") : null}
              state={state}
              at={at}
              picked={state?.splice.id === picked}
              trim={mayTake ? (laid ? trimOf(laid) : null) : undefined}
              onTake={() => {
                if (!state) return;
                onPick(state.splice.id);
                setHeld({ slot: id, over: null });
              }}
              onOver={() => setHeld((now) => now && { ...now, over: mayTake && now.slot !== id ? id : null })}
              onDrop={() => {
                if (!state && mayTake) onSlot(place);
              }}
            />
          );
        })}
        <ScaleBar height={height} />
      </svg>
      <figcaption id="would-lie" className="text-soft text-sm">
        {dragged && held?.over ? (
          <WouldLie slot={held.over} laid={dragged} trays={trays} />
        ) : (
          t("drawn-thicker")
        )}
      </figcaption>
    </figure>
  );
}

interface Sized {
  readonly width: number;
  readonly height: number;
}

const Plate = ({ width, height }: Sized) => (
  <rect
    x="0"
    y="0"
    width={width}
    height={height}
    rx="8"
    fill="var(--raised)"
    stroke="var(--ink)"
    strokeWidth="0.8"
  />
);

const ScaleBar = ({ height }: Pick<Sized, "height">) => (
  <>
    <path d={`M4,${height - 4} h${SCALE_MM}`} stroke="var(--ink)" strokeWidth="0.8" />
    <text x="4" y={height - 6} fontSize="4.4" fill="var(--soft)">
      {t("length-mm", { length: SCALE_MM })}
    </text>
  </>
);

/** What both sides trim together, millimetres; null where it does not reach. */
const trimOf = ({ a, b }: NonNullable<SpliceState["laid"]>): number | null =>
  a.trim === null || b.trim === null ? null : (a.trim + b.trim) / 1_000;

interface LoopsProps extends Pick<TrayDrawingProps, "trays" | "at"> {
  readonly state: SpliceState;
  readonly strong: boolean;
}

/** Both fibres of a splice round the tray, each in its colour: the left side's loops left of the middle, the right's right. */
function Loops({ state: { splice, laid }, trays, at, strong }: LoopsProps) {
  if (!laid) return null;
  const [width, height] = [trays.width / 1_000, trays.height / 1_000];
  return (
    <g fill="none" opacity={strong ? 1 : 0.45}>
      {(["a", "b"] as const).map((side) => {
        const { perimeter, turns } = laid[side];
        if (perimeter === null || turns === null) return null;
        const shape = loopShape(trays, perimeter);
        const paint = paintOf(splice[side], splicedIn(at)).ground;
        const shift = side === "a" ? -1.2 : 1.2;
        return Array.from({ length: Math.ceil(turns) }, (_, turn) => {
          const path = loopPath(shape, width / 2 + shift, height / 2, turn * 1.1);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: the turns of a loop have no other name
            <g key={turn}>
              <path d={path} stroke="var(--ink)" strokeWidth={strong ? 1.1 : 0.7} />
              <path
                d={path}
                stroke={paint}
                strokeWidth={strong ? 0.8 : 0.5}
                className="motion-safe:transition-[d] motion-safe:duration-200"
              />
            </g>
          );
        });
      })}
    </g>
  );
}

/** How the splice that is being dragged would lie in the slot it is over. */
function WouldLie({
  slot,
  laid,
  trays,
}: {
  readonly slot: string;
  readonly laid: NonNullable<SpliceState["laid"]>;
  readonly trays: TraySet;
}) {
  const trim = trimOf(laid);
  if (trim === null) return t("slot-no-reach", { slot });
  const sides = [laid.a, laid.b].flatMap(({ turns, perimeter }) =>
    turns === null || perimeter === null
      ? []
      : t("turns-and-radius", {
          turns: decimal(String(turns)),
          perimeter: decimal((perimeter / 1_000).toFixed(1)),
          radius: decimal((loopShape(trays, perimeter).radius / 1_000).toFixed(1)),
        }),
  );
  return `${t("slot-trim", { slot, trim })}; ${sides.join(" / ")}`;
}

interface DrawnSlot {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** A slot's place on the drawing, millimetres from its corner. */
const shapeIn = (shape: DrawnSlot | undefined, width: number, height: number): DrawnSlot => ({
  left: width / 2 + (shape?.left ?? 0) / 1_000,
  top: height / 2 + (shape?.top ?? 0) / 1_000,
  width: (shape?.width ?? 0) / 1_000,
  height: (shape?.height ?? 0) / 1_000,
});

interface SlotProps {
  readonly id: string;
  readonly shape: DrawnSlot;
  readonly state: SpliceState | undefined;
  readonly at: ClosureAtWork;
  readonly picked: boolean;
  /** Whether its sleeve is in, where laying is played; null elsewhere. */
  readonly isPressed: boolean | null;
  /** What the splice in hand would trim here: undefined where it cannot be put here, null where it does not reach. */
  readonly trim: number | null | undefined;
  readonly onTake: () => void;
  readonly onOver: () => void;
  readonly onDrop: () => void;
}

/** A slot: empty, or with the sleeve of its splice in both fibres' colours. */
function Slot({ id, shape, state, at, picked, isPressed, trim, onTake, onOver, onDrop }: SlotProps) {
  const { left, top, width, height } = shape;
  const title =
    trim === undefined
      ? t("slot-of", { slot: id })
      : trim === null
        ? t("slot-no-reach", { slot: id })
        : t("slot-trim", { slot: id, trim });
  const sleeve = isPressed === false ? undefined : state;
  const half = { y: top + 1, width: width / 2 - 1, height: height - 2 };
  return (
    <g
      // Taken here and let go over another slot, or pressed there: the list of slots beside it does the same by keys.
      onPointerDown={(event) => {
        // A finger would hold on to the slot it began at.
        event.currentTarget.releasePointerCapture(event.pointerId);
        onTake();
      }}
      onPointerEnter={onOver}
      data-slot={id}
      onPointerUp={onDrop}
      className="cursor-pointer touch-none"
    >
      <title>{title}</title>
      <rect
        x={left}
        y={top}
        width={width}
        height={height}
        rx="2"
        fill="var(--ground)"
        stroke={picked ? "var(--now)" : "var(--line)"}
        strokeWidth={picked ? 1.2 : 0.5}
        strokeDasharray={state && (isPressed === false || state.standing === "open") ? "2 1.4" : undefined}
      />
      {sleeve && (
        <>
          <rect {...half} x={left + 1} fill={paintOf(sleeve.splice.a, splicedIn(at)).ground} />
          <rect {...half} x={left + width / 2} fill={paintOf(sleeve.splice.b, splicedIn(at)).ground} />
        </>
      )}
      <text
        x={left - 2}
        y={top + height - 0.6}
        textAnchor="end"
        fontSize="3.8"
        fontWeight="700"
        fill="var(--ink)"
      >
        {id}
      </text>
      {trim !== undefined && (
        <text
          x={left + width + 2}
          y={top + height - 0.6}
          fontSize="3.8"
          fill={trim === null ? "var(--out)" : "var(--soft)"}
        >
          {trim ?? "×"}
        </text>
      )}
    </g>
  );
}
