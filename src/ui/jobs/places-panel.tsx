"use client";

import Link from "next/link";
import { useState } from "react";
import { BATCH_LIMIT, isDone, type PieceAnswer, SIDES, type SideName } from "@/core";
import { Button } from "../controls/button";
import { STANDING_WORDS, StandingMark } from "./standing";
import { sheetHref, useBegin } from "./use-begin";

type PlaceLine = PieceAnswer["places"][number];

interface PlacesPanelProps {
  readonly piece: string;
  readonly places: readonly PlaceLine[];
  readonly sides: Readonly<Record<SideName, string>>;
}

/** Every end of a piece by its place, side by side: how it stands, and the way to its bench or record. */
export function PlacesPanel({ piece, places, sides }: PlacesPanelProps) {
  const { begin, busy, problem } = useBegin(piece);
  if (places.length === 0)
    return <p className="text-soft">No end is planned: pick what ends a side, and how many ends it has.</p>;
  return (
    <>
      {problem && (
        <p role="alert" className="mb-2 rounded-md border-2 border-out px-3 py-2">
          {problem}
        </p>
      )}
      <div className="grid gap-6 lg:grid-cols-2">
        {SIDES.map((side) => (
          <SidePlaces
            key={side}
            piece={piece}
            side={side}
            name={sides[side]}
            places={places.filter((one) => one.side === side)}
            busy={busy}
            onBegin={(addresses) => begin(side, addresses)}
          />
        ))}
      </div>
    </>
  );
}

interface SidePlacesProps {
  readonly piece: string;
  readonly side: SideName;
  readonly name: string;
  readonly places: readonly PlaceLine[];
  readonly busy: boolean;
  readonly onBegin: (addresses: readonly PlaceLine["address"][]) => void;
}

/** Ends shown before the rest is asked for. */
const SHOWN = 48;

function SidePlaces({ piece, side, name, places, busy, onBegin }: SidePlacesProps) {
  const [all, setAll] = useState(false);
  if (places.length === 0)
    return (
      <section aria-label={`Side ${side}`}>
        <h3 className="font-bold">
          Side {side} {name && <span className="font-normal text-soft">{name}</span>}
        </h3>
        <p className="text-soft">Nothing is ended here.</p>
      </section>
    );
  const together = batchOf(places);
  const shown = all ? places : places.slice(0, SHOWN);
  return (
    <section aria-label={`Side ${side}`}>
      <div className="flex min-h-12 flex-wrap items-center gap-x-3">
        <h3 className="mr-auto font-bold">
          Side {side} {name && <span className="font-normal text-soft">{name}</span>}
        </h3>
        {together.length > 1 && (
          <Button
            size="small"
            disabled={busy}
            onClick={() => onBegin(together.map(({ address }) => address))}
          >
            {together.length} as a batch
          </Button>
        )}
      </div>
      <ul className="grid gap-x-3 sm:grid-cols-2">
        {shown.map((place) => (
          <PlaceRow key={place.text} piece={piece} place={place} busy={busy} onBegin={onBegin} />
        ))}
      </ul>
      {places.length > shown.length && (
        <Button look="quiet" size="small" onClick={() => setAll(true)} className="mt-2">
          All {places.length} ends
        </Button>
      )}
    </section>
  );
}

/** The first ends of one style with nothing done yet, as many as one batch takes. */
function batchOf(places: readonly PlaceLine[]): readonly PlaceLine[] {
  const open = places.filter(({ standing }) => standing === "planned");
  const style = open[0]?.procedure;
  return open.filter(({ procedure }) => procedure === style).slice(0, BATCH_LIMIT);
}

interface PlaceRowProps {
  readonly piece: string;
  readonly place: PlaceLine;
  readonly busy: boolean;
  readonly onBegin: SidePlacesProps["onBegin"];
}

function PlaceRow({ piece, place, busy, onBegin }: PlaceRowProps) {
  const { text, side, address, standing, end, batch } = place;
  const title = text || "the cable";
  const depth = address.length;
  return (
    <li
      className="flex min-h-12 min-w-0 items-center gap-2 border-line border-b"
      style={{ paddingLeft: Math.max(0, depth - 1) * 12 }}
    >
      <StandingMark standing={standing} />
      <Link
        href={sheetHref(piece, { side, address })}
        className="min-w-0 truncate underline decoration-line underline-offset-4"
        title="Its sheet"
      >
        {title}
      </Link>
      <span className="mr-auto truncate text-soft text-sm">{STANDING_WORDS[standing].toLowerCase()}</span>
      {end !== null && standing !== "bench" && (
        <Button look="link" asChild className="px-1 text-sm">
          <Link href={`/ledger/${end}`}>Record</Link>
        </Button>
      )}
      {standing === "bench" && end !== null ? (
        <Button size="small" asChild>
          <Link href={batch ? `/bench/batch/${batch}?end=${end}` : `/bench/${end}`}>Go on</Link>
        </Button>
      ) : (
        !isDone(standing) && (
          <Button
            size="small"
            look={standing === "planned" ? "quiet" : "plain"}
            disabled={busy}
            aria-label={`${standing === "planned" ? "To the bench" : "Make it again"}: ${title}, side ${side}`}
            onClick={() => onBegin([address])}
          >
            {standing === "planned" ? "Bench" : "Again"}
          </Button>
        )
      )}
    </li>
  );
}
