"use client";

import { type Instrument, mustHoldAt, type Choice as School } from "@/core";
import { t } from "@/messages/setup";
import { ProofPanel } from "../card/proof-panel";
import { Link } from "../controls/link";
import { RadioCards } from "../controls/radio-cards";
import { Select } from "../controls/select";
import { PeopleSetup } from "../people/people-setup";
import { usePrefs } from "../prefs/prefs-context";
import { InstrumentPicker } from "../reading/instrument-picker";
import { spanText } from "../words/clock-text";
import { BackupPanel } from "./backup-panel";
import { RecordCheck } from "./record-check";
import { SealPanel } from "./seal-panel";
import { type KeptStudy, Study } from "./study";

const UNITS = [
  { id: "both", name: t("both"), about: t("millimetres-large-inches-beside") },
  { id: "mm", name: t("millimetres"), about: "" },
  { id: "in", name: t("inches"), about: t("in-fractions") },
] as const;
const THEMES = [
  { id: "paper", name: t("paper"), about: t("indoors-by-day") },
  { id: "night", name: t("night"), about: t("a-dim-room") },
  { id: "sun", name: t("sun"), about: t("full-contrast") },
] as const;
const RULES = [
  { id: "0.05", name: t("5-risk"), about: t("the-usual") },
  { id: "0.01", name: t("1-risk"), about: t("asks-for-more-readings") },
  { id: "simple", name: t("the-mean-alone"), about: t("no-third-answer") },
] as const;

const ALOUD = [
  { id: "off", name: t("when-asked"), about: "" },
  { id: "on", name: t("every-step"), about: t("as-it-comes-up") },
] as const;

interface SetupProps {
  readonly instruments: readonly Instrument[];
  readonly schools: readonly School[];
  readonly studies: readonly KeptStudy[];
  /** How far what goes on record is dated ahead of the server's clock because that was set back, seconds. */
  readonly clockAhead: number;
}

/** Less is how clocks run, seconds. */
const CLOCK_TOLD_FROM = 60;

/** How this device likes to work. Kept at once, undone by choosing again. */
export function SetupView({ instruments, schools, studies, clockAhead }: SetupProps) {
  const { prefs, change } = usePrefs();
  const instrument = instruments.find(({ id }) => id === prefs.instrument) ?? mustHoldAt(instruments, 0);
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <h1 className="font-bold text-2xl">{t("setup")}</h1>
      <p className="text-soft">{t("for-this-device-every-choice-is")}</p>
      {clockAhead >= CLOCK_TOLD_FROM && (
        <p role="note" className="mt-3 max-w-2xl rounded-md border-2 border-now bg-now-wash px-3 py-2">
          <strong>{t("the-server-s-clock-was-set", { spanText: spanText(clockAhead) })}</strong>{" "}
          {t("so-that-order-holds-and-blade")}
        </p>
      )}
      <div className="mt-5 grid max-w-2xl grid-cols-[minmax(0,1fr)] gap-6">
        <RadioCards
          title={t("units")}
          value={prefs.units}
          options={UNITS}
          onPick={(units) => change({ units })}
        />
        <RadioCards
          title={t("look")}
          value={prefs.theme}
          options={THEMES}
          onPick={(theme) => change({ theme })}
        />
        <RadioCards
          title={t("when-is-a-length-in")}
          value={prefs.risk === null ? "simple" : String(prefs.risk)}
          options={RULES}
          onPick={(rule) => change({ risk: rule === "simple" ? null : Number(rule) })}
        >
          {t("a-length-is-in-or-out")}
        </RadioCards>
        <RadioCards
          title={t("read-aloud")}
          value={prefs.aloud ? "on" : "off"}
          options={ALOUD}
          onPick={(aloud) => change({ aloud: aloud === "on" })}
        >
          {t("the-key-r-reads-a-step")}
        </RadioCards>
        <div>
          <h2 className="mb-2 font-bold text-lg">{t("instrument")}</h2>
          <InstrumentPicker
            instruments={instruments}
            instrument={instrument}
            onPick={(id) => change({ instrument: id })}
          />
        </div>
        <Schools schools={schools} held={prefs.schools} onHold={(held) => change({ schools: held })} />
        <div className="grid gap-2">
          <h2 className="font-bold text-lg">{t("printers")}</h2>
          <p className="text-soft">{t("printers-are-proven-by")}</p>
          <ProofPanel />
        </div>
        <PeopleSetup />
        <Link href="/setup/crew" className="underline">
          {t("crew-roles-pins-devices")}
        </Link>
        <Study key={instrument.id} instruments={instruments} instrument={instrument} studies={studies} />
        <RecordCheck />
        <SealPanel />
        <BackupPanel />
      </div>
    </main>
  );
}

/** Where practitioners differ: how this person works, wherever a style knows the question. */
function Schools({
  schools,
  held,
  onHold,
}: {
  schools: readonly School[];
  held: Readonly<Record<string, string>>;
  onHold: (held: Record<string, string>) => void;
}) {
  return (
    <section aria-labelledby="schools">
      <h2 id="schools" className="font-bold text-lg">
        {t("schools-of-practice")}
      </h2>
      <p className="mb-2 text-soft">{t("where-good-practitioners-differ-left-to")}</p>
      <div className="grid gap-3">
        {schools.map(({ id, name, options }) => (
          <div key={id} className="grid gap-1">
            <Select
              title={name}
              value={held[id] ?? ""}
              empty={t("as-the-style-has-it")}
              options={options}
              onPick={(value) => {
                const { [id]: _, ...others } = held;
                onHold(value === "" ? others : { ...others, [id]: value });
              }}
            />
            <span className="text-soft text-sm">
              {options.find((option) => option.id === held[id])?.why ?? ""}
            </span>
          </div>
        ))}
      </div>
    </section>
  );
}
