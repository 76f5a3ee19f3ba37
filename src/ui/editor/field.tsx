"use client";

import { useEffect, useId, useRef, useState } from "react";
import { usePaused } from "../controls/use-paused";
import { leftToReturn } from "./own-typing";
import { signed } from "./signed";

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly most?: number;
  readonly lines?: number;
  readonly className?: string;
  readonly onChange: (value: string) => void;
}

/** A text of the document, with its name above it. */
export function TextField({ label, value, most = 300, lines = 1, className = "", onChange }: TextFieldProps) {
  const id = useId();
  const look = "min-h-12 w-full rounded-md border border-line bg-field px-3 py-2";
  const type = (event: { target: { value: string } }) => onChange(event.target.value);
  return (
    <span className={`grid gap-0.5 ${className}`}>
      <label htmlFor={id} className="text-soft text-sm">
        {label}
      </label>
      {lines > 1 ? (
        <textarea id={id} rows={lines} value={value} maxLength={most} onChange={type} className={look} />
      ) : (
        <input id={id} value={value} maxLength={most} onChange={type} className={look} />
      )}
    </span>
  );
}

interface LengthFieldProps {
  readonly label: string;
  /** Millimetres; null for a side left open. */
  readonly value: number | null;
  readonly open?: boolean;
  readonly className?: string;
  readonly onFocus?: () => void;
  readonly onChange: (value: number | null) => void;
  /** How often the document was gone back or on: the field then shows what stands there, whatever was typed. */
  readonly moves?: number;
}

/**
 * A length typed in millimetres or inches; what cannot be read is shown beside it and changes nothing. It shows what is typed
 * by itself: its own value may come back to it late.
 */
export function LengthField({
  label,
  value,
  open = false,
  className = "",
  onFocus,
  onChange,
  moves = 0,
}: LengthFieldProps) {
  const [text, setText] = useState(value === null ? "" : String(value));
  const [wrong, setWrong] = useState<string | null>(null);
  // On the way to 31.5 one is at “31.”: nothing is said of it, and no row moves, until the hand stops.
  const [shown, tell] = usePaused(wrong, wrong !== null, STOPPED_MS);
  /** Values typed here that have not come back yet, the oldest first. */
  const mine = useRef<{ readonly values: readonly (number | null)[]; readonly moves: number }>({
    values: [],
    moves,
  });
  useEffect(() => {
    const { values, moves: before } = mine.current;
    const left = moves === before ? leftToReturn(values, value) : null;
    mine.current = { values: left ?? [], moves };
    if (left !== null) return;
    setText((text) => (sameAs(text, value) ? text : value === null ? "" : String(value)));
    setWrong(null);
  }, [value, moves]);
  const give = (read: number | null) => {
    setWrong(null);
    mine.current = { ...mine.current, values: [...mine.current.values, read] };
    onChange(read);
  };
  const type = (typed: string) => {
    setText(typed);
    const read = typed.trim() === "" && open ? null : signed(typed);
    if (typeof read === "string") setWrong(read);
    else give(read);
  };
  const leave = () => {
    // Leaving a field draws its last value: no earlier one can return any more.
    mine.current = { ...mine.current, values: mine.current.values.slice(-1) };
    tell();
  };
  return (
    <span className={className}>
      <input
        aria-label={label}
        value={text}
        maxLength={40}
        autoComplete="off"
        aria-invalid={wrong !== null}
        title={wrong ?? label}
        onFocus={(event) => {
          // A focus from before the page could answer comes again once it can: selected then, what was typed would go.
          if (event.isTrusted) event.target.select();
          onFocus?.();
        }}
        onBlur={leave}
        onChange={(event) => type(event.target.value)}
        placeholder={open ? "open" : ""}
        className={`figures block h-12 w-full rounded-md border bg-field px-2 [contain:size_layout] placeholder:text-soft ${shown ? "border-2 border-out" : "border-line"}`}
      />
      {shown && <span className="mt-1.5 block text-out text-sm">{shown}</span>}
    </span>
  );
}

/** Typing that stands still so long is taken for all there is. */
const STOPPED_MS = 600;

const sameAs = (text: string, value: number | null): boolean =>
  text.trim() === "" ? value === null : signed(text) === value;
