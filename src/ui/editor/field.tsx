"use client";

import { useEffect, useId, useState } from "react";
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
}

/** A length typed in millimetres or inches; what cannot be read is told beside it and changes nothing. */
export function LengthField({
  label,
  value,
  open = false,
  className = "",
  onFocus,
  onChange,
}: LengthFieldProps) {
  const [text, setText] = useState(value === null ? "" : String(value));
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => {
    setText((before) => (sameAs(before, value) ? before : value === null ? "" : String(value)));
    setWrong(null);
  }, [value]);
  const type = (typed: string) => {
    setText(typed);
    if (typed.trim() === "" && open) {
      setWrong(null);
      onChange(null);
      return;
    }
    const read = signed(typed);
    if (typeof read === "number") {
      setWrong(null);
      onChange(read);
    } else setWrong(read);
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
          event.target.select();
          onFocus?.();
        }}
        onChange={(event) => type(event.target.value)}
        placeholder={open ? "open" : ""}
        className={`figures min-h-12 w-full rounded-md border bg-field px-2 placeholder:text-soft ${wrong ? "border-2 border-out" : "border-line"}`}
      />
      {wrong && <span className="block text-out text-sm">{wrong}</span>}
    </span>
  );
}

const sameAs = (text: string, value: number | null): boolean =>
  text.trim() === "" ? value === null : signed(text) === value;
