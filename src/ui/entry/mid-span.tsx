"use client";

import { useState } from "react";
import {
  type Cable,
  CUT_PLACES,
  type Entry,
  fibreIn,
  type Parted,
  readCount,
  type Through,
  type ThroughOpening,
  tubesOf,
  um,
} from "@/core";
import { t } from "@/messages/entry";
import { FigureField } from "../controls/figure-field";
import { Select } from "../controls/select";
import { parseMm } from "../figure/parse-mm";
import { fibreText } from "../words/fibre-text";
import { mmText } from "../words/length-text";
import { ColourCheck } from "./colour-check";

/** Down to a tenth of a millimetre: never shown longer than it is. */
const tenths = (length: number): string => mmText(Math.floor(length / 100) * 100);

const CUT_NAMES = {
  middle: t("in-the-middle"),
  upstream: t("at-the-upstream-edge"),
  downstream: t("at-the-downstream-edge"),
} as const;
const CUTS = CUT_PLACES.map((id) => ({ id, name: CUT_NAMES[id] }));

interface MidSpanProps {
  readonly entry: Entry;
  readonly cable: Cable;
  readonly through: Through;
  readonly opening: ThroughOpening;
  /** Fibres its piece's plan parts there; empty where nothing says which. */
  readonly parted: readonly Parted[];
  readonly onChange: (changed: Partial<Through>) => void;
}

/** How far a sheath is opened in the middle of its run, what that leaves either side, and which fibre is cut. */
export function MidSpan({ entry, cable, through, opening, parted, onChange }: MidSpanProps) {
  const { kind, tubes, perTube } = tubesOf(cable);
  const [picked, setNumber] = useState(1);
  // Where the plan says which are parted, only those are asked for.
  const number = parted.some(({ fibre }) => fibre === picked) ? picked : (parted[0]?.fibre ?? picked);
  const wanted = fibreIn(cable, Math.min(number, tubes * perTube));
  return (
    <div className="no-print grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-6">
      <OpeningSection entry={entry} kind={kind} through={through} opening={opening} onChange={onChange} />
      <FibreToPart cable={cable} number={number} parted={parted} onNumber={setNumber} />
      <section aria-labelledby="before-cut">
        <h2 id="before-cut" className="font-bold text-lg">
          {t("before-the-cut")}
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
      <span className="sr-only">{good ? t("good") : t("not-enough")}</span>
      {children}
    </span>
  </li>
);

interface OpeningSectionProps extends Pick<MidSpanProps, "entry" | "through" | "opening" | "onChange"> {
  /** What it carries: tubes, ribbons. */
  readonly kind: string;
}

/** How long the sheath is opened, and whether that is enough to store and to reach the splicer. */
function OpeningSection({ entry, kind, through, opening, onChange }: OpeningSectionProps) {
  const { needed, opened, half, enough } = opening;
  return (
    <section aria-labelledby="opening">
      <h2 id="opening" className="font-bold text-lg">
        {t("opening")}
      </h2>
      <p aria-live="polite" className="leading-none">
        <span className="figures font-bold text-5xl">{mmText(2 * half)}</span>
        <span className="ml-2 text-xl">{t("mm")}</span>
      </p>
      <p className="mt-1 text-soft">
        <span className="figures text-ink">−{mmText(half)}</span> {t("and")}{" "}
        <span className="figures text-ink">{mmText(half)}</span>{" "}
        {t("from-the-centre-mark", {
          value:
            needed.limitedBy === "storage"
              ? t("what-is-stored-asks-for", { mmText: mmText(Math.ceil(needed.opening / 100) * 100) })
              : t("it-must-hold-a-reversal-of", { mmText: mmText(needed.opening) }),
          value2:
            through.reversal > 0
              ? t("find-a-reversal-mark-it-measure")
              : t("where-nobody-knows-the-lay-open"),
        })}
      </p>
      <ul className="mt-2 grid gap-1">
        {enough !== null && (
          <Told good={enough}>
            {enough ? t("as-its-sheet-opens-it") : t("its-sheet-opens-less-correct-its")}
          </Told>
        )}
        <Told good={opened.bendOk}>
          {t("stored-at-a-radius-of-mm", {
            tenths: tenths(opened.loopRadius),
            mmText: mmText(entry.radius),
          })}
        </Told>
        {(["upstream", "downstream"] as const).map((side) => (
          <Told key={side} good={opened.reachOk[side]}>
            {t("of-reaches-the-splicer", {
              tenths: tenths(opened.usable[side]),
              kind,
              side,
              mmText: mmText(entry.reach),
            })}
          </Told>
        ))}
      </ul>
      <OpeningFields entry={entry} through={through} onChange={onChange} />
    </section>
  );
}

/** The figures of the opening that can be changed. */
function OpeningFields({ entry, through, onChange }: Pick<MidSpanProps, "entry" | "through" | "onChange">) {
  const { turns } = entry.storage;
  const length = (title: string, key: "pitch" | "diameter" | "reversal") => (
    <FigureField
      title={title}
      value={through[key]}
      text={(value) => (value === 0 ? "" : mmText(value))}
      read={(text) => (text.trim() === "" ? um(0) : parseMm(text))}
      asks={t("millimetres-or-empty-where-nobody-knows")}
      onTake={(value) => {
        onChange({ [key]: value });
        return true;
      }}
    />
  );
  return (
    <div className="mt-3 grid grid-cols-2 gap-3">
      <FigureField
        title={t("turns-stored")}
        value={through.turns}
        text={String}
        read={(text) => readCount(text, turns.max)}
        asks={t("a-whole-number-at-most-so", { max: turns.max })}
        onTake={(value) => {
          onChange({ turns: value });
          return true;
        }}
      />
      <Select
        title={t("the-tube-is-cut")}
        value={through.cutAt}
        options={CUTS}
        onPick={(id) => {
          const match = CUTS.find((cut) => cut.id === id);
          if (match) onChange({ cutAt: match.id });
        }}
      />
      {length(t("reversal-to-reversal-mm"), "reversal")}
      {length(t("once-round-in-mm"), "pitch")}
      {through.pitch > 0 && length(t("wound-on-mm"), "diameter")}
    </div>
  );
}

interface FibreToPartProps extends Pick<MidSpanProps, "cable" | "parted"> {
  readonly number: number;
  readonly onNumber: (number: number) => void;
}

/** Picks the fibre to part: of those the plan parts, or any. */
function FibreToPart({ cable, number, parted, onNumber }: FibreToPartProps) {
  const { kind, tubes, perTube } = tubesOf(cable);
  return (
    <section aria-label={t("the-fibre-to-part")}>
      {parted.length > 0 ? (
        <Select
          title={t("fibre-to-part")}
          value={String(number)}
          options={parted.map(({ fibre, at }) => ({
            id: String(fibre),
            name: `${fibre}: ${fibreText(fibreIn(cable, fibre))}, ${CUT_NAMES[at]}`,
          }))}
          onPick={(id) => onNumber(Number(id))}
        />
      ) : (
        <FigureField
          title={t("fibre-to-part-1-to", { value: tubes * perTube })}
          value={number}
          text={String}
          read={(text) => readCount(text, tubes * perTube) || null}
          asks={t("a-whole-number-from-1-to", { value: tubes * perTube })}
          onTake={(value) => {
            onNumber(value);
            return true;
          }}
        />
      )}
      <p className="mt-1 text-soft">
        {parted.length > 1
          ? t("all-but-the-that-are-parted", { length: parted.length, kind })
          : t("all-else-stays-whole-the-other", { value: tubes - 1, kind, value2: perTube - 1 })}
      </p>
    </section>
  );
}
