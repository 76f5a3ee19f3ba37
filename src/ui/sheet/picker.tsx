"use client";

import { Command } from "cmdk";
import { Popover } from "radix-ui";
import { type ReactNode, useState } from "react";
import { t } from "@/messages/sheet";
import { matchRank } from "./match-rank";

interface Option {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  /** What else it is found by. */
  readonly words?: string;
  /** What it stands under, where not with the first. */
  readonly group?: string | undefined;
  /** Why it does not go with what is picked; it can be chosen all the same, and the sheet then says why not. */
  readonly not?: string | undefined;
}

interface PickerProps {
  /** What is being picked: Cable, Connector. */
  readonly label: string;
  readonly hotkey: string;
  readonly chosen: string | null;
  readonly prompt: string;
  readonly options: readonly Option[];
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  /** What was picked, and what was typed to find it. */
  readonly onPick: (id: string, search: string) => void;
  /** What else there is, below the list. */
  readonly foot?: ReactNode;
}

/** What does not go together stands behind all that does. */
const BEHIND = 2;

/** A chip that opens a list: type to narrow, arrows to move, Enter or a touch to take. */
export function Picker({ label, hotkey, chosen, prompt, options, open, onOpen, onPick, foot }: PickerProps) {
  const [search, setSearch] = useState("");
  const [value, setValue] = useState("");
  const pick = (id: string) => {
    onPick(id, search);
    setSearch("");
  };
  /** What was typed, or pasted in one go, is ranked before the next key counts: Enter takes the best of it. */
  const find = (typed: string) => {
    setSearch(typed);
    const rank = ({ name, about, words = "", not }: Option) =>
      matchRank(typed, name, about, words) - (not ? BEHIND : 0);
    const [best] = [...options].sort((a, b) => rank(b) - rank(a));
    setValue(best?.id ?? "");
  };
  const fitting = options.filter(({ not }) => !not);
  const others = options.filter(({ not }) => not);
  return (
    <Chip
      label={label}
      hotkey={hotkey}
      text={chosen ?? prompt}
      faint={chosen === null}
      open={open}
      onOpen={onOpen}
    >
      <Command label={label} loop filter={rankNamesFirst} value={value} onValueChange={setValue}>
        <Command.Input
          autoFocus
          value={search}
          onValueChange={find}
          placeholder={t("type-to-find", { toLowerCase: label.toLowerCase() })}
          className="h-12 w-full border-line border-b bg-transparent px-4 text-lg outline-none placeholder:text-soft"
        />
        <Command.List className="max-h-[60vh] overflow-y-auto p-1.5">
          <Command.Empty className="p-4 text-soft">
            {t("nothing-on-the-shelf-matches", { search })}
          </Command.Empty>
          {groupsOf(fitting).map(([heading, group]) => (
            <Command.Group
              key={heading}
              heading={heading && <span className="block px-3 pt-3 pb-1 text-sm text-soft">{heading}</span>}
            >
              {group.map((option) => (
                <Item key={option.id} option={option} onPick={pick} />
              ))}
            </Command.Group>
          ))}
          {others.length > 0 && (
            <Command.Group
              heading={
                <span className="block px-3 pt-3 pb-1 text-sm text-soft">
                  {t("does-not-go-together-pick-to")}
                </span>
              }
            >
              {others.map((option) => (
                <Item key={option.id} option={option} onPick={pick} />
              ))}
            </Command.Group>
          )}
        </Command.List>
        {foot}
      </Command>
    </Chip>
  );
}

/** Options under their headings, those without one first. */
function groupsOf(options: readonly Option[]): (readonly [string, readonly Option[]])[] {
  const headings = [...new Set(options.map(({ group = "" }) => group))].sort((a, b) => a.length - b.length);
  return headings.map((heading) => [heading, options.filter(({ group = "" }) => group === heading)] as const);
}

/** What is found in a name comes before what is found in its description. */
const rankNamesFirst = (
  _id: string,
  search: string,
  [name = "", about = "", words = ""]: string[] = [],
): number => matchRank(search, name, about, words);

function Item({
  option: { id, name, about, words = "", not },
  onPick,
}: {
  option: Option;
  onPick: (id: string) => void;
}) {
  return (
    <Command.Item
      value={id}
      keywords={[name, about, words]}
      onSelect={() => onPick(id)}
      className="flex min-h-12 cursor-pointer flex-col justify-center rounded-md px-3 py-1.5 data-[selected=true]:bg-now-wash"
    >
      <span className={not ? "text-soft" : "font-semibold"}>{name}</span>
      <span className="text-sm text-soft">{not ?? about}</span>
    </Command.Item>
  );
}

/** When one list closes because the next opens, the next keeps the focus. */
const leaveFocusToNext = (event: Event) => {
  if (document.querySelector("[role=dialog]")) event.preventDefault();
};

interface ChipProps {
  readonly label: string;
  readonly hotkey: string;
  readonly text: string;
  readonly faint: boolean;
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly children: ReactNode;
}

export function Chip({ label, hotkey, text, faint, open, onOpen, children }: ChipProps) {
  return (
    <Popover.Root open={open} onOpenChange={onOpen}>
      <Popover.Trigger
        className="flex min-h-14 min-w-0 items-center gap-3 rounded-lg border border-line bg-raised px-3.5 py-1.5 text-left hover:border-ink"
        aria-keyshortcuts={hotkey}
      >
        <span className="min-w-0">
          <span className="block text-sm text-soft leading-tight">{label}</span>
          <span className={`block truncate font-bold text-lg leading-tight ${faint ? "text-now" : ""}`}>
            {text}
          </span>
        </span>
        <kbd
          aria-hidden="true"
          className="figures hidden rounded border border-line px-1.5 text-sm text-soft md:block"
        >
          {hotkey}
        </kbd>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          collisionPadding={8}
          aria-label={label}
          onCloseAutoFocus={leaveFocusToNext}
          className="z-20 max-h-(--radix-popover-content-available-height) w-[min(30rem,calc(100vw-1rem))] overflow-y-auto rounded-lg border border-line bg-raised shadow-xl"
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
