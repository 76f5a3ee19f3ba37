"use client";

import { useState } from "react";
import { type Cable, CUT_PLACES, type Entry, fibreIn, type Parted, type Through, tubesOf, um } from "@/core";
import { FigureField } from "../controls/figure-field";
import { Select } from "../controls/select";
import { readCount } from "../jobs/metres";
import { fibreText } from "../words/fibre-text";
import { mmText } from "../words/length-text";
import { ColourCheck } from "./colour-check";
import { parseMm } from "./parse-mm";
import type { Opening } from "./through";

/** Down to a tenth of a millimetre: never told longer than it is. */
const tenths = (length: number): string => mmText(Math.floor(length / 100) * 100);

const CUT_WORDS = {
  middle: "in the middle",
  upstream: "at the upstream edge",
  downstream: "at the downstream edge",
} as const;
const CUTS = CUT_PLACES.map((id) => ({ id, name: CUT_WORDS[id] }));

interface MidSpanProps {
  readonly entry: Entry;
  readonly cable: Cable;
  readonly through: Through;
  readonly opening: Opening;
  /** Fibres its piece's plan parts there; empty where nothing says which. */
  readonly parted: readonly Parted[];
  readonly onChange: (changed: Partial<Through>) => void;
}

/** How far a sheath is opened in the middle of its run, what that leaves either side, and which fibre is cut. */
export function MidSpan({ entry, cable, through, opening, parted, onChange }: MidSpanProps) {
  const { needed, opened, half, enough } = opening;
  const { kind, tubes, perTube } = tubesOf(cable);
  const [picked, setNumber] = useState(1);
  // Where the plan says which are parted, only those are asked for.
  const number = parted.some(({ fibre }) => fibre === picked) ? picked : (parted[0]?.fibre ?? picked);
  const wanted = fibreIn(cable, Math.min(number, tubes * perTube));
  const length = (title: string, key: "pitch" | "diameter" | "reversal") => (
    <FigureField
      title={title}
      value={through[key]}
      text={(value) => (value === 0 ? "" : mmText(value))}
      read={(text) => (text.trim() === "" ? um(0) : parseMm(text))}
      asks="Millimetres, or empty where nobody knows."
      onTake={(value) => {
        onChange({ [key]: value });
        return true;
      }}
    />
  );
  const { turns } = entry.storage;
  return (
    <div className="no-print grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-6">
      <section aria-labelledby="opening">
        <h2 id="opening" className="font-bold text-lg">
          Opening
        </h2>
        <p aria-live="polite" className="leading-none">
          <span className="figures font-bold text-5xl">{mmText(2 * half)}</span>
          <span className="ml-2 text-xl">mm</span>
        </p>
        <p className="mt-1 text-soft">
          <span className="figures text-ink">−{mmText(half)}</span> and{" "}
          <span className="figures text-ink">{mmText(half)}</span> from the centre mark.{" "}
          {needed.limitedBy === "storage"
            ? `What is stored asks for ${mmText(Math.ceil(needed.opening / 100) * 100)}.`
            : `It must hold a reversal of the lay, ${mmText(needed.opening)}: more than what is stored asks for.`}{" "}
          {through.reversal > 0
            ? "Find a reversal, mark it, measure both ways from it."
            : "Where nobody knows the lay, open a little first and look for a reversal."}
        </p>
        <ul className="mt-2 grid gap-1">
          {enough !== null && (
            <Told good={enough}>
              {enough
                ? "As its sheet opens it"
                : "Its sheet opens less: correct its figure before the first cut"}
            </Told>
          )}
          <Told good={opened.bendOk}>
            Stored at a radius of {tenths(opened.loopRadius)} mm, never under {mmText(entry.radius)}
          </Told>
          {(["upstream", "downstream"] as const).map((side) => (
            <Told key={side} good={opened.reachOk[side]}>
              {tenths(opened.usable[side])} of {kind} {side}; {mmText(entry.reach)} reaches the splicer
            </Told>
          ))}
        </ul>
        <div className="mt-3 grid grid-cols-2 gap-3">
          <FigureField
            title="Turns stored"
            value={through.turns}
            text={String}
            read={(text) => readCount(text, turns.max)}
            asks={`A whole number, at most ${turns.max}: so many lie in this storage.`}
            onTake={(value) => {
              onChange({ turns: value });
              return true;
            }}
          />
          <Select
            title="The tube is cut"
            value={through.cutAt}
            options={CUTS}
            onPick={(id) => {
              const found = CUTS.find((cut) => cut.id === id);
              if (found) onChange({ cutAt: found.id });
            }}
          />
          {length("Reversal to reversal, mm", "reversal")}
          {length("Once round in, mm", "pitch")}
          {through.pitch > 0 && length("Wound on, mm", "diameter")}
        </div>
      </section>
      <section aria-label="The fibre to part">
        {parted.length > 0 ? (
          <Select
            title="Fibre to part"
            value={String(number)}
            options={parted.map(({ fibre, at }) => ({
              id: String(fibre),
              name: `${fibre}: ${fibreText(fibreIn(cable, fibre))}, ${CUT_WORDS[at]}`,
            }))}
            onPick={(id) => setNumber(Number(id))}
          />
        ) : (
          <FigureField
            title={`Fibre to part, 1 to ${tubes * perTube}`}
            value={number}
            text={String}
            read={(text) => readCount(text, tubes * perTube) || null}
            asks={`A whole number from 1 to ${tubes * perTube}.`}
            onTake={(value) => {
              setNumber(value);
              return true;
            }}
          />
        )}
        <p className="mt-1 text-soft">
          {parted.length > 1
            ? `All but the ${parted.length} that are parted stays whole: a ${kind} with none of them is freed, not opened; their neighbours are stored uncut.`
            : `All else stays whole: the other ${tubes - 1} ${kind}s are freed, not opened; the other ${perTube - 1} fibres of this one are stored uncut.`}
        </p>
      </section>
      <section aria-labelledby="before-cut">
        <h2 id="before-cut" className="font-bold text-lg">
          Before the cut
        </h2>
        <ColourCheck key={number} wanted={wanted} kind={kind} />
      </section>
    </div>
  );
}

const Told = ({ good, children }: { good: boolean; children: React.ReactNode }) => (
  <li className="flex gap-2">
    <strong aria-hidden="true" className={good ? "text-in" : "text-out"}>
      {good ? "✓" : "✗"}
    </strong>
    <span>
      <span className="sr-only">{good ? "Good: " : "Not enough: "}</span>
      {children}
    </span>
  </li>
);
