"use client";

import { Popover, RadioGroup } from "radix-ui";
import { type Cable, misfits, optionsFor, type Procedure, pickedNames } from "@/core";
import { t } from "@/messages/sheet";
import { coreText } from "../words/length-text";
import { Chip } from "./picker";

interface VariantPickerProps {
  readonly cable: Cable;
  readonly procedure: Procedure;
  readonly core: string;
  readonly choices: Readonly<Record<string, string>>;
  /** A choice nobody has made yet: asked for, not taken as its first option. */
  readonly question: string | null;
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly onCore: (core: string) => void;
  readonly onChoice: (id: string, option: string) => void;
}

/** How exactly: the glass in hand and the options of the style, one row of big answers each. */
export function VariantPicker({
  cable,
  procedure,
  core,
  choices,
  question,
  open,
  onOpen,
  onCore,
  onChoice,
}: VariantPickerProps) {
  const chosen = pickedNames(
    { ...procedure, choices: procedure.choices.filter(({ id }) => id !== question) },
    choices,
  );
  const unsaid = procedure.choices.find(({ id }) => id === question);
  const glass = cable.cores.map((core) => ({
    id: core,
    name: coreText(core),
    not: misfits(procedure, cable, core).some(({ about }) => about === "core"),
  }));
  const schools = procedure.choices.filter(({ school }) => school);
  const row = (choice: Procedure["choices"][number]) => (
    <Row
      key={choice.id}
      label={choice.name}
      note={choice.same}
      value={choice.id === question ? "" : (choices[choice.id] ?? "")}
      options={choice.options.map((option) => ({
        ...option,
        not: !optionsFor(choice, cable, core).includes(option),
      }))}
      strict
      onPick={(option) => onChoice(choice.id, option)}
    />
  );
  return (
    <Chip
      label={t("as")}
      hotkey="V"
      text={[...(unsaid ? [`${unsaid.name}?`] : []), ...chosen, coreText(core)].join(" · ")}
      faint={unsaid !== undefined}
      open={open}
      onOpen={onOpen}
    >
      <div className="space-y-4 p-4">
        <Row label={t("glass")} value={core} options={glass} onPick={onCore} />
        {procedure.choices.filter(({ school }) => !school).map(row)}
        {schools.length > 0 && (
          <details open={schools.some(({ id, default: usual }) => choices[id] !== usual)}>
            <summary className="min-h-12 cursor-pointer py-3 font-semibold">
              {t("where-practitioners-differ", { length: schools.length })}
            </summary>
            <div className="space-y-4">{schools.map(row)}</div>
          </details>
        )}
        <Popover.Close className="min-h-12 w-full rounded-lg bg-strong px-4 font-semibold text-on-strong">
          {t("done")}
        </Popover.Close>
      </div>
    </Chip>
  );
}

interface RowProps {
  readonly label: string;
  /** What it does not change. */
  readonly note?: string | undefined;
  readonly value: string;
  readonly options: readonly {
    readonly id: string;
    readonly name: string;
    readonly why?: string;
    readonly not?: boolean;
  }[];
  /** Whether what cannot be had cannot be picked either. */
  readonly strict?: boolean;
  readonly onPick: (id: string) => void;
}

function Row({ label, value, options, note, strict = false, onPick }: RowProps) {
  const why = options.find(({ id }) => id === value)?.why;
  return (
    <div>
      <div className="mb-1 text-sm text-soft">{label}</div>
      <RadioGroup.Root
        value={value}
        onValueChange={onPick}
        aria-label={label}
        className="flex flex-wrap gap-2"
      >
        {options.map(({ id, name, not }) => (
          <RadioGroup.Item
            key={id}
            value={id}
            disabled={strict && not === true}
            className="min-h-12 rounded-lg border border-line px-4 font-semibold data-[state=checked]:border-ink data-[state=checked]:bg-strong data-[state=checked]:text-on-strong disabled:opacity-50"
          >
            {name}
            {not && <span className="block font-normal text-sm">{t("not-here")}</span>}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
      {why && <p className="mt-1 text-sm text-soft">{why}</p>}
      {note && <p className="mt-1 text-sm text-soft">{note}</p>}
    </div>
  );
}
