"use client";

import { useState } from "react";
import {
  type CrewReference,
  LIGHT_FROM,
  type LightReading,
  type LightTry,
  type Purpose,
  personBy,
  type Rule,
  type StaleReference,
  WAVELENGTHS,
  type Wavelength,
} from "@/core";
import { t } from "@/messages/light";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Select } from "../controls/select";
import { usePeople } from "../people/people-context";
import { LocalTime } from "../words/local-time";
import { SimulatedMeter } from "./simulated-meter";
import { TakeReference } from "./take-reference";
import { LIMIT_OPTIONS, type LightDraft, useLightDraft } from "./use-light-draft";
import type { HeldReference, References } from "./use-references";

interface ReadLightProps {
  readonly rule: Rule;
  readonly family: string;
  readonly references: References;
  readonly tried: LightTry;
  readonly wavelength: Wavelength;
  readonly purpose: Purpose;
  readonly onWavelength: (wavelength: Wavelength) => void;
  readonly onRead: (event: LightReading) => void;
}

const STALE_TEXTS: Readonly<Record<StaleReference, () => string>> = {
  old: () => t("stale-old"),
  worn: () => t("stale-worn"),
  warmed: () => t("stale-warmed"),
  later: () => t("stale-later"),
};

/** One reading of light: its reference, its limit, the powers, judged as they are typed. */
export function ReadLight(props: ReadLightProps) {
  const { rule, family, references, tried, wavelength, purpose, onWavelength, onRead } = props;
  const [taking, setTaking] = useState(false);
  const held = references.of(wavelength);
  const draft = useLightDraft({ rule, family, wavelength, held });
  const isTaking = !held || draft.trouble !== null || taking;
  return (
    <div className="grid gap-3">
      <div className="grid grid-cols-2 gap-3">
        <Select
          title={t("wavelength")}
          value={String(wavelength)}
          options={WAVELENGTHS.map((nm) => ({ id: String(nm), name: String(nm) }))}
          onPick={(id) => {
            const next = WAVELENGTHS.find((nm) => String(nm) === id);
            if (next) onWavelength(next);
          }}
        />
        <Select
          title={t("light-goes-in")}
          value={draft.from}
          options={[
            { id: "here", name: t("from-here") },
            { id: "far", name: t("from-far") },
          ]}
          onPick={(id) => draft.setFrom(LIGHT_FROM.find((each) => each === id) ?? "here")}
        />
      </div>
      {held && <ReferenceHeld {...held} />}
      {draft.trouble && (
        <p role="alert" className="text-out">
          {STALE_TEXTS[draft.trouble]()}
        </p>
      )}
      {isTaking && (
        <SharedReferences
          shared={references.sharedAt(wavelength)}
          onTakeOver={(shared) => {
            references.takeOver(shared);
            setTaking(false);
          }}
        />
      )}
      {isTaking ? (
        <TakeReference
          wavelength={wavelength}
          before={held?.reference ?? references.newest?.reference ?? null}
          purpose={purpose}
          onTake={(reference) => {
            references.take(reference);
            setTaking(false);
          }}
        />
      ) : (
        <>
          <p className="flex flex-wrap gap-x-4">
            <Button look="link" onClick={() => setTaking(true)}>
              {t("take-a-new-reference")}
            </Button>
            {held && (
              <Button look="link" onClick={() => references.cordMoved(held)}>
                {t("the-launch-cord-was-moved")}
              </Button>
            )}
          </p>
          <ReadingForm
            draft={draft}
            simulatedAt={purpose === "work" ? null : wavelength}
            onSave={() => {
              const event = draft.event(tried);
              if (!event) return;
              onRead(event);
              draft.typed.clear();
            }}
          />
        </>
      )}
    </div>
  );
}

interface SharedReferencesProps {
  readonly shared: readonly CrewReference[];
  readonly onTakeOver: (reference: CrewReference) => void;
}

/** References others of the crew took today: used only with the same source and cord in hand. */
function SharedReferences({ shared, onTakeOver }: SharedReferencesProps) {
  const { people } = usePeople();
  if (shared.length === 0) return null;
  return (
    <section aria-label={t("references-of-the-crew")} className="grid gap-1">
      <p className="font-semibold">{t("references-of-the-crew")}</p>
      <p className="text-soft text-sm">{t("only-with-this-source-and-cord")}</p>
      <ul className="divide-y divide-line border-line border-y">
        {shared.map((each) => (
          <li key={each.id} className="flex items-center gap-2 py-1">
            <span className="min-w-0 flex-1">
              {t("reference-of", {
                power: each.reference.dBm.map((power) => decimal(power.toFixed(2))).join(", "),
                matings: each.matings,
                source: each.reference.source,
                cord: each.reference.cord,
              })}{" "}
              <LocalTime iso={each.reference.taken} /> {each.by && personBy(people, each.by)?.name}
            </span>
            <Button onClick={() => onTakeOver(each)}>{t("use-this-reference")}</Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The reference in use: its powers, source, cord, how often it was read with, and when it was taken. */
const ReferenceHeld = ({ reference, matings }: HeldReference) => (
  <p>
    <span className="font-semibold">{t("reference")}: </span>
    {t("reference-of", {
      power: reference.dBm.map((power) => decimal(power.toFixed(2))).join(", "),
      matings,
      source: reference.source,
      cord: reference.cord,
    })}{" "}
    <LocalTime iso={reference.taken} />
  </p>
);

interface ReadingFormProps {
  readonly draft: LightDraft;
  /** The wavelength the simulated meter sends at; null where an end is real. */
  readonly simulatedAt: Wavelength | null;
  readonly onSave: () => void;
}

/** Limit, temperature and powers of one reading, with what they come to. */
function ReadingForm({ draft, simulatedAt, onSave }: ReadingFormProps) {
  const { judged, typed } = draft;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onSave();
      }}
      className="grid gap-3"
    >
      <Select
        title={t("limit-is")}
        value={draft.limitId}
        options={LIMIT_OPTIONS}
        onPick={draft.pickLimit}
        className="min-w-0"
      />
      <div className="grid grid-cols-2 gap-3">
        <Field
          title={t("limit")}
          value={draft.limitText}
          inputMode="decimal"
          onChange={({ target }) => draft.typeLimit(target.value)}
        />
        <Field
          title={t("celsius")}
          about={t("celsius-if-known")}
          value={draft.celsiusText}
          inputMode="decimal"
          onChange={({ target }) => draft.setCelsius(target.value)}
        />
      </div>
      <Field
        title={t("reading-dbm")}
        about={t("several-after-mating-again")}
        value={typed.text}
        problem={typed.problem}
        large
        onChange={({ target }) => typed.type(target.value)}
      />
      <p aria-live="polite" className="figures font-bold text-xl">
        {judged &&
          t("loss-is", {
            loss: decimal(judged.loss.toFixed(2)),
            u: decimal(judged.u.toFixed(2)),
            limit: decimal(draft.limitText),
            verdict: judged.gain ? "unsure" : judged.verdict,
          })}
      </p>
      {judged?.gain && <p className="text-out">{t("brighter")}</p>}
      <Button type="submit" look="next" disabled={judged === null}>
        {t("save-reading")}
      </Button>
      {simulatedAt && <SimulatedMeter wavelength={simulatedAt} isThrough onSend={draft.simulate} />}
    </form>
  );
}
