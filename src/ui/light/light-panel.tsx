"use client";

import { TriangleAlert } from "lucide-react";
import { useState } from "react";
import {
  type EndState,
  type LightReading,
  type LightTry,
  lightStandings,
  type Purpose,
  type Rule,
  triesFor,
  type Wavelength,
} from "@/core";
import { t } from "@/messages/light";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { FROM_TEXTS } from "./from-texts";
import { ReadLight } from "./read-light";
import { StandingList } from "./standing-list";
import { useReferences } from "./use-references";

interface LightPanelProps {
  readonly state: EndState;
  readonly rule: Rule;
  /** The style's family: what its limit and its usual faults are. */
  readonly family: string;
  readonly purpose: Purpose;
  readonly onAdd: (event: LightReading) => void;
  readonly onStrike: (reading: string) => void;
}

const dB = (value: number): string => decimal(value.toFixed(2));

/** Light through an end: how it stands at each wavelength, what to try where it is not in, and the next reading. */
export function LightPanel({ state, rule, family, purpose, onAdd, onStrike }: LightPanelProps) {
  const [open, setOpen] = useState(false);
  const [tried, setTried] = useState<LightTry>("first");
  const [wavelength, setWavelength] = useState<Wavelength>(1310);
  const references = useReferences();
  const standings = lightStandings(state, rule);
  const bad = standings.find(({ verdict }) => verdict !== "in");
  return (
    <section aria-labelledby="light" className="grid gap-2 rounded-lg border border-line p-3">
      <h3 id="light" className="font-bold text-lg">
        {t("light")}
      </h3>
      {standings.length > 0 && <StandingList standings={standings} />}
      {state.light.length > 0 && (
        <ul className="grid gap-1 text-sm">
          {state.light.map(({ id, reference, from, dBm, tried: before }) => (
            <li key={id} className="flex items-center gap-2">
              <span className="figures min-w-0 flex-1">
                {t("at-wavelength", { wavelength: reference.wavelength, from: FROM_TEXTS[from]() })}:{" "}
                {t("dbm", { powers: dBm.map(dB).join(", ") })}{" "}
                {before !== "first" && `(${t("tried-before", { tried: before })})`}
              </span>
              <Button look="quiet" className="text-sm" onClick={() => onStrike(id)}>
                {t("strike")}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {bad && <WhatItOftenMeans family={family} tried={tried} onTry={setTried} />}
      {open ? (
        <>
          <p className="flex items-start gap-2 rounded-md bg-now-wash px-3 py-2 font-semibold">
            <TriangleAlert aria-hidden="true" className="mt-1 size-5 shrink-0" />{" "}
            {t("never-look-into-a-port")}
          </p>
          <ReadLight
            key={wavelength}
            {...{ rule, family, references, tried, wavelength, purpose }}
            onWavelength={setWavelength}
            onRead={(event) => {
              onAdd(event);
              references.use(wavelength, event.dBm.length);
              setTried("first");
            }}
          />
        </>
      ) : (
        <Button onClick={() => setOpen(true)}>{t("add-a-reading-of-light")}</Button>
      )}
    </section>
  );
}

const TRY_TEXTS: Partial<Record<LightTry, () => string>> = {
  cleaned: () => t("try-cleaned"),
  inspected: () => t("try-inspected"),
  referenced: () => t("try-referenced"),
  seated: () => t("try-seated"),
  reworked: () => t("try-reworked"),
};

interface WhatItOftenMeansProps {
  readonly family: string;
  readonly tried: LightTry;
  readonly onTry: (tried: LightTry) => void;
}

/** What a bad reading most often is at this style, the cheapest to try first. */
function WhatItOftenMeans({ family, tried, onTry }: WhatItOftenMeansProps) {
  return (
    <div>
      <p className="font-semibold">{t("what-it-often-means")}</p>
      <ol className="grid gap-1">
        {triesFor(family).map((each, i) => (
          <li key={each} className="flex items-center gap-2">
            <span className="min-w-0 flex-1">
              {i + 1}. {TRY_TEXTS[each]?.()}
            </span>
            <Button
              look={tried === each ? "strong" : "quiet"}
              aria-pressed={tried === each}
              className="text-sm"
              onClick={() => onTry(each)}
            >
              {t("tried")}
            </Button>
          </li>
        ))}
      </ol>
    </div>
  );
}
