"use client";

import { type ClosureAtWork, laidIn, type SpliceState, slotAt, slotText, type TraySet } from "@/core";
import { t } from "@/messages/closure-work";
import { paintOf } from "../splicing/fibre-chip";
import { loopPath, loopShape } from "./tray-geometry";

const EDGE = 14;
const SLOT = { width: 44, height: 4.2 };
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
}

/** A tray to scale: its slots, the splices in them, and the loops of the one in hand. */
export function TrayDrawing({ trays, tray, at, splices, picked, onPick, onSlot }: TrayDrawingProps) {
  const [width, height] = [trays.width / 1_000, trays.height / 1_000];
  const here = splices.filter(
    ({ splice }) => splice.slot !== null && slotAt(trays, splice.slot)?.tray === tray,
  );
  const inHand = splices.find(({ splice }) => splice.id === picked);
  const top = height / 2 - (trays.slots.length * (SLOT.height + 1)) / 2;
  const drawn = here.filter(({ standing, splice }) => standing !== "open" || splice.id === picked);
  return (
    <figure className="grid gap-1">
      <svg
        viewBox={`${-EDGE} -4 ${width + 2 * EDGE} ${height + 8}`}
        role="img"
        aria-label={t("tray-of", { tray, slots: trays.slots.length, radius: trays.radius / 1_000 })}
        className="w-full max-w-3xl"
      >
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
        {drawn.map((state) => (
          <Loops
            key={state.splice.id}
            state={state}
            trays={trays}
            at={at}
            strong={state.splice.id === picked}
          />
        ))}
        {trays.slots.map(({ id, ribbon }, i) => {
          const place = slotText({ tray, slot: id });
          const state = here.find(({ splice }) => splice.slot === place);
          const y = top + i * (SLOT.height + 1);
          const laid = inHand?.lengths ? laidIn(trays, id, inHand.lengths) : null;
          const mayTake = inHand !== undefined && !state && inHand.splice.count > 1 === (ribbon === true);
          return (
            <Slot
              key={id}
              id={id}
              x={width / 2}
              y={y}
              state={state}
              at={at}
              picked={state?.splice.id === picked}
              trim={mayTake ? (laid ? trimOf(laid) : null) : undefined}
              onPress={() => (state ? onPick(state.splice.id) : mayTake && onSlot(place))}
            />
          );
        })}
        <path d={`M4,${height - 4} h${SCALE_MM}`} stroke="var(--ink)" strokeWidth="0.8" />
        <text x="4" y={height - 6} fontSize="4.4" fill="var(--soft)">
          {t("length-mm", { length: SCALE_MM })}
        </text>
      </svg>
      <figcaption className="text-soft text-sm">{t("drawn-thicker")}</figcaption>
    </figure>
  );
}

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
        const paint = paintOf(splice[side], at.cables).ground;
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
                className="transition-all duration-200"
              />
            </g>
          );
        });
      })}
    </g>
  );
}

interface SlotProps {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly state: SpliceState | undefined;
  readonly at: ClosureAtWork;
  readonly picked: boolean;
  /** What the splice in hand would trim here: undefined where it cannot be put here, null where it does not reach. */
  readonly trim: number | null | undefined;
  readonly onPress: () => void;
}

/** A slot: empty, or with the sleeve of its splice in both fibres' colours. */
function Slot({ id, x, y, state, at, picked, trim, onPress }: SlotProps) {
  const left = x - SLOT.width / 2;
  const title =
    trim === undefined
      ? t("slot-of", { slot: id })
      : trim === null
        ? t("slot-no-reach", { slot: id })
        : t("slot-trim", { slot: id, trim });
  return (
    <g
      // Taken here and let go over another slot, or pressed there: the list of slots beside it does the same by keys.
      onPointerDown={() => state && onPress()}
      onPointerUp={() => !state && onPress()}
      className="cursor-pointer touch-none"
    >
      <title>{title}</title>
      <rect
        x={left}
        y={y}
        width={SLOT.width}
        height={SLOT.height}
        rx="2"
        fill="var(--ground)"
        stroke={picked ? "var(--now)" : "var(--line)"}
        strokeWidth={picked ? 1.2 : 0.5}
        strokeDasharray={state && state.standing === "open" ? "2 1.4" : undefined}
      />
      {state && (
        <>
          <rect
            x={left + 1}
            y={y + 1}
            width={SLOT.width / 2 - 1}
            height={SLOT.height - 2}
            fill={paintOf(state.splice.a, at.cables).ground}
          />
          <rect
            x={x}
            y={y + 1}
            width={SLOT.width / 2 - 1}
            height={SLOT.height - 2}
            fill={paintOf(state.splice.b, at.cables).ground}
          />
        </>
      )}
      <text
        x={left - 2}
        y={y + SLOT.height - 0.6}
        textAnchor="end"
        fontSize="3.8"
        fontWeight="700"
        fill="var(--ink)"
      >
        {id}
      </text>
      {trim !== undefined && (
        <text
          x={left + SLOT.width + 2}
          y={y + SLOT.height - 0.6}
          fontSize="3.8"
          fill={trim === null ? "var(--out)" : "var(--soft)"}
        >
          {trim ?? "×"}
        </text>
      )}
    </g>
  );
}
