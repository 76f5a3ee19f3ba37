"use client";

import { useState } from "react";
import {
  isMeterLine,
  judgeLight,
  type LightReading,
  type LightTry,
  LOSS_LIMITS,
  parseMeterLine,
  type Rule,
  readPowers,
  referenceTrouble,
  SIMULATED_METER,
  usualLimit,
  type Wavelength,
} from "@/core";
import { t } from "@/messages/light";
import type { HeldReference } from "./use-references";

/** Our own representative meter: 0.01 dB, repeated to 0.02, a connection to 0.05 from mating to mating. */
const meterUsed = (isSimulated: boolean): LightReading["meter"] => ({
  ...(isSimulated
    ? { id: SIMULATED_METER, name: t("simulated-meter") }
    : { id: "power-meter", name: t("power-meter-and-source") }),
  ...{ resolution: 0.01, repeatability: 0.02, mating: 0.05 },
});

const LIMIT_NAMES = {
  connector: () => t("limit-connector"),
  "connector-and-splice": () => t("limit-connector-and-splice"),
  splice: () => t("limit-splice"),
};

/** The limits offered, by what is on an end; the last is the plan's own. */
const OWN_LIMIT = "own";
export const LIMIT_OPTIONS = [
  ...LOSS_LIMITS.map(({ id }) => ({ id: String(id), name: LIMIT_NAMES[id]() })),
  { id: OWN_LIMIT, name: t("limit-own") },
];

/** A limit as it is called; the plan's own where it is none of those. */
export const limitName = (id: string | undefined): string =>
  LIMIT_OPTIONS.find((option) => option.id === id)?.name ?? t("limit-own");

/** A temperature as it is typed; null where nothing is, undefined where it cannot be read. */
export function readCelsius(text: string): number | null | undefined {
  if (text.trim() === "") return null;
  const value = Number(text.trim().replace(",", ".").replace("−", "-"));
  return Number.isFinite(value) && Math.abs(value) <= 60 ? value : undefined;
}

function readLimit(text: string): number | null {
  const value = Number(text.trim().replace(",", "."));
  return /^\d/.test(text.trim()) && value >= 0 && value <= 60 ? value : null;
}

/**
 * Powers being typed: a meter's line adds its power to what stands there, if it is of the wavelength in hand.
 * @returns the text, why the last line was not taken, and what takes more.
 */
export function usePowers(wavelength: Wavelength) {
  const [text, setText] = useState("");
  const [problem, setProblem] = useState("");
  const type = (typed: string) => {
    setProblem("");
    if (!isMeterLine(typed)) return setText(typed);
    const line = parseMeterLine(typed);
    if (!line.ok) return setProblem(line.problem.message);
    if (line.value.wavelength !== wavelength)
      return setProblem(t("line-is-of-another-wavelength", { line: line.value.wavelength, wavelength }));
    setText((before) => [before, line.value.dBm.toFixed(2)].filter(Boolean).join(" "));
  };
  return { text, problem, type, setProblem, clear: () => setText(""), powers: readPowers(text) };
}

interface DraftOf {
  readonly rule: Rule;
  readonly family: string;
  readonly wavelength: Wavelength;
  readonly held: HeldReference | undefined;
}

/** A reading of light being typed, judged by its reference and limit as far as it is there. */
export function useLightDraft({ rule, family, wavelength, held }: DraftOf) {
  const usual = usualLimit(family);
  const [from, setFrom] = useState<LightReading["from"]>("here");
  const [limitId, setLimitId] = useState<string>(usual?.id ?? OWN_LIMIT);
  const [limitText, setLimitText] = useState(String(usual?.dB ?? ""));
  const [celsiusText, setCelsius] = useState("");
  const [isSimulated, setSimulated] = useState(false);
  const typed = usePowers(wavelength);
  const celsius = readCelsius(celsiusText);
  const limitDb = readLimit(limitText);
  const meter = meterUsed(isSimulated);
  const { powers } = typed;
  const judged =
    held && powers && limitDb !== null
      ? judgeLight({ reference: held.reference, dBm: powers, meter, limitDb }, rule)
      : null;
  /** The event to be stored; null where something is still missing, and said. */
  const event = (tried: LightTry): LightReading | null => {
    if (!held || !powers) typed.setProblem(t("enter-powers"));
    else if (limitDb === null || celsius === undefined) typed.setProblem(t("enter-a-limit"));
    else
      return {
        ...{ kind: "light", read: new Date().toISOString(), from, reference: held.reference },
        ...{ matings: held.matings, meter, dBm: powers, celsius, limitDb, tried },
        limitFrom: limitName(limitId),
      };
    return null;
  };
  return {
    ...{ from, setFrom, limitId, limitText, celsiusText, setCelsius, typed, judged, event },
    pickLimit: (id: string) => {
      setLimitId(id);
      const limit = LOSS_LIMITS.find((each) => each.id === id);
      if (limit) setLimitText(String(limit.dB));
    },
    typeLimit: (text: string) => {
      setLimitText(text);
      setLimitId(OWN_LIMIT);
    },
    simulate: (line: string) => {
      setSimulated(true);
      typed.type(line);
    },
    trouble: held
      ? referenceTrouble({ read: new Date().toISOString(), ...held, celsius: celsius ?? null })
      : null,
  };
}

export type LightDraft = ReturnType<typeof useLightDraft>;
