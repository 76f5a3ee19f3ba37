"use client";

import { useState } from "react";
import { ENDING_ROLES, type PortRole } from "@/core";
import { t } from "@/messages/entry";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import type { Joinable } from "./joined";

interface BringPieceProps {
  readonly joinable: readonly Joinable[];
  readonly job: { readonly id: string; readonly name: string };
  /** Brings it in; false where it cannot go in. */
  readonly onBring: (place: Joinable, role: PortRole) => Promise<boolean>;
}

const keyOf = ({ piece, side }: Joinable): string => `${piece} ${side}`;

/** Brings a piece of the job into its closure: by a side that ends there, or at a station it goes through. */
export function BringPiece({ joinable, job, onBring }: BringPieceProps) {
  const [picked, setPicked] = useState("");
  const place = joinable.find((joinable) => keyOf(joinable) === picked) ?? joinable[0];
  const [role, setRole] = useState<PortRole | null>(null);
  if (!place)
    return (
      <p className="no-print mt-4 text-soft">
        {t("no-piece-of")}{" "}
        <Link href={`/jobs/${job.id}`} className="underline">
          {job.name}
        </Link>{" "}
        {t("is-left-that-can-come-in")}
      </p>
    );
  const usual = place.through ? "through" : (role ?? "branch");
  return (
    <div className="no-print mt-4 grid grid-cols-2 items-end gap-3 border-line border-t pt-3">
      <Select
        title={t("a-piece-of-the-job")}
        value={keyOf(place)}
        options={joinable.map((joinable) => ({
          id: keyOf(joinable),
          name: joinable.through ? t("through-2", { text: joinable.text }) : joinable.text,
        }))}
        onPick={setPicked}
        className="col-span-2 min-w-0"
      />
      <Select
        title={t("it-is-for")}
        value={usual}
        options={(place.through ? (["through"] as const) : ENDING_ROLES).map((portRole) => ({
          id: portRole,
          name: portRole,
        }))}
        onPick={(id) => setRole(ENDING_ROLES.find((portRole) => portRole === id) ?? null)}
      />
      <Button look="strong" onClick={() => void onBring(place, usual)}>
        {t("bring-the-piece-in")}
      </Button>
    </div>
  );
}
