import type { ComponentProps } from "react";

interface InputProps extends ComponentProps<"input"> {
  /** The one thing to fill in where it stands. */
  readonly strong?: boolean;
}

/** Something to type in, where its name stands elsewhere; `Field` has its name with it. */
export function Input({ strong = false, className = "", ...props }: InputProps) {
  return (
    <input
      autoComplete="off"
      {...props}
      className={`min-h-12 rounded-lg bg-field px-3 placeholder:text-soft ${strong ? "border-2 border-ink text-lg" : "border border-line"} ${className}`}
    />
  );
}
