"use client";

import { Check, ChevronDown } from "lucide-react";
import { Select as Radix } from "radix-ui";
import { type ReactNode, useId } from "react";

interface SelectProps {
  /** Its name, above it; or as a label only. */
  readonly title: ReactNode;
  readonly hideTitle?: boolean;
  readonly value: string;
  readonly onPick: (id: string) => void;
  readonly options: readonly { readonly id: string; readonly name: string; readonly off?: boolean }[];
  /** What stands there while nothing is picked; with it, nothing can be picked again. */
  readonly empty?: string | undefined;
  /** Name in a form. */
  readonly name?: string;
  readonly className?: string;
  readonly disabled?: boolean;
}

/** Nothing picked: the list takes no empty value. */
const NOTHING = "\u0000";

/** One of several, from a list that opens: by touch, arrows or the letters it begins with. */
export function Select({
  title,
  hideTitle = false,
  value,
  onPick,
  options,
  empty,
  name,
  className = "",
  disabled = false,
}: SelectProps) {
  const id = useId();
  const all = empty === undefined ? options : [{ id: NOTHING, name: empty }, ...options];
  return (
    <div className={`grid gap-1 ${className}`}>
      <span id={id} className={hideTitle ? "sr-only" : "font-semibold"}>
        {title}
      </span>
      <Radix.Root
        value={value === "" && empty !== undefined ? NOTHING : value}
        onValueChange={(picked) => onPick(picked === NOTHING ? "" : picked)}
        disabled={disabled}
        {...(name === undefined ? {} : { name })}
      >
        <Radix.Trigger
          aria-labelledby={`${id} ${id}-value`}
          className="flex min-h-12 w-full items-center justify-between gap-2 rounded-lg border border-line bg-field px-3 text-left disabled:opacity-40"
        >
          <span id={`${id}-value`} className="min-w-0 truncate">
            <Radix.Value />
          </span>
          <Radix.Icon>
            <ChevronDown aria-hidden="true" className="size-5 text-soft" />
          </Radix.Icon>
        </Radix.Trigger>
        <Radix.Portal>
          <Radix.Content
            position="popper"
            sideOffset={4}
            collisionPadding={8}
            className="z-40 max-h-(--radix-select-content-available-height) min-w-(--radix-select-trigger-width) max-w-[calc(100vw-1rem)] overflow-y-auto rounded-lg border-2 border-ink bg-raised shadow-lg"
          >
            <Radix.Viewport>
              {all.map((option) => (
                <Radix.Item
                  key={option.id}
                  value={option.id}
                  disabled={"off" in option && option.off === true}
                  className="flex min-h-11 cursor-pointer items-center gap-2 px-3 outline-none data-disabled:opacity-40 data-highlighted:bg-strong data-highlighted:text-on-strong"
                >
                  <span className="flex size-4 shrink-0 items-center">
                    <Radix.ItemIndicator>
                      <Check aria-hidden="true" className="size-4" />
                    </Radix.ItemIndicator>
                  </span>
                  <Radix.ItemText>{option.name}</Radix.ItemText>
                </Radix.Item>
              ))}
            </Radix.Viewport>
          </Radix.Content>
        </Radix.Portal>
      </Radix.Root>
    </div>
  );
}
