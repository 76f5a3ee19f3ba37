"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import { type ReactNode, useRef } from "react";
import type { PieceId } from "@/core";
import {
  BATCH_LIMIT,
  capital,
  isDone,
  isSide,
  mustHoldAt,
  type PieceAnswer,
  type PiecePlan,
  placeSides,
  sideText,
} from "@/core";
import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { FiguresFirst } from "../plan/figures-first";
import { STANDING_WORDS, StandingMark } from "../plan/standing";
import { sheetHref, useBegin } from "../plan/use-begin";
import { legsText } from "../words/legs-text";

type PlaceLine = PieceAnswer["places"][number];

interface PlacesPanelProps {
  readonly piece: PieceId;
  readonly places: readonly PlaceLine[];
  readonly plan: Pick<PiecePlan, "sides" | "stations">;
}

/** Every end of a piece by its place, from side A over its stations to side B: how it stands, and the way to its bench or record. */
export function PlacesPanel({ piece, places, plan }: PlacesPanelProps) {
  const { begin, busy, problem, asking } = useBegin(piece);
  if (places.length === 0) return <p className="text-soft">{t("no-end-is-planned-pick-what")}</p>;
  return (
    <>
      <FiguresFirst asking={asking} />
      {problem && (
        <p role="alert" className="mb-2 rounded-md border-2 border-out px-3 py-2">
          {problem}
        </p>
      )}
      <div className="grid gap-6 lg:grid-cols-2">
        {[...new Set([...placeSides(plan), ...places.map(({ side }) => side)])].map((side) => (
          <SidePlaces
            key={side}
            piece={piece}
            at={sideText(side, plan)}
            name={isSide(side) ? plan.sides[side].place : ""}
            places={places.filter((place) => place.side === side)}
            busy={busy}
            onBegin={(addresses) => begin(side, addresses)}
          />
        ))}
      </div>
    </>
  );
}

interface SidePlacesProps {
  readonly piece: PieceId;
  /** The side or station, as it is said in a sentence. */
  readonly at: string;
  readonly name: string;
  readonly places: readonly PlaceLine[];
  readonly busy: boolean;
  readonly onBegin: (addresses: readonly PlaceLine["address"][]) => void;
}

/** More ends than this lie in a list of their own, of which only what is in sight is drawn. */
const MOST_DRAWN = 48;

function SidePlaces({ piece, at, name, places, busy, onBegin }: SidePlacesProps) {
  const title = capital(at);
  if (places.length === 0)
    return (
      <section aria-label={title}>
        <h3 className="font-bold">
          {title} {name && <span className="font-normal text-soft">{name}</span>}
        </h3>
        <p className="text-soft">{t("nothing-is-ended-here")}</p>
      </section>
    );
  const together = batchOf(places);
  return (
    <section aria-label={title}>
      <div className="flex min-h-12 flex-wrap items-center gap-x-3">
        <h3 className="mr-auto font-bold">
          {title} {name && <span className="font-normal text-soft">{name}</span>}
        </h3>
        {together.length > 1 && (
          <Button
            size="small"
            disabled={busy}
            onClick={() => onBegin(together.map(({ address }) => address))}
          >
            {t("as-a-batch", { length: together.length })}
          </Button>
        )}
      </div>
      {places.length > MOST_DRAWN ? (
        <LongList places={places} row={(place) => <PlaceRow {...{ piece, place, at, busy, onBegin }} />} />
      ) : (
        <ul className="grid gap-x-3 sm:grid-cols-2 lg:grid-cols-1 2xl:grid-cols-2">
          {places.map((place) => (
            <li key={place.text}>
              <PlaceRow {...{ piece, place, at, busy, onBegin }} />
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** A row's height, pixels. */
const ROW_PX = 49;

interface LongListProps {
  readonly places: readonly PlaceLine[];
  readonly row: (place: PlaceLine) => ReactNode;
}

/** Thousands of ends as a list that scrolls by itself: what is in sight is drawn, and a little beyond it. */
function LongList({ places, row }: LongListProps) {
  const box = useRef<HTMLUListElement>(null);
  const list = useVirtualizer({
    count: places.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX,
    overscan: 6,
  });
  return (
    <>
      <p className="text-soft text-sm">{t("ends-in-the-order-of-their", { length: places.length })}</p>
      <ul ref={box} className="relative h-[28rem] overflow-y-auto border-line border-y">
        <li aria-hidden="true" style={{ height: list.getTotalSize() }} />
        {list.getVirtualItems().map(({ index, start }) => {
          const place = mustHoldAt(places, index);
          return (
            <li
              key={place.text}
              aria-setsize={places.length}
              aria-posinset={index + 1}
              className="absolute inset-x-0 top-0"
              style={{ transform: `translateY(${start}px)` }}
            >
              {row(place)}
            </li>
          );
        })}
      </ul>
    </>
  );
}

/** The first ends of one style with nothing done yet, as many as one batch takes. */
function batchOf(places: readonly PlaceLine[]): readonly PlaceLine[] {
  const open = places.filter(({ standing }) => standing === "planned");
  const style = open[0]?.procedure;
  return open.filter(({ procedure }) => procedure === style).slice(0, BATCH_LIMIT);
}

interface PlaceRowProps {
  readonly piece: PieceId;
  readonly place: PlaceLine;
  readonly at: string;
  readonly busy: boolean;
  readonly onBegin: SidePlacesProps["onBegin"];
}

function PlaceRow({ piece, place, at, busy, onBegin }: PlaceRowProps) {
  const { text, side, address, standing, end, batch, legs } = place;
  const title = text || t("the-cable");
  const depth = address.length;
  return (
    <div
      className="flex min-h-12 min-w-0 items-center gap-2 border-line border-b"
      style={{ paddingLeft: Math.max(0, depth - 1) * 12 }}
    >
      <StandingMark standing={standing} />
      <Link
        href={sheetHref(piece, { side, address })}
        className="min-w-0 truncate underline decoration-line underline-offset-4"
        title={t("its-sheet")}
      >
        {title}
      </Link>
      <span className="mr-auto min-w-0 truncate text-soft text-sm">
        {STANDING_WORDS[standing].toLowerCase()}
        {legs.length > 0 && ` · ${legsText(legs)}`}
      </span>
      {end !== null && standing !== "bench" && (
        <Button look="link" asChild className="px-1 text-sm">
          <Link href={`/ledger/${end}`}>{t("record")}</Link>
        </Button>
      )}
      {standing === "bench" && end !== null ? (
        <Button size="small" asChild>
          <Link href={batch ? `/bench/batch/${batch}?end=${end}` : `/bench/${end}`}>{t("go-on")}</Link>
        </Button>
      ) : (
        !isDone(standing) && (
          <Button
            size="small"
            look={standing === "planned" ? "quiet" : "plain"}
            disabled={busy}
            aria-label={`${standing === "planned" ? t("to-the-bench") : t("make-it-again")}: ${title}, ${at}`}
            onClick={() => onBegin([address])}
          >
            {standing === "planned" ? t("bench") : t("again")}
          </Button>
        )
      )}
    </div>
  );
}
