import type { ComponentProps } from "react";

const TONES = {
  /** One among others. */
  line: "border-2 border-line",
  /** The one that stands. */
  picked: "border-2 border-ink bg-raised font-bold",
  /** What is due, or usual. */
  now: "border-2 border-now",
  /** What costs an end or says it is out. */
  out: "border-2 border-out",
  /** What is to be done at once. */
  go: "bg-now font-bold text-on-now",
} as const;

interface ChoiceProps extends ComponentProps<"button"> {
  readonly tone?: keyof typeof TONES;
}

/** One of several ways on, said in words from the left, with what it costs below. */
export function ChoiceButton({ tone = "line", className = "", ...props }: ChoiceProps) {
  return (
    <button
      type="button"
      {...props}
      className={`min-h-12 rounded-md px-3 text-left leading-tight disabled:opacity-40 ${TONES[tone]} ${className}`}
    />
  );
}
