"use client";

import { MoveHorizontal } from "lucide-react";
import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { draggedTo, steppedBy } from "@/core";
import { t } from "@/messages/jobs";
import type { Handle } from "./handles";

interface DragHandleProps {
  readonly handle: Handle;
  /** Middle of where it lies, pixels. */
  readonly x: number;
  readonly y: number;
  /** Shows what it would be; null puts it back as it was. */
  readonly onTry: (value: number | null) => void;
  readonly onSet: (value: number) => void;
}

const STEPS: Readonly<Record<string, number>> = {
  ArrowRight: 1,
  ArrowUp: 1,
  ArrowLeft: -1,
  ArrowDown: -1,
  PageUp: 10,
  PageDown: -10,
};

/** A handle on the whole-piece band: dragged, the cut length goes along; let go, it is one change; Escape leaves it be. */
export function DragHandle({ handle, x, y, onTry, onSet }: DragHandleProps) {
  // The value when the drag began: the dragged value changes meanwhile.
  const held = useRef<{ readonly from: number; readonly handle: Handle } | null>(null);
  const value = (event: PointerEvent): number | null =>
    held.current && draggedTo(held.current.handle, event.clientX - held.current.from);
  const take = (event: PointerEvent<HTMLDivElement>) => {
    if (event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    held.current = { from: event.clientX, handle };
  };
  const move = (event: PointerEvent) => {
    const next = value(event);
    if (next !== null) onTry(next);
  };
  const letGo = (event: PointerEvent) => {
    const next = value(event);
    const before = held.current?.handle.value;
    held.current = null;
    onTry(null);
    if (next !== null && next !== before) onSet(next);
  };
  const leave = () => {
    held.current = null;
    onTry(null);
  };
  const press = (event: KeyboardEvent) => {
    if (event.key === "Escape" && held.current) return leave();
    const steps = STEPS[event.key];
    if (steps === undefined) return;
    event.preventDefault();
    const next = steppedBy(handle, steps);
    if (next !== handle.value) onSet(next);
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={handle.name}
      aria-valuemin={0}
      aria-valuemax={handle.most}
      aria-valuenow={handle.value}
      aria-valuetext={handle.text(handle.value)}
      title={t("drag-or-the-arrow-keys", { name: handle.name })}
      onPointerDown={take}
      onPointerMove={move}
      onPointerUp={letGo}
      onPointerCancel={leave}
      onKeyDown={press}
      className="absolute flex size-12 -translate-x-1/2 -translate-y-1/2 cursor-ew-resize touch-none items-center justify-center rounded-full"
      style={{ left: x, top: y }}
    >
      <span aria-hidden="true" className="absolute -top-1.5 h-4 w-px bg-ink" />
      <span aria-hidden="true" className="rounded-full border-2 border-ink bg-raised px-0.5">
        <MoveHorizontal className="size-4" />
      </span>
    </div>
  );
}
