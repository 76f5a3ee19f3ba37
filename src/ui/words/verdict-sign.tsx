import { Ban, Check, CircleHelp, CircleSlash, Scissors, X } from "lucide-react";

const SIGNS = {
  in: { icon: Check, tone: "bg-in text-ground" },
  out: { icon: X, tone: "bg-out text-ground" },
  unsure: { icon: CircleHelp, tone: "bg-unsure text-ground" },
  unmeasured: { icon: CircleSlash, tone: "bg-soft text-ground" },
  "cut-off": { icon: Scissors, tone: "bg-soft text-ground" },
  discarded: { icon: Ban, tone: "bg-soft text-ground" },
} as const;

/** A verdict as a shape and a colour; the word stands beside it. */
export function VerdictSign({ verdict, large = false }: { verdict: keyof typeof SIGNS; large?: boolean }) {
  const { icon: Icon, tone } = SIGNS[verdict];
  return (
    <span
      aria-hidden="true"
      className={`inline-flex shrink-0 items-center justify-center ${verdict === "in" ? "rounded-full" : verdict === "out" ? "rounded-sm" : "rounded-lg"} ${tone} ${large ? "size-9" : "size-5"}`}
    >
      <Icon className={large ? "size-6" : "size-3.5"} strokeWidth={3} />
    </span>
  );
}
