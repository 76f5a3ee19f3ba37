"use client";

import { useHotkeys } from "react-hotkeys-hook";
import type { EndEvent } from "@/core";
import { Button } from "../controls/button";
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
        <Button
          size="large"
          disabled={missing === 0}
          onClick={() => count(0, missing)}
          aria-keyshortcuts="Enter"
          className="col-span-2 font-bold"
        >
          {missing > 1 ? `All ${missing} are in the bin` : "It is in the bin"}
        </Button>
        <Button look="quiet" disabled={missing === 0} onClick={() => count(0, 1)}>
          One into the bin
        </Button>
        <Button look="quiet" disabled={binned === 0} onClick={() => count(0, -1)}>
          One back out
        </Button>
        <Button look="quiet" onClick={() => count(1, 0)}>
          Another came off
        </Button>
        <Button look="quiet" disabled={made === 0 || made <= binned} onClick={() => count(-1, 0)}>
          Counted one too many
        </Button>
      </div>
    </section>
  );
}
