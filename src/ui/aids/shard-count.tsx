"use client";

import { useHotkeys } from "react-hotkeys-hook";
import type { EndEvent } from "@/core";
import { onControl } from "./on-control";

interface ShardCountProps {
  readonly shards: { readonly made: number; readonly binned: number };
  readonly onAdd: (event: EndEvent) => void;
}

/** Bare glass counted off and into the bin; one missing is looked for before anybody leaves the bench. */
export function ShardCount({ shards: { made, binned }, onAdd }: ShardCountProps) {
  const missing = Math.max(0, made - binned);
  const count = (off: number, away: number) => onAdd({ kind: "shards", made: off, binned: away });
  useHotkeys("enter", () => count(0, missing), { enabled: missing > 0, ignoreEventWhen: onControl });
  return (
    <section aria-label="Shards" className="grid gap-2">
      <p className="text-xl">
        <strong className="figures text-3xl">{made}</strong> off ·{" "}
        <strong className="figures text-3xl">{binned}</strong> in the bin
      </p>
      <p role="status" className={missing > 0 ? "font-bold text-out" : "text-in"}>
        {missing > 0
          ? `${missing} not in the bin yet. Pick it up with tape, never by hand.`
          : made > 0
            ? "Every shard is accounted for."
            : "No shard is counted off yet."}
      </p>
      <div className="grid grid-cols-2 gap-2">
        <button
          type="button"
          disabled={missing === 0}
          onClick={() => count(0, missing)}
          aria-keyshortcuts="Enter"
          className="col-span-2 min-h-14 rounded-lg border-2 border-ink px-4 font-bold text-lg disabled:opacity-40"
        >
          {missing > 1 ? `All ${missing} are in the bin` : "It is in the bin"}
        </button>
        <button
          type="button"
          disabled={missing === 0}
          onClick={() => count(0, 1)}
          className="min-h-12 rounded-lg border border-line px-3 disabled:opacity-40"
        >
          One into the bin
        </button>
        <button
          type="button"
          disabled={binned === 0}
          onClick={() => count(0, -1)}
          className="min-h-12 rounded-lg border border-line px-3 disabled:opacity-40"
        >
          One back out
        </button>
        <button
          type="button"
          onClick={() => count(1, 0)}
          className="min-h-12 rounded-lg border border-line px-3"
        >
          Another came off
        </button>
        <button
          type="button"
          disabled={made === 0 || made <= binned}
          onClick={() => count(-1, 0)}
          className="min-h-12 rounded-lg border border-line px-3 disabled:opacity-40"
        >
          Counted one too many
        </button>
      </div>
    </section>
  );
}
