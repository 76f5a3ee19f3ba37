"use client";

import { Check } from "lucide-react";
import { Checkbox } from "radix-ui";
import type { ProcedurePart } from "@/core";
import { t } from "@/messages/bench";
import { useDigits } from "../keys/use-digits";

interface ThreadGateProps {
  readonly parts: readonly ProcedurePart[];
  readonly threaded: readonly string[];
  readonly onThread: (part: string, on: boolean) => void;
}

/** Nothing is cut until every part is on: what is forgotten here cannot be added later. */
export function ThreadGate({ parts, threaded, onThread }: ThreadGateProps) {
  useDigits((index) => {
    const part = parts[index];
    if (part) onThread(part.id, !threaded.includes(part.id));
  });
  return (
    <>
      <InOrder parts={parts} threaded={threaded} />
      <ol className="mt-2 grid gap-2">
        {parts.map(({ id, name, way, shape, ifForgotten }, i) => {
          const on = threaded.includes(id);
          return (
            <li key={id}>
              <Checkbox.Root
                checked={on}
                aria-keyshortcuts={String(i + 1)}
                onCheckedChange={(checked) => onThread(id, checked === true)}
                className={`flex min-h-16 w-full items-center gap-4 rounded-lg border-2 px-4 py-1.5 text-left ${on ? "border-in bg-in-wash" : "border-line bg-raised"}`}
              >
                <span
                  aria-hidden="true"
                  className={`flex size-8 shrink-0 items-center justify-center rounded-md border-2 font-bold ${on ? "border-in bg-in text-ground" : "border-ink"}`}
                >
                  {on ? <Check className="size-5" strokeWidth={3} /> : i + 1}
                </span>
                <PartShape shape={shape} />
                <span className="min-w-0">
                  <span className="block font-bold text-lg leading-tight">{name}</span>
                  <span className="block leading-tight">{way}</span>
                  {!on && (
                    <span className="block text-soft text-sm leading-tight">
                      {t("if-forgotten", { ifForgotten })}
                    </span>
                  )}
                </span>
              </Checkbox.Root>
            </li>
          );
        })}
      </ol>
    </>
  );
}

const SPACING = 74;

/** The parts as they hang on the cable, the first threaded furthest from the end; what is not on yet is dashed. */
function InOrder({ parts, threaded }: Pick<ThreadGateProps, "parts" | "threaded">) {
  if (parts.length < 2) return null;
  const width = 60 + parts.length * SPACING;
  return (
    <figure className="mt-2">
      <svg
        viewBox={`0 0 ${width} 62`}
        className="h-16 max-w-full"
        role="img"
        aria-label={t("on-the-cable-from-the-end", {
          value: parts
            .map(({ name }) => name)
            .reverse()
            .join(", "),
        })}
      >
        <path d={`M14,20 H${width}`} stroke="var(--inch)" strokeWidth="7" />
        <path d="M14,16.5 v7" stroke="var(--ink)" strokeWidth="2" />
        {parts.map(({ id, shape }, i) => {
          const on = threaded.includes(id);
          const x = width - (i + 1) * SPACING;
          return (
            <g key={id} transform={`translate(${x} 2)`}>
              <path
                d={SHAPES[shape]}
                transform="matrix(-1 0 0 1 46 0)"
                fill={on ? "var(--raised)" : "none"}
                stroke={on ? "var(--ink)" : "var(--soft)"}
                strokeWidth="2"
                strokeDasharray={on ? undefined : "3 3"}
                strokeLinejoin="round"
              />
              <text x="22" y="56" textAnchor="middle" fontSize="14" fontWeight="700" fill="var(--ink)">
                {i + 1}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="text-soft text-sm">{t("cable-end-to-the-left-1")}</figcaption>
    </figure>
  );
}

const SHAPES: Record<ProcedurePart["shape"], string> = {
  boot: "M2,10 h26 l14,-5 v26 l-14,-5 h-26 z",
  sleeve: "M6,9 h32 v18 h-32 z M26,9 v18",
  tube: "M2,14 h42 v8 h-42 z",
  ring: "M18,6 h8 v24 h-8 z",
  clip: "M4,4 h38 v10 h-38 z M4,22 h38 v10 h-38 z M20,14 v8",
  nut: "M8,6 h22 l8,6 v12 l-8,6 h-22 z M20,6 v24",
  shell: "M2,10 h10 v-6 h24 l6,5 v18 l-6,5 h-24 v-6 h-10 z M12,10 v16",
  seal: "M14,4 q10,6 10,14 q0,8 -10,14 h16 q-8,-6 -8,-14 q0,-8 8,-14 z",
};

/** A part on the cable, the connector to the left as on the band. */
function PartShape({ shape }: { shape: ProcedurePart["shape"] }) {
  return (
    <svg width="64" height="36" viewBox="-8 0 64 36" aria-hidden="true" className="shrink-0">
      <line x1="-8" x2="56" y1="18" y2="18" stroke="var(--inch)" strokeWidth="5" />
      <path
        d={SHAPES[shape]}
        transform="matrix(-1 0 0 1 46 0)"
        fill="var(--raised)"
        stroke="var(--ink)"
        strokeWidth="2"
        strokeLinejoin="round"
      />
    </svg>
  );
}
