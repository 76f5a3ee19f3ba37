"use client";

import { RadioGroup } from "radix-ui";
import type { ReactNode } from "react";
import type { Instrument, Choice as School } from "@/core";
import { mustHoldAt } from "@/core";
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
  { id: "both", name: "Both", about: "millimetres large, inches beside" },
  { id: "mm", name: "Millimetres", about: "" },
  { id: "in", name: "Inches", about: "in fractions" },
] as const;
const THEMES = [
  { id: "paper", name: "Paper", about: "indoors by day" },
  { id: "night", name: "Night", about: "a dim room" },
  { id: "sun", name: "Sun", about: "full contrast" },
] as const;
const RULES = [
  { id: "0.05", name: "5 % risk", about: "the usual" },
  { id: "0.01", name: "1 % risk", about: "asks for more readings" },
  { id: "simple", name: "The mean alone", about: "no third answer" },
] as const;

const ALOUD = [
  { id: "off", name: "When asked", about: "" },
  { id: "on", name: "Every step", about: "as it comes up" },
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
      <h1 className="font-bold text-2xl">Setup</h1>
      <p className="text-soft">For this device. Every choice is kept as you make it.</p>
      {clockAhead >= CLOCK_TOLD_FROM && (
        <p role="note" className="mt-3 max-w-2xl rounded-md border-2 border-now bg-now-wash px-3 py-2">
          <strong>The server’s clock was set back by {spanText(clockAhead)}.</strong> So that order, holds and
          blade counts stay right, what goes on record is dated on from the last moment there, as if it had
          not been. Set the clock of the machine Arlent runs on.
        </p>
      )}
      <div className="mt-5 grid max-w-2xl grid-cols-[minmax(0,1fr)] gap-6">
        <Choice title="Units" value={prefs.units} options={UNITS} onPick={(units) => change({ units })} />
        <Choice title="Look" value={prefs.theme} options={THEMES} onPick={(theme) => change({ theme })} />
        <Choice
          title="When is a length in?"
          value={prefs.risk === null ? "simple" : String(prefs.risk)}
          options={RULES}
          onPick={(rule) => change({ risk: rule === "simple" ? null : Number(rule) })}
        >
          A length is in or out when the chance of being wrong is no more than this; between the two Arlent
          asks to measure again. It holds for ends started from now on.
        </Choice>
        <Choice
          title="Read aloud"
          value={prefs.aloud ? "on" : "off"}
          options={ALOUD}
          onPick={(aloud) => change({ aloud: aloud === "on" })}
        >
          The key R reads a step aloud at any time.
        </Choice>
        <div>
          <h2 className="mb-2 font-bold text-lg">Instrument</h2>
          <InstrumentPicker
            instruments={instruments}
            instrument={instrument}
            onPick={(id) => change({ instrument: id })}
          />
        </div>
        <Schools schools={schools} held={prefs.schools} onHold={(held) => change({ schools: held })} />
        <PeopleSetup />
        <Study key={instrument.id} instruments={instruments} instrument={instrument} kept={studies} />
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
        Schools of practice
      </h2>
      <p className="mb-2 text-soft">
        Where good practitioners differ. Left to the style, each takes its own default; a sheet still lets you
        choose otherwise for one end.
      </p>
      <div className="grid gap-3">
        {schools.map(({ id, name, options }) => (
          <div key={id} className="grid gap-1">
            <Select
              title={name}
              value={held[id] ?? ""}
              empty="as the style has it"
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

interface ChoiceProps<T extends string> {
  readonly title: string;
  readonly value: string;
  readonly options: readonly { readonly id: T; readonly name: string; readonly about: string }[];
  readonly onPick: (id: T) => void;
  readonly children?: ReactNode;
}

function Choice<T extends string>({ title, value, options, onPick, children }: ChoiceProps<T>) {
  return (
    <div>
      <h2 className="mb-2 font-bold text-lg">{title}</h2>
      <RadioGroup.Root
        value={value}
        onValueChange={(picked) => {
          const option = options.find(({ id }) => id === picked);
          if (option) onPick(option.id);
        }}
        aria-label={title}
        className="grid gap-2 sm:grid-cols-3"
      >
        {options.map(({ id, name, about }) => (
          <RadioGroup.Item
            key={id}
            value={id}
            className="min-h-14 rounded-lg border-2 border-line px-4 py-2 text-left data-[state=checked]:border-ink data-[state=checked]:bg-raised"
          >
            <span className="block font-semibold">{name}</span>
            {about && <span className="block text-soft text-sm">{about}</span>}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
      {children && <p className="mt-2 text-soft">{children}</p>}
    </div>
  );
}
