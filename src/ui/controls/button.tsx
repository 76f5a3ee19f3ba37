import { Slot } from "radix-ui";
import type { ComponentProps } from "react";

const LOOKS = {
  /** The one thing to do next. */
  next: "bg-now font-bold text-on-now",
  /** What is decided here. */
  strong: "bg-strong font-semibold text-on-strong",
  /** Any other thing to do. */
  plain: "border-2 border-ink font-semibold",
  /** What is there when it is wanted. */
  quiet: "border border-line",
  /** Words that do something, where there is room for a finger. */
  link: "underline",
  /** Words that do something, in a line of text. */
  text: "text-soft underline",
} as const;

const SIZES = {
  small: "min-h-11 rounded-md px-3 text-sm",
  usual: "min-h-12 rounded-lg px-4",
  large: "min-h-14 rounded-lg px-5 text-lg",
  /** What goes on at the bench, to be hit without looking. */
  huge: "short:min-h-12 min-h-16 rounded-lg px-5 text-xl",
  link: "min-h-12 px-3",
  line: "min-h-6 px-1",
} as const;

const USUAL_SIZES: Record<keyof typeof LOOKS, keyof typeof SIZES> = {
  next: "usual",
  strong: "usual",
  plain: "usual",
  quiet: "usual",
  link: "link",
  text: "line",
};

interface ButtonProps extends ComponentProps<"button"> {
  readonly look?: keyof typeof LOOKS;
  readonly size?: keyof typeof SIZES;
  /** Gives its look to the one element inside, a link for instance. */
  readonly asChild?: boolean;
}

/** Everything that is pressed looks like this. */
export function Button({
  look = "plain",
  size = USUAL_SIZES[look],
  asChild = false,
  className = "",
  ...props
}: ButtonProps) {
  const Element = asChild ? Slot.Root : "button";
  return (
    <Element
      {...(asChild ? {} : { type: "button" as const })}
      {...props}
      className={`inline-flex items-center justify-center gap-x-1 disabled:opacity-40 ${LOOKS[look]} ${SIZES[size]} ${className}`}
    />
  );
}
