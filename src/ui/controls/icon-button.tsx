import type { ComponentProps } from "react";

interface IconButtonProps extends Omit<ComponentProps<"button">, "children"> {
  /** What it does, for whoever does not see the icon. */
  readonly name: string;
  readonly children: React.ReactNode;
}

/** An icon that is pressed, as large as a gloved finger wants it. */
export function IconButton({ name, className = "", children, ...props }: IconButtonProps) {
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      {...props}
      className={`flex size-12 shrink-0 items-center justify-center disabled:opacity-30 ${className}`}
    >
      {children}
    </button>
  );
}
