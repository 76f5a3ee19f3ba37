"use client";

import { useHotkeys } from "react-hotkeys-hook";
import type { EndEvent } from "@/core";
import { t } from "@/messages/aids";
import { Button } from "../controls/button";
import { onControl } from "./on-control";

interface ShardCountProps {
  readonly shards: { readonly made: number; readonly binned: number };
  readonly onAdd: (event: EndEvent) => void;
}

/** Bare glass counted off and into the bin; one missing is looked for before anybody leaves the bench. */
export function ShardCount({ shards: { made: produced, binned }, onAdd }: ShardCountProps) {
  const missing = Math.max(0, produced - binned);
  const count = (off: number, away: number) => onAdd({ kind: "shards", made: off, binned: away });
  useHotkeys("enter", () => count(0, missing), { enabled: missing > 0, ignoreEventWhen: onControl });
  return (
    <section aria-label={t("shards")} className="grid gap-2">
      <p className="text-xl">
        <strong className="figures text-3xl">{produced}</strong> {t("off")}{" "}
        <strong className="figures text-3xl">{binned}</strong> {t("in-the-bin")}
      </p>
      <p role="status" className={missing > 0 ? "font-bold text-out" : "text-in"}>
        {missing > 0
          ? t("not-in-the-bin-yet-pick", { missing })
          : produced > 0
            ? t("every-shard-is-accounted-for")
            : t("no-shard-is-counted-off-yet")}
      </p>
      <div className="grid grid-cols-2 gap-2">
        <Button
          size="large"
          disabled={missing === 0}
          onClick={() => count(0, missing)}
          aria-keyshortcuts="Enter"
          className="col-span-2 font-bold"
        >
          {missing > 1 ? t("all-are-in-the-bin", { missing }) : t("it-is-in-the-bin")}
        </Button>
        <Button look="quiet" disabled={missing === 0} onClick={() => count(0, 1)}>
          {t("one-into-the-bin")}
        </Button>
        <Button look="quiet" disabled={binned === 0} onClick={() => count(0, -1)}>
          {t("one-back-out")}
        </Button>
        <Button look="quiet" onClick={() => count(1, 0)}>
          {t("another-came-off")}
        </Button>
        <Button look="quiet" disabled={produced === 0 || produced <= binned} onClick={() => count(-1, 0)}>
          {t("counted-one-too-many")}
        </Button>
      </div>
    </section>
  );
}
