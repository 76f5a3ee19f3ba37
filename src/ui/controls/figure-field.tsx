"use client";

import { useEffect, useState } from "react";
import { Field } from "./field";

interface FigureFieldProps<T> {
  readonly title: string;
  readonly value: T;
  readonly text: (value: T) => string;
  /** What was typed, or null where it is none. */
  readonly read: (text: string) => T | null;
  /** What may be typed, shown where something else was. */
  readonly asks: string;
  /** Takes it; false where it cannot be so. */
  readonly onTake: (value: T) => boolean;
  readonly className?: string;
}

/** A figure of a plan: taken as it is left or Enter is pressed; what cannot be is said and the old one stands. */
export function FigureField<T>({
  title,
  value,
  text,
  read,
  asks,
  onTake,
  className = "",
}: FigureFieldProps<T>) {
  const shown = text(value);
  const [typed, setTyped] = useState(shown);
  const [problem, setProblem] = useState("");
  useEffect(() => {
    setTyped(shown);
    setProblem("");
  }, [shown]);
  const take = () => {
    if (typed === shown) return setProblem("");
    const parsed = read(typed);
    if (parsed === null) return setProblem(asks);
    setProblem("");
    if (!onTake(parsed)) setTyped(shown);
  };
  return (
    <Field
      title={title}
      value={typed}
      problem={problem}
      inputMode="decimal"
      className={className}
      onChange={({ target }) => setTyped(target.value)}
      onBlur={take}
      onKeyDown={({ key }) => {
        if (key === "Enter") take();
      }}
    />
  );
}
